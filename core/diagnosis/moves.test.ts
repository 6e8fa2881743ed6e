import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { Bench } from '../bench/bench';
import { recordsOf } from '../design/design';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import { movesWords } from '../wording/benchWords';
import { movesFor, movesTogether } from './moves';

const heronDesign = heron();

test.each([
  ['Pip', pip()],
  ['Heron', heronDesign],
])('%s: once everything is moved that a load asks for, it is lit', (_, design) => {
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  for (const { id, name } of index.loads) {
    const moved = movesFor(index, wiring, [id]);
    expect({ name, moved }).toMatchObject({ moved: expect.anything() as object });
    const bench = new Bench(index);
    for (const { mover, position } of moved!) bench.do({ kind: 'move', mover, position });
    expect({ name, isLit: bench.answer.loads.find((load) => load.id === id)!.level > 0.5 }).toEqual({ name, isLit: true });
  }
});

test('a channel that latches is pressed and let go, the others are not spoken of', () => {
  const index = indexDesign(heronDesign);
  const lamp = recordsOf(heronDesign, 'device').find(({ name }) => name === 'Hide red light')!;
  const words = movesWords(heronDesign, movesFor(index, traceWiring(index), [lamp.id])!);
  expect(words).toMatch(/^Hide relay hub, channel \d: press and let go$/);
  expect(movesWords(heronDesign, [])).toBe('everything as it is left');
});

test('together as much is on as can be, nobody takes back what another moved, and what excludes each other is not all among it', () => {
  const index = indexDesign(heronDesign);
  const wiring = traceWiring(index);
  const moved = movesTogether(index, wiring, index.loads.map(({ id }) => [id])); // prettier-ignore
  const bench = new Bench(index);
  for (const { mover, position } of moved) bench.do({ kind: 'move', mover, position });
  const lit = bench.answer.loads.filter(({ level }) => level > 0.5).length;
  expect(lit).toBeGreaterThan(index.loads.length * 0.7);
  expect(lit).toBeLessThan(index.loads.length);
  // What one moved last stays so: a press and its letting go are one.
  const last = new Map(moved.map(({ mover, position }) => [JSON.stringify(mover), position]));
  for (const { id } of index.loads) {
    const own = movesFor(index, wiring, [id])!;
    const ended = new Map(own.map(({ mover, position }) => [JSON.stringify(mover), position]));
    const isKept = [...ended].every(([key, position]) => last.get(key) === position);
    if (!isKept) continue;
    expect([id, bench.answer.loads.find((load) => load.id === id)!.state]).not.toEqual([id, 'dead']);
  }
  expect(movesTogether(index, wiring, [])).toEqual([]);
});

test('a wire of the vehicle’s own is called by its signal, and is live', () => {
  const lamp = recordsOf(heronDesign, 'device').find(({ name }) => name === 'Driving lamp, high')!;
  const index = indexDesign(heronDesign);
  expect(movesWords(heronDesign, movesFor(index, traceWiring(index), [lamp.id])!)).toMatch(
    /^Driving lamps switch: up, Vehicle signals, high beam: live$/,
  );
});
