import { clearSky } from '../energy/clearSky';
import { solarHour, sunPosition } from '../energy/sun';
import { faultWords } from './faultWords';
import { readWeather, skiesOfYear } from './weatherFile';

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** A made-up year at 48° N whose every hour has a share of the clear sky. */
function hours(share: number): { month: number; day: number; hour: number; watts: number }[] {
  let dayOfYear = 0;
  return DAYS.flatMap((length, month) =>
    Array.from({ length }, (_, day) => {
      dayOfYear += 1;
      return Array.from({ length: 24 }, (_, hour) => {
        const { altitude } = sunPosition(dayOfYear, solarHour(hour + 0.5, dayOfYear, 11), 48);
        const { beamNormal, diffuseHorizontal } = clearSky(dayOfYear, altitude);
        const watts = share * (diffuseHorizontal + beamNormal * Math.max(0, Math.sin(altitude)));
        return { month: month + 1, day: day + 1, hour, watts: Math.round(watts * 100) / 100 };
      });
    }).flat(),
  );
}

// Heading lines and columns as the open EPW format has them: hour 1 to 24 in column 4, global horizontal radiation in column 14.
const epw = (share: number) =>
  [
    'LOCATION,Made-up marsh,-,XXX,made,000000,48.0,11.0,1.0,500.0',
    ...[
      'DESIGN CONDITIONS,0',
      'TYPICAL/EXTREME PERIODS,0',
      'GROUND TEMPERATURES,0',
      'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
      'COMMENTS 1',
      'COMMENTS 2',
    ],
    'DATA PERIODS,1,1,Data,Sunday,1/1,12/31',
    ...hours(share).map(({ month, day, hour, watts }) => `2001,${month},${day},${hour + 1},60,?9,5.0,2.0,80,100000,0,0,300,${watts},0,0`),
  ].join('\n');
const csv = (rows = hours(0.5)) =>
  ['Time,Temp,GHI [W/m2]', ...rows.map(({ month, day, hour, watts }) => `2025-${month}-${day} ${hour}:00,5,${watts}`)].join('\r\n');

describe('a year of real weather', () => {
  it.each([1, 0.6, 0.25])('an EPW of %d of a clear sky gives that share every day', (share) => {
    const read = readWeather(epw(share));
    if (!read.ok) throw new Error(read.problems.map(faultWords).join());
    expect(read.year).toMatchObject({ place: 'Made-up marsh', latitudeDeg: 48, longitudeDeg: 11 });
    for (const sky of skiesOfYear(read.year, 48, 11)) expect(sky).toBeCloseTo(share, 3);
  });
  it('a CSV with times or without, with a leap day, in any order of columns', () => {
    const read = readWeather(csv([...hours(0.5), { month: 2, day: 29, hour: 12, watts: 900 }]));
    if (!read.ok) throw new Error(read.problems.map(faultWords).join());
    expect(skiesOfYear(read.year, 48, 11)[180]).toBeCloseTo(0.5, 3);
    const bare = readWeather(['global', ...hours(0.5).map(({ watts }) => String(watts))].join('\n'));
    expect(bare).toEqual(read);
  });
  it('the mean of quarter hours makes the hour', () => {
    const rows = hours(0.5).flatMap((hour) => [
      { ...hour, watts: hour.watts * 0.5 },
      { ...hour, watts: hour.watts * 1.5 },
    ]);
    const read = readWeather(csv(rows));
    expect(read.ok && skiesOfYear(read.year, 48, 11)[100]).toBeCloseTo(0.5, 3);
  });
  it.each([
    ['nothing', '', 'a heading line'],
    ['no column of sun', 'time,temp\n2025-01-01 00:00,3', 'no column is headed'],
    ['a year cut short', epw(1).split('\n').slice(0, 4000).join('\n'), '3992 hours'],
    ['a sun of 5000', csv().replace(',5,0\r\n', ',5,5000\r\n'), 'row 2: sun of 5000 W/m²'],
    ['words for sun', csv().replace(',5,0\r\n', ',5,bright\r\n'), 'row 2: sun of no number'],
    ['a date that is none', csv().replace('2025-1-1 0:00', '1st of January'), 'row 2: “1st of January” is no date'],
    ['the 31st of April', csv().replace('2025-4-30 0:00', '2025-4-31 0:00'), 'is no hour of a year'],
    ['hours missing', csv(hours(0.5).slice(48)), '48 hours of the year are missing'],
    ['markup', '<script>alert(1)</script>\n1', 'no column is headed'],
    ['far too much', `ghi\n${'1\n'.repeat(2_100_000)}`, 'larger than'],
  ])('refuses %s, says where, and takes nothing', (_, text, why) => {
    const read = readWeather(text);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.problems.map(faultWords).join('; ')).toContain(why);
    expect(!read.ok && read.problems.length).toBeLessThan(11);
  });
});
