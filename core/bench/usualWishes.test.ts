import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import { applyChange } from '../design/change';
import { recordOf, recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { checkReferences, referencesOf } from '../design/references';
import type { Wish, WishSays } from '../design/schema';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import { copyParts } from '../switching/copyParts';
import { removeLoads } from '../switching/loadWires';
import { judgeWishes } from './judge';
import { allWishes, givenWishes, isGiven, suggestedWishes } from './usualWishes';

function named(...loads: [name: string, behaviour: 'ledConstantCurrent' | 'motor' | 'converter'][]): Design {
  const build = rig();
  build.battery();
  const ids = loads.map(([, behaviour]) => build.load(20, behaviour));
  const edit = new Edit(build.design());
  loads.forEach(([name], at) => edit.set(ids[at]!, { name }));
  return edit.design;
}

// Common practice, and road law in most places for the lamps. By hand.
test.each<[string, 'ledConstantCurrent' | 'motor' | 'converter', WishSays['kind'][]]>([
  ['Driving lamps', 'ledConstantCurrent', ['off']],
  ['Front light bar', 'ledConstantCurrent', ['off']],
  ['Reversing lamp', 'ledConstantCurrent', []],
  ['Winch', 'motor', ['notByOne']],
  ['Step motor', 'motor', ['notByOne']],
  ['Step light', 'ledConstantCurrent', []],
  ['Fridge', 'converter', ['whatever']],
  ['Gas alarm', 'converter', ['whatever']],
  ['Laptop charger', 'converter', []],
])('%s, given for safety: %s %j', (name, behaviour, kinds) => {
  const given = givenWishes(indexDesign(named([name, behaviour])));
  expect(given.map(({ says }) => says.kind)).toEqual(kinds);
  expect(given.every(isGiven)).toBe(true);
});

test('a wish of one’s own that says the contrary, and wins, goes before what is given; one that does not win leaves it undecided', () => {
  const design = heron();
  const index = indexDesign(design);
  const lamp = index.loads.find(({ name }) => name === 'Driving lamp, low')!;
  const sw = recordsOf(design, 'device').find(({ name }) => name === 'Driving lamps switch')!;
  const own = (wins: boolean): Wish => ({
    ...{ id: 'own', type: 'wish', loadId: lamp.id },
    says: { kind: 'on', when: [{ mover: { kind: 'device', deviceId: sw.id, control: 'position' }, position: 'down' }], wins },
  });
  const verdicts = (wish: Wish) =>
    judgeWishes(index, traceWiring(index), allWishes(index, [wish]).filter(({ loadId }) => loadId === lamp.id)).map(({ verdict, why }) => why ?? verdict); // prettier-ignore
  expect(verdicts(own(true))).toEqual(['kept', 'kept']);
  expect(verdicts(own(false))).toEqual(['contradicts', 'contradicts']);
});

test('two colours of one lamp are suggested as never together, until it is said; what must be asked is, until it is', () => {
  const design = heron();
  const index = indexDesign(design);
  const white = index.loads.find(({ name }) => name === 'Left scene lamp, white')!;
  const amber = index.loads.find(({ name }) => name === 'Left scene lamp, amber')!;
  const kinds = (wishes: readonly Wish[]) => suggestedWishes(index, amber, wishes).map((says) => (says.kind === 'neverWith' ? says.otherId : says.kind)); // prettier-ignore
  expect(kinds([])).toEqual([white.id, 'keyOut', 'powerBack']);
  const said: Wish[] = [
    { id: 'a', type: 'wish', loadId: amber.id, says: { kind: 'neverWith', otherId: white.id } },
    { id: 'b', type: 'wish', loadId: amber.id, says: { kind: 'keyOut', answer: null } },
  ];
  expect(kinds(said)).toEqual(['powerBack']);
});

test('a wish goes with its load, and with anything it names; a file that names what is not there is refused', () => {
  const design = heron();
  const wishes = recordsOf(design, 'wish');
  expect(wishes).toHaveLength(17);
  for (const wish of wishes) {
    for (const { id, type } of referencesOf(wish)) {
      expect(type).toBe('device');
      const without = new Edit(design);
      without.remove(id);
      expect([wish.id, recordOf(without.design, wish.id, 'wish')]).toEqual([wish.id, null]);
    }
  }
  const scene = wishes.find(({ says }) => says.kind === 'neverWith')!;
  const gone = applyChange(design, removeLoads(design, [scene.loadId]));
  expect(recordsOf(gone, 'wish').every((wish) => referencesOf(wish).every(({ id }) => gone.records.has(id)))).toBe(true);
  expect(recordsOf(gone, 'wish').length).toBeLessThan(wishes.length);
  const dangling = new Map(design.records);
  dangling.set(scene.id, { ...scene, says: { kind: 'neverWith', otherId: 'load_nobody' } });
  expect(checkReferences({ records: dangling })).toMatchObject([{ code: 'danglingReference', id: scene.id, field: 'says.otherId' }]);
});

test('a copy for another vehicle keeps the wishes of what it keeps', () => {
  const whole = copyParts(heron(), 'all', 'Whole');
  expect(recordsOf(whole, 'wish')).toHaveLength(17);
  for (const part of ['loads', 'supply'] as const) {
    const copy = copyParts(heron(), part, 'Part');
    expect(checkReferences(copy)).toEqual([]);
    // Wishes about switches go with the circuits; what was wished of the vehicle's own controls stays with the loads.
    expect(recordsOf(copy, 'wish').length).toBe(part === 'loads' ? 6 : 0);
  }
});
