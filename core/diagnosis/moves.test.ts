import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { Bench } from '../bench/bench';
import { recordsOf } from '../design/design';
import { traceWiring } from '../network/wiring';
import { indexDesign } from '../rig/designIndex';
import { movesWords } from '../wording/benchWords';
import { movesFor } from './moves';

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
