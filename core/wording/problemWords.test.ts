import { heron } from '../../demo/heron';
import { devicesOfKind } from '../design/design';
import type { Problem } from '../design/problems';
import { placedProblemWords, refusalWords } from './problemWords';

const design = heron();
const fuse = devicesOfKind(design, 'protection')[0]!;
const shared: Problem = { code: 'protectionShared', id: 'circuit_1', field: 'protectionId', other: fuse.id };

test('who sees the design is told why, each reason once, by names', () => {
  const spot: Problem = { code: 'sameSpot', id: 'pl_fridge', other: 'Fridge recess, left' };
  expect(refusalWords([shared, spot, shared], design)).toBe(
    `protection ${fuse.name} already belongs to another circuit; “Fridge recess, left” is at that very spot; move one of them a little`,
  );
  expect(refusalWords([{ code: 'noSuchSlot', id: fuse.id, other: '9' }], design)).toBe('the fuse block has no slot 9');
});

test('who reads a file is told which record and field, by ids', () => {
  expect(placedProblemWords(shared)).toBe(`record circuit_1, protectionId: protection ${fuse.id} already belongs to another circuit`);
  expect(placedProblemWords({ code: 'duplicateId', id: 'a' })).toMatch(/^record a: this id is used twice/);
});
