import { heron } from '../../demo/heron';
import { CONDUCTOR_SIZES, type ConductorSize } from '../catalog/conductorSizes';
import { HANDBOOK } from '../handbook/pages';
import { leastStud, pullN, STUD_INCHES, terminalFor } from '../catalog/terminals';
import { analyse } from './analyse';
import { jointsOf } from './joints';

// Insulated terminals by the trade's colours: red 0.5 to 1.5 mm² (22 to 16 AWG), blue 1.5 to 2.5 (16 to 14), yellow 4 to 6 (12 to 10); from
// memory.
test.each([
  ['mm2:0.5', 'red'],
  ['mm2:0.75', 'red'],
  ['mm2:1.5', 'red'],
  ['awg:18', 'red'],
  ['awg:16', 'red'],
  ['mm2:2.5', 'blue'],
  ['awg:14', 'blue'],
  ['mm2:3', 'none'],
  ['mm2:4', 'yellow'],
  ['mm2:6', 'yellow'],
  ['awg:12', 'yellow'],
  ['awg:10', 'yellow'],
  ['mm2:10', 'lug'],
  ['awg:6', 'lug'],
] as const)('%s takes a %s terminal', (size, terminal) => expect(terminalFor(size)).toBe(terminal));

// Pull for a minute, ABYC E-11 from memory: 16 AWG 15 lbf, 10 AWG 40, 1/0 125.
test.each([
  ['awg:16', 15],
  ['awg:10', 40],
  ['awg:1/0', 125],
  ['mm2:1.5', 15],
  ['mm2:6', 40],
] as const)('a crimp on %s stands %d lbf', (size, lbf) => expect(pullN(size)! / 4.44822).toBeCloseTo(lbf, 6));

// Studs and the inch screws beside them: trade standard, from memory.
test.each([
  ['M4', '#8'],
  ['M5', '#10'],
  ['M6', '1/4'],
  ['M8', '5/16'],
  ['M10', '3/8'],
] as const)('%s pairs with %s', (metric, inch) => expect(STUD_INCHES[metric]).toBe(inch));

// The smallest hole copper tube lugs are made with: makers' ranges, from memory.
test.each([
  ['mm2:6', 'M4'],
  ['mm2:10', 'M5'],
  ['mm2:16', 'M5'],
  ['mm2:25', 'M6'],
  ['mm2:35', 'M6'],
  ['awg:2', 'M6'],
  ['mm2:50', 'M8'],
  ['mm2:95', 'M8'],
  ['mm2:120', 'M10'],
] as const)('rings for %s begin at %s', (size, stud) => expect(leastStud(size)).toBe(stud));

test('the handbook’s page gives every size the stud the program does', () => {
  const rows = HANDBOOK.find(({ id }) => id === 'joints')!.table!.rows;
  const of = (column: 1 | 2, size: (text: string) => ConductorSize) =>
    rows.flatMap((row) => row[column]!.split(' to ').filter(Boolean).map((text) => [size(text), row[3]] as const)); // prettier-ignore
  for (const [size, stud] of [...of(1, (text) => `mm2:${text}` as ConductorSize), ...of(2, (text) => `awg:${text}` as ConductorSize)]) {
    if (CONDUCTOR_SIZES.includes(size)) expect([size, leastStud(size)]).toEqual([size, stud]);
  }
});

test('a row of eight lamps takes seven three-way joints a pole (common practice)', () => {
  const analysis = analyse(heron());
  const bench = analysis.circuits.find(({ name }) => name === 'Hide bench lights')!;
  const { rowJoints, ends } = jointsOf(analysis, bench);
  expect(rowJoints).toBe(14);
  // The dimmer's own way home is thinner than what it dims.
  expect(ends).toMatchObject([
    { conductor: 'mm2:6', terminal: 'yellow' },
    { conductor: 'mm2:1', terminal: 'red', count: 2 },
  ]);
  expect(ends[0]!.count + 2).toBe(2 * (bench.supplyWireIds.length + bench.returnWireIds.length));
});
