import { unreadWords } from '../wording/unreadWords';
import { formatSpans, formatUse, parseSpans, parseTime, parseUse } from './useText';

describe('when a load runs, in words', () => {
  it.each([
    [
      '7-8:30, 17-21',
      {
        rule: 'hours',
        spans: [
          { fromMin: 420, toMin: 510 },
          { fromMin: 1020, toMin: 1260 },
        ],
      },
    ],
    ['22–1.30', { rule: 'hours', spans: [{ fromMin: 1320, toMin: 90 }] }],
    ['6 pm to 11 pm', { rule: 'hours', spans: [{ fromMin: 1080, toMin: 1380 }] }],
    ['dusk to 22:30', { rule: 'dark', untilMin: 1350 }],
    ['dark', { rule: 'dark', untilMin: null }],
    ['driving', { rule: 'driving' }],
    ['While in', { rule: 'occupied' }],
    ['20 x 60 s a night', { rule: 'motion', timesPerNight: 20, holdS: 60 }],
    ['6 x 30 s a day', { rule: 'motion', timesPerNight: 6, holdS: 30, over: 'always' }],
    ['6 x 30 s by day', { rule: 'motion', timesPerNight: 6, holdS: 30, over: 'daylight' }],
    ['12 times 2 min', { rule: 'motion', timesPerNight: 12, holdS: 120 }],
    ['left on', { rule: 'leftOn' }],
    ['', null],
  ])('reads “%s”, and its own words for it again', (text, use) => {
    const read = parseUse(text);
    expect(read).toEqual({ ok: true, value: use });
    if (read.ok) expect(parseUse(formatUse(read.value))).toEqual(read);
  });
  it.each(['7', '25-26', '7-7', 'dusk-27', 'sometimes', '7-8-9', '5 x 9000 s', '13 pm-2 pm', '7:75-8'])(
    'refuses “%s” and says how to write it',
    (text) => {
      const read = parseUse(text);
      expect(read.ok).toBe(false);
      if (!read.ok) expect(unreadWords(read.why)).toMatch(/write hours such as|has no length|stay lit/);
    },
  );
  it('reads clocks as people write them', () => {
    expect(['7', '7:30', '22.30', '7h30', '12 am', '12 pm', '24'].map(parseTime)).toEqual([420, 450, 1350, 450, 0, 720, 1440]);
    expect(parseSpans('all day')).toEqual({ ok: true, value: [{ fromMin: 0, toMin: 1440 }] });
    expect(formatSpans([{ fromMin: 545, toMin: 1440 }])).toBe('9:05–24');
  });
});
