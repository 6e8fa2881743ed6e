import { seeded } from '../../testing/random';
import { foldChains } from './chains';
import { Elimination } from './elimination';
import { mergeNodes } from './mergedNodes';
import { NetlistBuilder } from './netlist';
import { minimumDegree } from './ordering';

type Edge = [a: number, b: number];

/** A symmetric positive matrix on a graph: conductances on its edges and a little to ground at every unknown. */
function conductances(count: number, edges: readonly Edge[], random: () => number): number[][] {
  const matrix = Array.from({ length: count }, (_, at) =>
    Array.from({ length: count }, (__, other) => (at === other ? 0.01 + random() : 0)),
  );
  for (const [a, b] of edges) {
    const g = 0.1 + 100 * random();
    matrix[a]![a]! += g;
    matrix[b]![b]! += g;
    matrix[a]![b]! -= g;
    matrix[b]![a]! -= g;
  }
  return matrix;
}

/** Gauss's elimination with pivoting on the whole matrix, the plain textbook way. */
function denseSolve(matrix: readonly number[][], right: readonly number[]): number[] {
  const rows = matrix.map((row, at) => [...row, right[at]!]);
  const count = rows.length;
  for (let column = 0; column < count; column++) {
    const pivot = rows
      .slice(column)
      .reduce((most, row, at) => (Math.abs(row[column]!) > Math.abs(rows[most]![column]!) ? at + column : most), column);
    [rows[column], rows[pivot]] = [rows[pivot]!, rows[column]!];
    for (let row = column + 1; row < count; row++) {
      const share = rows[row]![column]! / rows[column]![column]!;
      for (let at = column; at <= count; at++) rows[row]![at]! -= share * rows[column]![at]!;
    }
  }
  const x = new Array<number>(count).fill(0);
  for (let row = count - 1; row >= 0; row--) {
    let value = rows[row]![count]!;
    for (let at = row + 1; at < count; at++) value -= rows[row]![at]! * x[at]!;
    x[row] = value / rows[row]![row]!;
  }
  return x;
}

function tree(count: number, random: () => number): Edge[] {
  return Array.from({ length: count - 1 }, (_, at): Edge => [Math.floor(random() * (at + 1)), at + 1]);
}

function fill(system: Elimination, matrix: readonly number[][], edges: readonly Edge[]): void {
  const { step } = system.order;
  matrix.forEach((row, at) => (system.diagonal[step[at]!] = row[at]!));
  for (const [a, b] of edges) system.lower[system.placeOf(step[a]!, step[b]!)] = matrix[a]![b]!;
}

const seeds = Array.from({ length: 25 }, (_, at) => at + 1);

test.each(seeds)('agrees with dense elimination on a tree with cross links, seed %i', (seed) => {
  const random = seeded(seed);
  const count = 3 + Math.floor(random() * 40);
  const unique = new Map<string, Edge>();
  const links = Array.from({ length: Math.floor(count / 3) }, (): Edge => [Math.floor(random() * count), Math.floor(random() * count)]);
  for (const [a, b] of [...tree(count, random), ...links]) if (a !== b) unique.set([a, b].sort((p, q) => p - q).join('-'), [a, b]);
  const edges = [...unique.values()];
  const matrix = conductances(count, edges, random);
  const right = Array.from({ length: count }, () => random() - 0.5);
  const steadyFrom = random();
  const system = new Elimination(minimumDegree(count, edges, () => random() > steadyFrom));
  fill(system, matrix, edges);
  system.keep();
  const expected = denseSolve(matrix, right);
  // Twice, to see that what was kept is still there after a factorisation.
  for (let round = 0; round < 2; round++) {
    system.restore();
    system.factorise();
    const x = new Float64Array(count);
    right.forEach((value, at) => (x[system.order.step[at]!] = value));
    system.solve(x);
    expected.forEach((value, at) => expect(Math.abs(x[system.order.step[at]!]! - value)).toBeLessThan(1e-9 * (1 + Math.abs(value))));
  }
});

test.each(seeds)('least degree fills in nothing on a tree (W. F. Tinney and J. W. Walker), seed %i', (seed) => {
  const random = seeded(seed);
  const count = 10 + Math.floor(random() * 300);
  const system = new Elimination(minimumDegree(count, tree(count, random), () => false));
  expect(system.lower.length).toBe(count - 1);
});

test('a ring of n fills in n - 3 chords, the least any order can', () => {
  const edges = Array.from({ length: 12 }, (_, at): Edge => [at, (at + 1) % 12]);
  const system = new Elimination(minimumDegree(12, edges, () => false));
  expect(system.lower.length).toBe(12 + 9);
});

test('resistances end to end fold into one chain; what anything else touches stays a node', () => {
  const net = new NetlistBuilder();
  net.voltage('E', 'a', '0', 12);
  net.resistor('1', 'a', 'b', 1);
  net.resistor('2', 'c', 'b', 2);
  net.resistor('3', 'c', 'd', 3);
  net.current('I', 'd', '0', 1);
  net.resistor('4', 'd', 'e', 4);
  net.resistor('5', 'e', '0', 5);
  const netlist = net.netlist('0');
  const chains = foldChains(netlist, mergeNodes(netlist));
  const named = chains.map(({ a, b, links, inner }) => ({
    ends: [netlist.nodes[a], netlist.nodes[b]].sort(),
    links: links.map(({ element }) => netlist.elements[element]!.name).sort(),
    inner: inner.map((node) => netlist.nodes[node]).sort(),
  }));
  expect(named).toHaveLength(2);
  expect(named).toContainEqual({ ends: ['a', 'd'], links: ['1', '2', '3'], inner: ['b', 'c'] });
  expect(named).toContainEqual({ ends: ['0', 'd'], links: ['4', '5'], inner: ['e'] });
});
