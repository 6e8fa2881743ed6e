import { pip } from '../../demo/pip';
import { heron } from '../../demo/heron';
import { analyse } from '../../core/analysis/analyse';
import { areaMm2 } from '../../core/catalog/conductorSizes';
import { applyChange, isEmpty, updateRecords, type Change } from '../../core/design/change';
import { deviceOf, recordOf, type Design } from '../../core/design/design';
import { setLength, sizesFor, stepConductor, stepFuse } from './edits';

const start = heron();
const circuitOf = (design: Design, name: string) => analyse(design).circuits.find((circuit) => circuit.name === name)!;
const wireIdsOf = (design: Design, name: string) => {
  const { supplyWireIds, returnWireIds } = circuitOf(design, name);
  return [...supplyWireIds, ...returnWireIds];
};

/** Applies a step again and again until it changes nothing, noting what is there after each. */
function stepped<T>(design: Design, step: (now: Design) => Change, read: (now: Design) => T): T[] {
  const seen: T[] = [];
  for (let now = design, change = step(now); !isEmpty(change) && seen.length < 40; change = step(now)) {
    now = applyChange(now, change);
    seen.push(read(now));
  }
  return seen;
}

describe('stepping a conductor', () => {
  const ids = wireIdsOf(start, 'Fridge');
  const sizeNow = (design: Design) => recordOf(design, ids[0]!, 'wire')!.conductor;

  it('goes through the sizes cable is sold in, IEC 60228, and stays at the thickest', () => {
    const seen = stepped(start, (now) => stepConductor(now, ids, sizeNow(now), 1), sizeNow);
    expect(seen.slice(0, 6)).toEqual(['mm2:2.5', 'mm2:4', 'mm2:6', 'mm2:10', 'mm2:16', 'mm2:25']);
    expect(seen.at(-1)).toBe(sizesFor(start, 'mm2:1.5').at(-1));
    for (const [at, size] of seen.entries()) expect(areaMm2(size)).toBeGreaterThan(at === 0 ? 1.5 : areaMm2(seen[at - 1]!));
  });

  it('down again comes back to where it was, and ends at the thinnest', () => {
    const up = applyChange(start, stepConductor(start, ids, sizeNow(start), 1));
    expect(sizeNow(applyChange(up, stepConductor(up, ids, sizeNow(up), -1)))).toBe(sizeNow(start));
    const seen = stepped(start, (now) => stepConductor(now, ids, sizeNow(now), -1), sizeNow);
    expect(seen.at(-1)).toBe(sizesFor(start, 'mm2:1.5')[0]);
  });

  it('sets every wire of the run alike and touches no other', () => {
    const { updated, added, removed } = stepConductor(start, ids, sizeNow(start), 1);
    expect(updated.map(({ from }) => from.id).sort()).toEqual([...ids].sort());
    expect([...added, ...removed]).toEqual([]);
    expect(new Set(updated.map(({ to }) => (to as { conductor: string }).conductor)).size).toBe(1);
  });

  it('keeps American wire American, ASTM B258 gauges, whatever the standard', () => {
    for (const conductorStandard of ['us-small-craft', 'iso-small-craft'] as const) {
      const design = applyChange(pip(), updateRecords(pip(), [{ id: 'settings', set: { conductorStandard } }]));
      expect(sizesFor(design, 'awg:14').every((size) => size.startsWith('awg:'))).toBe(true);
      const sizes = sizesFor(design, 'awg:14');
      expect(sizes[sizes.indexOf('awg:14') + 1]).toBe('awg:12');
    }
  });
});

describe('stepping a fuse', () => {
  it('goes through the ratings blade fuses come in, ISO 8820-3, to both ends', () => {
    const circuit = circuitOf(start, 'Fridge');
    const rating = (design: Design) => deviceOf(design, circuit.protectionId, 'protection')!.ratingA;
    expect(rating(start)).toBe(10);
    expect(stepped(start, (now) => stepFuse(now, circuit, 1), rating)).toEqual([15, 20, 25, 30, 35, 40]);
    expect(stepped(start, (now) => stepFuse(now, circuit, -1), rating)).toEqual([7.5, 5, 4, 3, 2, 1]);
  });

  it('from a rating that is none goes to the next that is', () => {
    const circuit = circuitOf(start, 'Fridge');
    const odd = applyChange(start, updateRecords(start, [{ id: circuit.protectionId, set: { ratingA: 11 } }]));
    const after = (by: 1 | -1) => deviceOf(applyChange(odd, stepFuse(odd, circuit, by)), circuit.protectionId, 'protection')!.ratingA;
    expect([after(1), after(-1)]).toEqual([15, 10]);
  });
});

describe('a wire measured', () => {
  const circuit = circuitOf(start, 'Fridge');
  const [feedId, backId] = [circuit.supplyWireIds[0]!, circuit.returnWireIds[0]!];
  const lengthOf = (design: Design, id: string) => recordOf(design, id, 'wire')!.lengthMm;

  it('takes the return that runs beside it along, and says it was measured', () => {
    const after = applyChange(start, setLength(start, circuit, feedId, 7000, true));
    expect([lengthOf(after, feedId), lengthOf(after, backId)]).toEqual([7000, 7000]);
    expect(recordOf(after, feedId, 'wire')!.lengthMeasured).toBe(true);
  });

  it('leaves a return of another length alone', () => {
    const apart = applyChange(start, updateRecords(start, [{ id: backId, set: { lengthMm: 2000 } }]));
    const after = applyChange(apart, setLength(apart, circuit, feedId, 7000, false));
    expect(lengthOf(after, backId)).toBe(2000);
  });

  it('never leaves a return of less than nothing', () => {
    const after = applyChange(start, setLength(start, circuit, feedId, 0, false));
    expect([lengthOf(after, feedId), lengthOf(after, backId)]).toEqual([0, 0]);
  });
});
