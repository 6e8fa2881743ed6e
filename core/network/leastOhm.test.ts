import { leastOhmSteps, type OhmStep } from './leastOhm';

/**
 * Textbook: the graph of Dijkstra's algorithm in Cormen and others, Introduction to Algorithms, figure 24.6 (from memory): least 0, 8, 9,
 * 5, 7.
 */
const GRAPH: Record<string, OhmStep<string>[]> = {
  s: [step('t', 10), step('y', 5)],
  t: [step('x', 1), step('y', 2)],
  x: [step('z', 4)],
  y: [step('t', 3), step('x', 9), step('z', 2)],
  z: [step('s', 7), step('x', 6)],
};

function step(to: string, ohm: number): OhmStep<string> {
  return { to, ohm, via: to };
}

test('each node is reached by the way of least resistance; of two alike by the first listed, and nothing is reached that hangs nowhere', () => {
  const best = leastOhmSteps('s', (node) => GRAPH[node] ?? []);
  expect(Object.fromEntries([...best].map(([node, { from }]) => [node, from]))).toEqual({ y: 's', z: 'y', t: 'y', x: 't' });
  const alike = leastOhmSteps<string>('a', (node) => (node === 'a' ? [{ to: 'b', ohm: 0, via: 'first' }, { to: 'b', ohm: 0, via: 'second' }] : [])); // prettier-ignore
  expect(alike.get('b')).toEqual({ from: 'a', via: 'first' });
  expect(best.has('s')).toBe(false);
  expect(best.has('elsewhere')).toBe(false);
});
