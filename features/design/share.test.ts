import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { mistakesIn, spoil } from '../../testing/mistakes';
import { analyse } from '../../core/analysis/analyse';
import { sameRecord, updateRecords, applyChange } from '../../core/design/change';
import type { Analysis } from '../../core/analysis/types';
import { shareUnchanged } from './share';
import { runs, seedOf } from '../../testing/runs';

const start = heron();
const first = analyse(start);
const LISTS = ['circuits', 'blocks', 'zones', 'mainFeeds', 'findings'] as const;
const said = ({ carried: _carried, ...rest }: Analysis) => rest;

test('what is shown is what was analysed, in the objects of before wherever they say the same', () => {
  fc.assert(
    fc.property(mistakesIn(start), (list) => {
      const next = analyse(spoil(start, list), first);
      const shared = shareUnchanged(first, next);
      expect(said(shared)).toEqual(said(next));
      for (const key of ['circuits', 'blocks', 'zones'] as const) {
        const before = new Map(first[key].map((entry) => [entry.id, entry]));
        for (const entry of shared[key]) {
          const old = before.get(entry.id);
          if (old && sameRecord(old, entry)) expect(entry).toBe(old);
        }
      }
      for (const key of LISTS) if (sameRecord(first[key], next[key])) expect(shared[key]).toBe(first[key]);
    }),
    { numRuns: runs(60), seed: seedOf(5) },
  );
});

test('a step on one strip gives that circuit a new object and leaves the other nineteen theirs', () => {
  const fridge = first.circuits.find(({ name }) => name === 'Fridge')!;
  const after = applyChange(start, updateRecords(start, [{ id: fridge.protectionId, set: { ratingA: 15 } }]));
  const shared = shareUnchanged(first, analyse(after, first));
  const changed = shared.circuits.filter((circuit, at) => circuit !== first.circuits[at]);
  expect(changed.map(({ name }) => name)).toEqual(['Fridge']);
  expect(shared.zones).toBe(first.zones);
  expect(shared.totals).toBe(first.totals);
});

test('the first analysis is shown as it is', () => {
  expect(shareUnchanged(null, first)).toBe(first);
});
