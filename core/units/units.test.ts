import fc from 'fast-check';
import { formatDraw, parseDraw } from '../formats/drawText';
import { unreadWords } from '../wording/unreadWords';
import { parseHours, parseLength, parseNumber, parsePlace } from './parse';
import {
  formatAmps,
  formatConductor,
  formatFeetInches,
  formatHours,
  formatLength,
  formatEntered,
  formatNumber,
  formatPercent,
  formatRating,
  formatTemperature,
} from './quantity';

describe('lengths as people write them', () => {
  // 1 ft = 304.8 mm, 1 in = 25.4 mm, exactly (international yard and pound agreement, 1959).
  test.each([
    ['3.4', 'metric', 3400],
    ['3,4 m', 'metric', 3400],
    ['340 cm', 'metric', 3400],
    ['3400mm', 'metric', 3400],
    ['11', 'us', 3352.8],
    ['11 ft', 'metric', 3352.8],
    ['11\' 2"', 'us', 3403.6],
    ['11 ft 2 in', 'us', 3403.6],
    ['11’ 2”', 'us', 3403.6],
    ["11' 2''", 'us', 3403.6],
    ['6 in', 'metric', 152.4],
    ['0.5', 'metric', 500],
    ['.5m', 'us', 500],
  ] as const)('%s (%s) is %d mm', (text, units, mm) => {
    const parsed = parseLength(text, units);
    expect(parsed.ok && parsed.value).toBeCloseTo(mm, 9);
  });

  test.each(['', 'three', '3 parsecs', '1,234', '11\' 14"', '3 m 4', '--1'])('%p is refused with a reason', (text) => {
    const parsed = parseLength(text, 'metric');
    expect(parsed.ok).toBe(false);
    expect(!parsed.ok && unreadWords(parsed.why)).toMatch(/enter a number|is not a|can be read two ways|a foot or more/);
  });

  test('"1,234" is refused with both readings offered', () => {
    expect(parseNumber('1,234')).toEqual({ ok: false, why: { code: 'ambiguous', said: '1,234', readings: ['1234', '1.234'] } });
    expect(parseNumber('1,5')).toEqual({ ok: true, value: 1.5 });
    expect(parseNumber('−3')).toEqual({ ok: true, value: -3 });
  });

  test.each([
    ['500 mA', 'A', 0.5],
    ['1,2 kW', 'W', 1200],
    ['2600mAh', 'Ah', 2.6],
    ['90 min', 'h', 1.5],
    ['2 lb', 'kg', 0.90718474],
  ])(
    '"%s" in a field of %s is %p: what larger and smaller units of the same thing are (SI; the pound: NIST SP 811)',
    (text, unit, value) => {
      const parsed = parseNumber(text, [unit]);
      expect(parsed.ok && parsed.value).toBeCloseTo(value, 12);
      expect(parseNumber(text, ['mm']).ok).toBe(false);
    },
  );

  test.each([
    ['1:30', 1.5],
    ['1 h 15', 1.25],
    ['45 min', 0.75],
    ['1 hour', 1],
    ['2 hours', 2],
    ['3 hrs', 3],
    ['90 minutes', 1.5],
    ['1800 s', 0.5],
    ['2.5', 2.5],
  ])('"%s" is %p hours', (text, hours) => expect(parseHours(text)).toEqual({ ok: true, value: hours }));

  test('a bare number in feet and inches may be either, and is asked about; in millimetres it is one', () => {
    expect(parsePlace('17.7', 'us')).toEqual({ ok: false, why: { code: 'ambiguous', said: '17.7', readings: ['17.7 ft', '17.7 in'] } });
    expect(parsePlace('17.7 ft', 'us')).toMatchObject({ ok: true, value: expect.closeTo(5394.96, 6) });
    expect(parsePlace('0', 'us')).toEqual({ ok: true, value: 0 });
    expect(parsePlace('1500', 'metric')).toEqual({ ok: true, value: 1500 });
  });

  test('what is shown reads back as the same length', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 10_000 }), fc.constantFrom('metric' as const, 'us' as const), (centimetres, units) => {
        const shown = formatLength(centimetres * 10, units);
        const back = parseLength(shown, units);
        expect(back.ok && Math.abs(back.value - centimetres * 10)).toBeLessThan(units === 'metric' ? 1e-6 : 16);
      }),
    );
  });
});

test('quantities are shown with their unit, and what is unknown with a dash', () => {
  expect([formatAmps(1.234), formatAmps(12.34), formatAmps(123.4), formatAmps(null)]).toEqual(['1.23 A', '12.3 A', '123 A', '–']);
  expect([formatRating(7.5), formatRating(10)]).toEqual(['7.5 A', '10 A']);
  expect([formatHours(5.25), formatHours(34.2), formatHours(75), formatHours(null)]).toEqual(['5.3 h', '34 h', '3 d 3 h', '–']);
  expect([formatLength(1524, 'us'), formatLength(1524, 'metric')]).toEqual(['5.0 ft', '1.52 m']);
  expect([formatTemperature(50, 'us'), formatTemperature(50, 'metric')]).toEqual(['122 °F', '50 °C']);
  expect([formatConductor('mm2:2.5'), formatConductor('awg:1/0')]).toEqual(['2.5 mm²', '1/0 AWG']);
  expect([formatNumber(-1.5, 1), formatNumber(-0.001, 1), formatPercent(NaN)]).toEqual(['−1.5', '0.0', '–']);
});

describe('draws in one cell', () => {
  test.each([
    ['24', { kind: 'watts', watts: 24, atV: 12 }],
    ['24 W', { kind: 'watts', watts: 24, atV: 12 }],
    ['2 A', { kind: 'amps', amps: 2, atV: 12 }],
    ['80 mA', { kind: 'amps', amps: 0.08, atV: 12 }],
    ['0,4a', { kind: 'amps', amps: 0.4, atV: 12 }],
    ['24 W at 13.8 V', { kind: 'watts', watts: 24, atV: 13.8 }],
    ['2A@12.5', { kind: 'amps', amps: 2, atV: 12.5 }],
    ['9.6 W/m x 1.6 m', { kind: 'strip', wattsPerM: 9.6, lengthMm: 1600, pieces: 1, join: 'endToEnd', atV: 12 }],
    ['14.4W/m × 200cm × 3', { kind: 'strip', wattsPerM: 14.4, lengthMm: 2000, pieces: 3, join: 'endToEnd', atV: 12 }],
    ['4.8 W/m * 1 m * 2 parallel', { kind: 'strip', wattsPerM: 4.8, lengthMm: 1000, pieces: 2, join: 'parallel', atV: 12 }],
  ])('%s', (text, draw) => {
    const parsed = parseDraw(text, 12, 'metric');
    expect(parsed).toEqual({ ok: true, draw });
    const again = parsed.ok && parseDraw(formatDraw(parsed.draw, 12, 'metric'), 12, 'metric');
    expect(again).toEqual(parsed);
  });

  test('a strip by the foot becomes one by the metre', () => {
    const parsed = parseDraw('3 W/ft x 5 ft', 12, 'us');
    expect(parsed.ok && parsed.draw.kind === 'strip' && parsed.draw.wattsPerM).toBeCloseTo(9.843, 3);
  });

  test.each(['', 'lots', '-5 W', '24 V', '24 W at 0 V', '99999 W', '9.6 W/m', '9.6 W/m x', '5 W at 12 V at 13 V'])(
    '%p is refused',
    (text) => {
      expect(parseDraw(text, 12, 'metric').ok).toBe(false);
    },
  );
});

describe('feet, inches, fractions and what can be read two ways', () => {
  // 25.4 mm an inch, 304.8 mm a foot: international yard and pound agreement, 1959.
  test.each([
    ['3.4', 'metric', 'm', 3400],
    ['3,4 m', 'metric', 'm', 3400],
    ['340cm', 'metric', 'm', 3400],
    ['3400', 'metric', 'mm', 3400],
    ['3 m 40', 'metric', 'm', 3400],
    ['3 m 4 cm', 'metric', 'm', 3040],
    ['11 ft', 'metric', 'm', 3352.8],
    ['11', 'us', 'ft', 3352.8],
    ['11\' 2"', 'us', 'ft', 3403.6],
    ['11ft2in', 'us', 'ft', 3403.6],
    ['11 feet 2 inches', 'us', 'ft', 3403.6],
    ['11 ft 2 1/2 in', 'us', 'ft', 3416.3],
    ['11\u2032 2½\u2033', 'us', 'ft', 3416.3],
    ['134 ½"', 'us', 'in', 3416.3],
    ['134.5', 'us', 'in', 3416.3],
    ['2 1/2', 'us', 'in', 63.5],
    ['3/4', 'us', 'in', 19.05],
    ['500 mm', 'us', 'in', 500],
  ] as const)('%s in a field of %s, %s', (text, system, bare, mm) => {
    const parsed = parseLength(text, system, bare);
    expect(parsed.ok && parsed.value).toBeCloseTo(mm, 9);
  });

  test.each([
    ['11-2', 'us', '11 ft 2 in or 11.2 ft'],
    ['11 2', 'us', '11 ft 2 in or 11.2 ft'],
    ['3 40', 'metric', '3.40 m or 340 mm'],
    ['3m4', 'metric', '3.4 m or 3 m 04'],
    ['1,234', 'metric', '1234 or 1.234'],
    ['3400', 'metric', 'longer than any vehicle; write 3400 mm'],
    ['400', 'us', 'longer than any vehicle; write 400 in, or mm'],
    ['11\' 14"', 'us', 'a foot or more'],
    ['twelve', 'us', 'is not a number'],
  ] as const)('%s in %s is refused and the reading offered', (text, system, offer) => {
    const parsed = parseLength(text, system);
    expect(parsed.ok ? '' : unreadWords(parsed.why)).toContain(offer);
  });

  test.each([
    [2095.5, '6\' 10 1/2"'],
    [304.8, '1\' 0"'],
    [12.7, '1/2"'],
    [50.8, '2"'],
    [304.7, '1\' 0"'],
    [-76.2, '−3"'],
    [0, '0"'],
  ])('%f mm is said %s', (mm, words) => expect(formatFeetInches(mm)).toBe(words));
});

describe('a figure somebody entered', () => {
  test.each([
    [2.5, 0, '2.5'],
    [92.25, 0, '92.25'],
    [60, 0, '60'],
    [12.8, 1, '12.8'],
    [0.1 + 0.2, 0, '0.3'],
    [-4.5, 0, '\u22124.5'],
    // Three feet and a third come out of feet: it has no end.
    [10 / 3, 1, '3.3'],
    [0.0125, 1, '0.0125'],
  ])('%p with %p decimals as a rule is shown as it is kept: %p', (value, decimals, says) => {
    expect(formatEntered(value, decimals)).toBe(says);
  });
});
