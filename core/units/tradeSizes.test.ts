import fc from 'fast-check';
import { CONDUCTOR_SIZES } from '../catalog/conductorSizes';
import { formatConductor } from './quantity';
import { readTradeSize } from './tradeSizes';

const read = (text: string) => readTradeSize(text).map(({ conductor }) => conductor);

// How cable is named in the trade: common practice. The large gauges by ASTM B258: 1/0 to 4/0, also written 0 to 0000.
test.each([
  ['2.5 mm2', ['mm2:2.5']],
  ['2,5 mm²', ['mm2:2.5']],
  ['2.5 mm^2', ['mm2:2.5']],
  ['2.5mm2 twin', ['mm2:2.5']],
  ['25 sq mm', ['mm2:25']],
  ['.75', ['mm2:0.75']],
  ['.75 mm2', ['mm2:0.75']],
  ['14 AWG', ['awg:14']],
  ['awg 2', ['awg:2']],
  ['#6', ['awg:6']],
  ['8 B&S', ['awg:8']],
  ['2/0', ['awg:2/0']],
  ['1/0 AWG', ['awg:1/0']],
  ['2/0 AWG', ['awg:2/0']],
  ['4/0 AWG', ['awg:4/0']],
  ['1-0', ['awg:1/0']],
  ['0000', ['awg:4/0']],
  ['00 AWG', ['awg:2/0']],
  ['AWG 0000', ['awg:4/0']],
  ['0', ['awg:1/0']],
  ['14-2', ['awg:14']],
  ['16/2 awg', ['awg:16']],
  ['14 2', ['awg:14']],
  ['14 awg 2 core', ['awg:14']],
  ['12/4 cable', ['awg:12']],
  ['2 x 2.5', ['mm2:2.5']],
  ['2x2.5mm²', ['mm2:2.5']],
  ['2x14', ['awg:14']],
  ['7 x 1.5 mm2', ['mm2:1.5']],
])('“%s” can only be %j', (text, sizes) => expect(read(text)).toEqual(sizes));

test.each([
  // Common practice: over the insulation 3 mm is about 1.1 mm² of copper, 6 mm about 4.6.
  ['3 mm automotive', ['mm2:1', 'mm2:3'], 1.1],
  ['6 mm automotive', ['mm2:4', 'mm2:6'], 4.6],
  ['6 mm twin core', ['mm2:4', 'mm2:6'], 4.6],
  ['3mm twin', ['mm2:1', 'mm2:3'], 1.1],
])('“%s” may be %j: it is asked about, the usual meaning first', (text, sizes, mm2) => {
  const readings = readTradeSize(text);
  expect(readings.map(({ conductor }) => conductor)).toEqual(sizes);
  expect(readings[0]!.mm2).toBeCloseTo(mm2, 6);
});

// What the American order (gauge, cores) and the metric one (cores, size) read differently is asked about, never taken.
test.each([
  ['2x6', ['mm2:6', 'awg:6']],
  ['2 x 4', ['mm2:4', 'awg:4']],
  ['1x6', ['mm2:6', 'awg:6']],
  ['2-6', ['awg:2', 'mm2:6', 'awg:6']],
  ['4/2', ['awg:4', 'mm2:2', 'awg:2']],
  ['6-2', ['awg:6', 'mm2:2', 'awg:2']],
  ['2 4', ['awg:2', 'mm2:4', 'awg:4']],
  ['1/2', ['awg:1', 'mm2:2', 'awg:2']],
])('“%s” is asked about: %j', (text, sizes) => expect(read(text)).toEqual(sizes));

test('“6 mm” is a cross-section first and may be a diameter; “6 gauge” AWG first and may be 4.6 mm² (common practice)', () => {
  expect(read('6 mm')).toEqual(['mm2:6', 'mm2:4']);
  expect(read('4/0 ga')[0]).toBe('awg:4/0');
  expect(read('4/0 ga')).toHaveLength(2);
  const gauge = readTradeSize('6 gauge');
  expect(gauge.map(({ conductor }) => conductor)).toEqual(['awg:6', 'mm2:4']);
  expect(gauge[1]!.mm2).toBeCloseTo(4.6, 2);
  // The wrong reading changes the drop nearly threefold.
  expect(gauge[0]!.mm2 / gauge[1]!.mm2).toBeGreaterThan(2.5);
});

test('a bare number is both, where both exist', () => {
  expect(read('10')).toEqual(['mm2:10', 'awg:10']);
  expect(read('2.5')).toEqual(['mm2:2.5']);
});

test.each(['', 'thick', '7 mm2', '99 gauge', '-3 mm', '5/0', '0/4', '00000', '2x7', 'x6', '6x', '2x-6', `${'9'.repeat(200)} awg`])(
  '“%s” is no size there is',
  (text) => expect(read(text)).toEqual([]),
);

test('what is written out is read again as the same size, and as nothing else', () => {
  for (const size of CONDUCTOR_SIZES) expect(read(formatConductor(size))).toEqual([size]);
});

test('whatever is read, written out and read again is the same size', () => {
  const number = fc.constantFrom('0', '00', '1/0', '4/0', '1', '2', '2.5', '.5', '4', '6', '10', '14', '16', '18', '25');
  const word = fc.constantFrom(
    '',
    ' mm2',
    'mm²',
    ' mm',
    ' AWG',
    ' ga',
    ' gauge',
    ' twin',
    'x2',
    '-2',
    '/3',
    ' 2',
    'x2.5',
    'x6',
    ' mm auto',
    'x14 awg',
  );
  const before = fc.constantFrom('', '2x', '#', 'awg ', '1 x ', '3-');
  const counted = new Map<number, number>();
  fc.assert(
    fc.property(before, number, word, (first, middle, last) => {
      const readings = readTradeSize(first + middle + last);
      counted.set(readings.length, (counted.get(readings.length) ?? 0) + 1);
      for (const { conductor, mm2 } of readings) {
        expect(read(formatConductor(conductor))).toEqual([conductor]);
        expect(mm2).toBeGreaterThan(0);
      }
      // Two readings never come to one size in silence.
      expect(new Set(readings.map((reading) => reading.conductor)).size).toBe(readings.length);
    }),
    { seed: 14, numRuns: 6000 },
  );
  for (const count of [0, 1, 2, 3]) expect(counted.get(count) ?? 0).toBeGreaterThan(10);
});
