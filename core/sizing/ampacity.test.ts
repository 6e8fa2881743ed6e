import { AMPACITY_TABLES } from '../catalog/ampacity';
import type { ConductorSize } from '../catalog/conductorSizes';
import type { ConductorStandard } from '../catalog/vocabulary';
import { ampacity } from './ampacity';

const at = (
  size: ConductorSize,
  standard: ConductorStandard,
  insulationC: number,
  more: { ambientC?: number; engineSpace?: boolean } = {},
) => ampacity(size, { standard, insulationC, ambientC: 30, engineSpace: false, ...more });

// Rows of the published tables, all from memory: American small craft ABYC E-11, metric small craft ISO 10133, road vehicle PVC 70 C.
test.each<[ConductorSize, ConductorStandard, number, number]>([
  ['awg:18', 'us-small-craft', 105, 20],
  ['awg:16', 'us-small-craft', 60, 15],
  ['awg:14', 'us-small-craft', 105, 35],
  ['awg:10', 'us-small-craft', 75, 40],
  ['awg:8', 'us-small-craft', 75, 65],
  ['awg:6', 'us-small-craft', 105, 120],
  ['awg:4', 'us-small-craft', 90, 135],
  ['awg:2/0', 'us-small-craft', 105, 330],
  ['awg:4/0', 'us-small-craft', 200, 510],
  ['mm2:0.75', 'iso-small-craft', 60, 8],
  ['mm2:1.5', 'iso-small-craft', 85, 21],
  ['mm2:2.5', 'iso-small-craft', 105, 35],
  ['mm2:6', 'iso-small-craft', 70, 45],
  ['mm2:16', 'iso-small-craft', 105, 130],
  ['mm2:50', 'iso-small-craft', 125, 300],
  ['mm2:120', 'iso-small-craft', 200, 520],
  ['mm2:1', 'road-vehicle', 70, 19],
  ['mm2:6', 'road-vehicle', 70, 54],
  ['mm2:35', 'road-vehicle', 70, 158],
])('%s by %s at %d °C insulation carries %d A', (size, standard, insulationC, amps) => {
  expect(at(size, standard, insulationC).amps).toBe(amps);
});

test('an engine space takes off what the standard says (ABYC E-11: 0.85 at 105 °C; ISO 10133: 0.82 at 85 °C)', () => {
  expect(at('awg:10', 'us-small-craft', 105, { engineSpace: true }).amps).toBeCloseTo(60 * 0.85, 9);
  expect(at('mm2:6', 'iso-small-craft', 90, { engineSpace: true }).amps).toBeCloseTo(50 * 0.82, 9);
});

test('60 °C insulation is not allowed in an engine space (ISO 10133)', () => {
  expect(at('mm2:6', 'iso-small-craft', 60, { engineSpace: true }).amps).toBe(0);
});

test('the heat formula at 50 °C agrees with the published engine-space factors within 0.01 (ABYC E-11)', () => {
  const { insulationC, engineSpace } = AMPACITY_TABLES['us-small-craft'];
  insulationC.forEach((column, place) => {
    const formula = at('awg:10', 'us-small-craft', column, { ambientC: 50 }).factor;
    if (column < 200) expect(Math.abs(formula - engineSpace[place]!)).toBeLessThan(0.01);
  });
});

// Road vehicle, PVC 70 C, the handbooks' own 50 C column; from memory.
test.each([
  [1, 13.5],
  [2.5, 22.7],
  [6, 38.3],
  [16, 69.6],
  [50, 140],
  [120, 244],
])('%d mm² road cable at 50 °C carries about %d A', (mm2, amps) => {
  expect(at(`mm2:${mm2}` as ConductorSize, 'road-vehicle', 70, { ambientC: 50 }).amps / amps).toBeCloseTo(1, 1.9);
});

test('cold air adds nothing, and air as hot as the insulation leaves nothing', () => {
  expect(at('mm2:6', 'iso-small-craft', 105, { ambientC: -20 }).amps).toBe(60);
  expect(at('mm2:6', 'iso-small-craft', 70, { ambientC: 75 }).amps).toBe(0);
});

test('a size the table lacks takes the row below it, a smaller one than the smallest none', () => {
  expect(at('mm2:2.5', 'us-small-craft', 105)).toMatchObject({ amps: 35, row: 'awg:14' });
  expect(at('awg:12', 'iso-small-craft', 105)).toMatchObject({ amps: 35, row: 'mm2:2.5' });
  expect(at('mm2:0.35', 'us-small-craft', 105)).toMatchObject({ amps: 0, row: null });
});

test('insulation between two columns takes the cooler one', () => {
  expect(at('awg:10', 'us-small-craft', 85)).toMatchObject({ columnC: 80, amps: 50 });
});

test('every table grows with size and with insulation', () => {
  for (const { rows } of Object.values(AMPACITY_TABLES)) {
    rows.forEach(([, ...amps], place) => {
      expect(amps).toEqual([...amps].sort((a, b) => a - b));
      const [, ...before] = rows[place - 1] ?? rows[place]!;
      amps.forEach((value, column) => expect(value).toBeGreaterThanOrEqual(before[column]!));
    });
  }
});

// NEC table 310.15(B)(1), correction of ampacity for air of so many degrees, by insulation; from memory. Given for bands, by their upper
// end, to two digits.
test.each([
  [60, 35, 0.91],
  [60, 40, 0.82],
  [60, 45, 0.71],
  [60, 50, 0.58],
  [60, 55, 0.41],
  [75, 35, 0.94],
  [75, 40, 0.88],
  [75, 45, 0.82],
  [75, 50, 0.75],
  [75, 60, 0.58],
  [75, 70, 0.33],
  [90, 40, 0.91],
  [90, 50, 0.82],
  [90, 60, 0.71],
  [90, 70, 0.58],
  [90, 80, 0.41],
])('%d °C insulation in air of %d °C: %d', (insulationC, ambientC, factor) => {
  expect(at('awg:10', 'us-recreational', insulationC, { ambientC }).factor).toBeCloseTo(factor, 2);
});

test('by NEC 551 an engine space wants 125 °C insulation (from memory, less surely)', () => {
  expect(at('awg:10', 'us-recreational', 105, { engineSpace: true }).amps).toBe(0);
  expect(at('awg:10', 'us-recreational', 125, { engineSpace: true }).amps).toBe(30);
});
