import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import type { Analysis } from '../analysis/types';
import { applyChange, composeChanges, invertChange, NO_CHANGE, sameRecord, type Change } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { checkReferences } from '../design/references';
import { recordSchema } from '../design/schema';
import { soundRemedies } from '../advice/soundRemedies';
import { fitKitFuse, kitFuseOf, removeKitFuse } from '../advice/kitFuse';
import { moveLoad, removeLoads } from './loadWires';
import { setReturn } from './returns';
import { addCircuit, mountFuse, removeCircuit } from './schemes';
import { firstFreeSlot, usualScheme } from './usualScheme';
import { newLoad } from './newLoad';
import { giveLoadItsCircuit } from './ownCircuit';
import { runs, seedOf } from '../../testing/runs';
import { expectAsFresh } from '../../testing/sameSaid';

/** What a hand does on the screens, one thing after another, each to something picked by chance. */
type Gesture = (analysis: Analysis, pick: <T>(list: readonly T[]) => T | undefined) => Change;

const GESTURES: Record<string, Gesture> = {
  'a new load': ({ design }) => {
    const edit = new Edit(design);
    edit.add({ ...newLoad('Lamp', null), rated: { kind: 'watts', watts: 12, atV: 12 } });
    return edit.change;
  },
  'a new circuit': ({ design, index, loads }, pick) => {
    const load = pick(index.loads.filter(({ id }) => loads.get(id)!.circuitId === null));
    if (load) return giveLoadItsCircuit(design, load.id)!;
    const edit = new Edit(design);
    addCircuit(edit, usualScheme(design, 'Spare', pick(index.zones)?.id ?? null));
    return edit.change;
  },
  'a load moved to another circuit': ({ design, index, circuits }, pick) => {
    const load = pick(index.loads);
    return load ? moveLoad(design, load.id, pick(circuits)?.id ?? null) : NO_CHANGE;
  },
  'a load left without one': ({ design, index }, pick) => {
    const load = pick(index.loads);
    return load ? moveLoad(design, load.id, null) : NO_CHANGE;
  },
  'loads removed': ({ design, index }, pick) => {
    const load = pick(index.loads);
    return load ? removeLoads(design, [load.id]) : NO_CHANGE;
  },
  'a circuit removed': ({ design, circuits }, pick) => {
    const circuit = pick(circuits);
    return circuit ? removeCircuit(design, circuit.id) : NO_CHANGE;
  },
  'a fuse taken out': ({ design, circuits }, pick) => {
    const circuit = pick(circuits);
    return circuit ? mountFuse(design, circuit.protectionId, null) : NO_CHANGE;
  },
  'a fuse put into the next free slot': ({ design, circuits }, pick) => {
    const circuit = pick(circuits.filter(({ block }) => block === null));
    const mount = firstFreeSlot(design);
    return circuit && mount ? mountFuse(design, circuit.protectionId, mount) : NO_CHANGE;
  },
  'two fuses changed about': ({ design, circuits }, pick) => {
    const mounted = circuits.filter(({ block }) => block !== null);
    const [one, other] = [pick(mounted), pick([...mounted].reverse())];
    return one && other && one !== other
      ? mountFuse(design, one.protectionId, { blockId: other.block!.id, slot: other.block!.slot })
      : NO_CHANGE;
  },
  'a return over the chassis': ({ design, circuits }, pick) => {
    const circuit = pick(circuits.filter(({ returnWireIds }) => returnWireIds.length > 0));
    return circuit ? setReturn(design, circuit.id, 'chassis', circuit.returnWireIds) : NO_CHANGE;
  },
  'a return by cable': ({ design, circuits }, pick) => {
    const circuit = pick(circuits.filter(({ returnRun }) => returnRun.some(({ kind }) => kind === 'joint')));
    return circuit ? setReturn(design, circuit.id, 'dedicated', circuit.returnWireIds) : NO_CHANGE;
  },
  'a kit’s fuse': (analysis, pick) => {
    const circuit = pick(analysis.circuits.filter(({ loadIds, fed }) => loadIds.length > 0 && fed));
    return circuit ? fitKitFuse(analysis, circuit, 5) : NO_CHANGE;
  },
  'a kit’s fuse taken out': (analysis, pick) => {
    const circuit = pick(analysis.circuits.filter((one) => kitFuseOf(analysis, one)));
    return circuit ? removeKitFuse(analysis, circuit) : NO_CHANGE;
  },
  'a remedy': (analysis, pick) => {
    const finding = pick(analysis.findings);
    return (finding && soundRemedies(analysis, finding)[0]?.change) ?? NO_CHANGE;
  },
};

const plain = (design: Design) => Object.fromEntries(design.records);
/** Faults of the wiring itself, which no gesture of the screens may make. */
const MISWIRED = new Set(['wiring.short', 'wiring.loop', 'wiring.goesPast', 'wiring.noReturn']);

test.each([
  ['Heron', heron()],
  ['Pip', pip()],
])('whatever a hand does to %s one after another, the design stays whole, wired, and can be taken back to the first record', (_, start) => {
  const done = new Set<string>();
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.constantFrom(...Object.keys(GESTURES)), fc.nat(997)), { minLength: 1, maxLength: 12 }), (hand) => {
      let analysis = analyse(start);
      let whole: Change = NO_CHANGE;
      const back: Change[] = [];
      for (const [name, chance] of hand) {
        const change = GESTURES[name]!(analysis, (list) => list[chance % Math.max(1, list.length)]);
        const design = applyChange(analysis.design, change);
        if (change.added.length + change.updated.length + change.removed.length > 0) done.add(name);
        for (const record of [...change.added, ...change.updated.map(({ to }) => to)])
          expect(recordSchema.safeParse(record).error).toBeUndefined();
        analysis = analyse(design, analysis);
        expect({ name, wrong: analysis.findings.filter(({ rule }) => MISWIRED.has(rule)) }).toEqual({ name, wrong: [] });
        back.unshift(invertChange(change));
        whole = composeChanges(whole, change);
      }
      expect(checkReferences(analysis.design)).toEqual([]);
      expectAsFresh(analysis);
      // One change that does it all, and all of them back one by one.
      expect(sameRecord(plain(applyChange(start, whole)), plain(analysis.design))).toBe(true);
      expect(sameRecord(plain(back.reduce(applyChange, analysis.design)), plain(start))).toBe(true);
      // Every circuit has a number and a slot to itself.
      const circuits = recordsOf(analysis.design, 'circuit');
      expect(new Set(circuits.map(({ number }) => number)).size).toBe(circuits.length);
      const slots = analysis.circuits.flatMap(({ block, protectionId }) =>
        block && !analysis.index.taps.has(`${block.id}/${block.slot}`) ? [`${block.id}/${block.slot}/${protectionId}`] : [],
      );
      expect(new Set(slots.map((slot) => slot.split('/').slice(0, 2).join('/'))).size).toBe(slots.length);
    }),
    { numRuns: runs(24), seed: seedOf(67) },
  );
  expect([...done].sort()).toEqual(Object.keys(GESTURES).sort());
});
