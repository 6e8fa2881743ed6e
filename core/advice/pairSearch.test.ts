import type { Finding, Rule } from '../analysis/finding';
import type { CircuitAnalysis } from '../analysis/types';
import type { ConductorSize } from '../catalog/conductorSizes';
import { pip } from '../../demo/pip';
import { applyUnchecked, updateRecords } from '../design/change';
import { deviceOf, devicesOfKind, recordOf, recordsOf, type Design } from '../design/design';
import type { Wire } from '../design/schema';
import { allButDrop, changeFor, governorOf, refusalBy, refuse, type Search } from './pairSearch';

const broken = (...rules: Rule[]) => rules.map((rule) => ({ rule }) as Finding);

/** Three conductors, thinnest first, each with the fuse there is now first and then all from the smallest. */
function search(): Search {
  const candidates = (['mm2:1', 'mm2:1.5', 'mm2:10'] as ConductorSize[]).flatMap((conductor, value) =>
    [10, 5, 15, 20].map((ratingA) => ({ conductor, ratingA, value })),
  );
  const untried = { at: 0, passedOver: new Set<number>(), refused: new Map(), onlyDrop: [], byFormula: null };
  return { circuit: {} as CircuitAnalysis, candidates, ...untried, entwined: false, keepsRules: false, asItIs: null };
}

const standsAt = ({ candidates, at }: Search) => candidates[at] && [candidates[at].conductor, candidates[at].ratingA];

// A fuse that does not end a short in time, or guards no wire so thin, is not mended by a larger one. Common practice, and the gates' own
// shape.
test.each<[string, Rule[], string, ReturnType<typeof refusalBy>['also']]>([
  ['too thin for its current, whatever the fuse', ['wire.overloaded', 'fuse.aboveConductor'], 'ampacity', 'all'],
  ['too thin by rule, said last', ['fuse.continuousLoad', 'wire.belowMinimum'], 'minimum', 'all'],
  ['nothing but drop', ['drop.overTarget', 'drop.realCable'], 'drop', 'all'],
  ['a fuse above its wire', ['fuse.aboveConductor'], 'fuse', 'larger'],
  ['a short that is never ended, and drop', ['drop.overTarget', 'fuse.neverClears'], 'drop', 'larger'],
  ['a wire spoilt first', ['wire.spoiltFirst'], 'clearing', 'larger'],
  ['a fuse below its load', ['fuse.belowLoad'], 'fuse', 'none'],
  ['a start that opens it', ['fuse.opensAtStart'], 'start', 'none'],
])('%s', (_, rules, governor, also) => {
  expect(refusalBy(broken(...rules), false)).toEqual({ governor, also });
});

test('of a circuit entwined with another nothing is ruled out but what its wire breaks alone', () => {
  expect(refusalBy(broken('fuse.neverClears'), true).also).toBe('none');
  expect(refusalBy(broken('wire.overloaded', 'fuse.aboveConductor'), true).also).toBe('none');
  expect(refusalBy(broken('wire.overloaded', 'drop.overTarget'), true).also).toBe('all');
});

test('larger fuses of the conductor are passed over, the smaller one and the next conductor are tried', () => {
  const one = search();
  refuse(one, 'clearing', 'larger');
  expect(standsAt(one)).toEqual(['mm2:1', 5]);
  refuse(one, 'fuse', 'none');
  expect(standsAt(one)).toEqual(['mm2:1.5', 10]);
  expect(Object.fromEntries(one.refused.get('mm2:1')!)).toEqual({ 10: 'clearing', 15: 'clearing', 20: 'clearing', 5: 'fuse' });
});

test('all fuses of a conductor are passed over, and after the last pair there is none', () => {
  const one = search();
  for (const conductor of ['mm2:1.5', 'mm2:10']) {
    refuse(one, 'drop', 'all');
    expect(standsAt(one)).toEqual([conductor, 10]);
  }
  refuse(one, 'drop', 'all');
  expect(standsAt(one)).toBeUndefined();
});

test('where nothing keeps every rule what breaks only the drop is taken, as thick as usual terminals take', () => {
  const one = { ...search(), onlyDrop: [0, 4, 8] };
  expect(allButDrop(one, broken('fuse.neverClears', 'drop.overTarget'))).toBe(4);
  expect(allButDrop({ ...one, onlyDrop: [8] }, broken('fuse.neverClears'))).toBe(8);
  expect(allButDrop(one, broken('drop.overTarget'))).toBeNull();
  expect(allButDrop({ ...one, onlyDrop: [] }, broken('fuse.neverClears'))).toBeNull();
});

test('why nothing thinner would do: what refused the next thinner with the fuse chosen, else with the smallest tried', () => {
  const one = search();
  expect(governorOf(one)).toBe('smallest');
  refuse(one, 'clearing', 'larger');
  refuse(one, 'fuse', 'none');
  expect(governorOf(one)).toBe('clearing');
  refuse(one, 'start', 'none');
  refuse(one, 'drop', 'all');
  expect([standsAt(one), governorOf(one)]).toEqual([['mm2:10', 10], 'start']);
  expect(governorOf({ ...one, at: 9 })).toBe('drop');
});

// Current of both flows in it: common practice is the conductor that the one asking for most needs.
test('a wire two circuits run through has the thicker of what they ask, whichever comes first, and no less than one that stays as it is', () => {
  const design = pip();
  const [one, shared, other] = recordsOf(design, 'wire');
  const fuses = devicesOfKind(design, 'protection');
  const through = (fuse: number, wires: readonly Wire[], at: number): Search => {
    const circuit = { protectionId: fuses[fuse]!.id, supplyWireIds: wires.map(({ id }) => id), returnWireIds: [] as string[] };
    return { ...search(), circuit: circuit as unknown as CircuitAnalysis, at };
  };
  const thin = through(0, [one!, shared!], 1);
  const thick = through(1, [shared!, other!], 8);
  for (const searches of [
    [thin, thick],
    [thick, thin],
  ]) {
    // prettier-ignore
    const sized = applyUnchecked(design, changeFor(design, searches));
    const sizes = [one!, shared!, other!].map(({ id }) => recordOf(sized, id, 'wire')!.conductor);
    expect(sizes).toEqual(['mm2:1', 'mm2:10', 'mm2:10']);
    expect(fuses.slice(0, 2).map(({ id }) => deviceOf(sized, id, 'protection')!.ratingA)).toEqual([5, 10]);
  }
  // Nothing is left to try for the second: its wires are as they are, and the first takes nothing away from it.
  const heavy = applyUnchecked(design, updateRecords(design, [{ id: shared!.id, set: { conductor: 'mm2:16' } }]));
  const stays = through(1, [recordOf(heavy, shared!.id, 'wire')!, other!], 99);
  const sized = applyUnchecked(heavy, changeFor(heavy, [thin, stays]));
  const now = (of: Design) => [one!, shared!, other!].map(({ id }) => recordOf(of, id, 'wire')!.conductor);
  expect(now(sized)).toEqual(['mm2:1', 'mm2:16', now(heavy)[2]]);
});
