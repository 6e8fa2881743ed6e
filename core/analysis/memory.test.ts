import v8 from 'node:v8';
import vm from 'node:vm';
import { pip } from '../../demo/pip';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf } from '../design/design';
import { analyse } from './analyse';

v8.setFlagsFromString('--expose-gc');
const collect = vm.runInNewContext('gc') as () => void;

/** Heap after collection, bytes. */
function heap(): number {
  collect();
  return v8.getHeapStatistics().used_heap_size;
}

test('an analysis that goes on from another does not keep it: two thousand edits leave the heap where a few hundred did', async () => {
  let design = pip();
  let analysis = analyse(design);
  const [wire] = recordsOf(design, 'wire');
  const first = new WeakRef(analysis);
  const edit = (times: number) => {
    for (let at = 0; at < times; at++) {
      design = applyChange(design, updateRecords(design, [{ id: wire!.id, set: { lengthMm: 150 + (at % 40), lengthMeasured: true } }]));
      analysis = analyse(design, analysis);
    }
  };
  edit(300);
  // A weak reference holds on to what it was made for until the present task is over.
  await new Promise(setImmediate);
  const before = heap();
  edit(2000);
  const after = heap();
  expect(after / before).toBeLessThan(1.3);
  expect(first.deref() === undefined).toBe(true);
  expect(analysis.circuits.length).toBeGreaterThan(0);
});
