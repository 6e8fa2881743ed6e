import { dateOf, dayOfDate } from './dates';

// Against the language's own calendar; 2027 has 365 days.
const days = Array.from({ length: 365 }, (_, at) => ({ day: at + 1, date: new Date(Date.UTC(2027, 0, at + 1)) }));

test('every day of a year is called by its date, and found by it however it is written', () => {
  for (const { day, date } of days) {
    const long = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', timeZone: 'UTC' }).format(date);
    const american = new Intl.DateTimeFormat('en-US', { day: 'numeric', month: 'short', timeZone: 'UTC' }).format(date);
    const figures = `${date.getUTCDate()}.${date.getUTCMonth() + 1}.`;
    const month = new Intl.DateTimeFormat('en-US', { month: 'short', timeZone: 'UTC' }).format(date);
    expect(dateOf(day)).toBe(`${date.getUTCDate()} ${month}`);
    for (const text of [dateOf(day), long, american, figures, ` ${long.toUpperCase()} `])
      expect([text, dayOfDate(text)]).toEqual([text, day]);
  }
});

test('a season past the year’s end begins again', () => {
  expect([dateOf(366), dateOf(365 + 24), dateOf(730)]).toEqual(['1 Jan', '24 Jan', '31 Dec']);
});

test.each(['', '31 Jun', '0 Jan', '32.1.', '5.13.', 'Foo 3', '1/2', '2027-05-01', '29 Feb'])('“%s” is no day of such a year', (text) => {
  expect(dayOfDate(text)).toBeNull();
});
