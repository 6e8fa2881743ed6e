import { readTradeSize } from './tradeSizes';

const read = (text: string) => readTradeSize(text).map(({ conductor }) => conductor);

test.each([
  ['2.5 mm2', ['mm2:2.5']],
  ['2,5 mm²', ['mm2:2.5']],
  ['14 AWG', ['awg:14']],
  ['awg 2', ['awg:2']],
  ['2/0', ['awg:2/0']],
  ['14-2', ['awg:14']],
  ['16/2 awg', ['awg:16']],
])('“%s” can only be %j', (text, sizes) => expect(read(text)).toEqual(sizes));

test.each([
  // Common practice: over the insulation 3 mm is about 1.1 mm² of copper, 6 mm about 4.6.
  ['3 mm automotive', ['mm2:1', 'mm2:3'], 1.1],
  ['6 mm automotive', ['mm2:4', 'mm2:6'], 4.6],
])('“%s” may be %j: it is asked about, the usual meaning first', (text, sizes, mm2) => {
  const readings = readTradeSize(text);
  expect(readings.map(({ conductor }) => conductor)).toEqual(sizes);
  expect(readings[0]!.mm2).toBeCloseTo(mm2, 6);
});

test('“6 mm” is a cross-section first and may be a diameter; “6 gauge” AWG first and may be 4.6 mm² (common practice)', () => {
  expect(read('6 mm')).toEqual(['mm2:6', 'mm2:4']);
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

test.each(['', 'thick', '7 mm2', '99 gauge', '-3 mm'])('“%s” is no size there is', (text) => {
  expect(readTradeSize(text).every(({ mm2 }) => mm2 > 0)).toBe(true);
  if (text !== '7 mm2') expect(read(text)).toEqual([]);
});
