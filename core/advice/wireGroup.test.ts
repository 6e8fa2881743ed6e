import { rig } from '../../testing/rig';
import { place } from '../../testing/vehicle';
import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { judgeWishes } from '../bench/judge';
import { applyChange, isEmpty } from '../design/change';
import { recordOf, recordsOf, type Design } from '../design/design';
import type { Wish, WishSays } from '../design/schema';
import { takenOn } from '../switching/panels';
import { waysKeeping } from './waysKeeping';
import { wireGroup } from './wireGroup';

/** Three lamps on fuses of their own, and what is wished of them. */
function lamps(wishes: [string, WishSays][]): Design {
  const build = rig();
  build.supply();
  ['one', 'two', 'three'].forEach((fuse, at) => {
    build.slot(fuse, at + 1, 10);
    build.lampBehind(fuse, at + 1, 24);
  });
  const added = wishes.map(([of, says], at): Wish => ({ id: `wish${at}`, type: 'wish', loadId: `${of}_lamp`, says }));
  return applyChange(build.design(), { added, updated: [], removed: [] });
}

const vehicle = (control: 'key' | 'reverse' | 'lamps', position: string) => ({ mover: { kind: 'vehicle', control } as const, position });
const ON_REVERSE: WishSays[] = [
  { kind: 'on', when: [vehicle('key', 'on'), vehicle('reverse', 'in')] },
  { kind: 'off', when: [vehicle('reverse', 'out')] },
];

// By hand: reverse through a relay; one act alone must not put it on: an enabling switch; what always works stays on its fuse. Common
// practice.
test('each load of a group is wired so that all wishes are kept, those that do so already are left, and it is all counted', () => {
  const design = lamps([
    ...ON_REVERSE.map((says): [string, WishSays] => ['one', says]),
    ['two', { kind: 'notByOne' }],
    ['three', { kind: 'keyOut', answer: 'works' }],
    ['three', { kind: 'powerBack', answer: null }],
  ]);
  const told: number[] = [];
  const found = wireGroup(analyse(design), ['one_lamp', 'two_lamp', 'three_lamp'], null, (done) => told.push(done) > 0);
  expect(found.lines).toEqual([
    { loadId: 'one_lamp', fate: 'wired', wayId: 'signal', wishes: 2, undecided: 0 },
    { loadId: 'two_lamp', fate: 'wired', wayId: expect.any(String), wishes: 1, undecided: 0 },
    { loadId: 'three_lamp', fate: 'asItIs', wayId: null, wishes: 2, undecided: 1 },
  ]);
  expect([found.unmet, found.brought]).toEqual([[], []]);
  const after = applyChange(design, found.change);
  const { index, wiring } = analyse(after);
  const verdicts = judgeWishes(index, wiring, recordsOf(after, 'wish')).map(({ verdict, why }) => why ?? verdict);
  expect(verdicts).toEqual(['kept', 'kept', 'kept', 'kept', 'unanswered']);
  // What it says comes is what comes.
  const more = (type: 'device' | 'wire') => recordsOf(after, type).length - recordsOf(design, type).length;
  expect(found.parts.reduce((sum, { count }) => sum + count, 0)).toBe(more('device') + found.dropped);
  expect(found.wires).toBe(more('wire'));
  expect(told.at(-1)).toBe(1);
  expect(told).toEqual([...told].sort((a, b) => a - b));
});

test('what no way can keep is said and left, and one load alone may be asked for', () => {
  const contrary: WishSays[] = [
    { kind: 'on', when: [vehicle('key', 'on')] },
    { kind: 'off', when: [vehicle('lamps', 'low')] },
  ];
  const design = lamps(contrary.map((says): [string, WishSays] => ['one', says]));
  const found = wireGroup(analyse(design), ['one_lamp']);
  expect(found.lines).toMatchObject([{ fate: 'noWay', wayId: null }]);
  expect(isEmpty(found.change)).toBe(true);
  expect(found.unmet.length).toBeGreaterThan(0);
});

test('work that is ended leaves what was not reached as it is', () => {
  const design = lamps((['one', 'two'] as const).flatMap((of) => ON_REVERSE.map((says): [string, WishSays] => [of, says])));
  const found = wireGroup(analyse(design), ['one_lamp', 'two_lamp'], null, (done) => done <= 0.5);
  expect(found.lines).toHaveLength(1);
});

test('on Heron nothing that keeps its wishes is touched', () => {
  const analysis = analyse(heron());
  const wishes = recordsOf(analysis.design, 'wish');
  const judged = judgeWishes(analysis.index, analysis.wiring, wishes);
  const wellKept = [...new Set(wishes.map(({ loadId }) => loadId))].filter((id) =>
    judged.every(({ wish, verdict }) => wish.loadId !== id || verdict === 'kept'),
  );
  expect(wellKept.length).toBeGreaterThan(3);
  const found = wireGroup(analysis, wellKept);
  expect(found.lines.every(({ fate }) => fate === 'asItIs')).toBe(true);
  expect(isEmpty(found.change)).toBe(true);
});

// By hand: a channel for 1 A, and a new receiver's for 10 A, are no contacts for 20 A; through a relay either is.
test('the way with the fewest parts is not taken where it would bring a fault', () => {
  const build = rig();
  build.supply();
  build.slot('hubFuse', 1, 10);
  build.add({ id: 'hub', kind: 'receiver', channels: 2, mode: 'latching', channelMaxA: 1, standbyA: 0.006 });
  build.wire('hubFuse.out', 'hub.plus');
  build.wire('hub.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.circuit('hubFuse', 1, 'hubFuse');
  build.slot('heavy', 2, 30);
  build.load(240, 'resistive', 0, { id: 'heavy_lamp' });
  build.wire('heavy.out', 'heavy_lamp.plus', 1000, 'mm2:10');
  build.wire('heavy_lamp.minus', 'bar.bar', 1000, 'mm2:10', 'return');
  build.circuit('heavy', 2, 'heavy');
  const off: Wish = { id: 'wish', type: 'wish', loadId: 'heavy_lamp', says: { kind: 'powerBack', answer: 'off' } };
  const analysis = analyse(applyChange(build.design(), { added: [off], updated: [], removed: [] }));
  expect(waysKeeping(analysis, 'heavy_lamp')[0]).toMatchObject({ wayId: 'channel', broken: 0 });
  const found = wireGroup(analysis, ['heavy_lamp']);
  expect(found.lines).toMatchObject([{ fate: 'wired', wayId: 'channelRelay' }]);
  expect(found.brought.filter(({ severity }) => severity === 'fault')).toEqual([]);
  expect(found.unmet).toEqual([]);
});

describe('a whole panel', () => {
  const BY_HAND: WishSays = { kind: 'notByOne' };
  const three = lamps(['one', 'two', 'three'].map((of) => [of, BY_HAND]));
  const placed = applyChange(three, { added: [place('galley', 1000, 500, 900)], updated: [], removed: [] });
  const ids = ['one_lamp', 'two_lamp', 'three_lamp'];
  const withPanel = (columns: number) => {
    const panel = { id: 'board', type: 'panel' as const, name: 'Board', use: 'panel' as const, columns, rows: 1, placeId: null };
    return applyChange(placed, { added: [panel], updated: [], removed: [] });
  };

  test('a new one has a position for each of their switches, and they are where it is', () => {
    const found = wireGroup(analyse(placed), ids, { placeId: 'galley' });
    const after = applyChange(placed, found.change);
    const seated = recordsOf(after, 'panelPart');
    expect(seated.length).toBeGreaterThanOrEqual(3);
    expect(takenOn(after, found.panelId!)).toEqual({ taken: seated.length, positions: seated.length });
    expect(found.offPanel).toBe(0);
    for (const { deviceId } of seated) expect(recordOf(after, deviceId, 'device')!.placeId).toBe('galley');
  });

  test('on one there is they take what is free, and what finds none is counted', () => {
    const need = wireGroup(analyse(withPanel(9)), ids, { panelId: 'board' });
    expect([need.panelId, need.offPanel]).toEqual(['board', 0]);
    const { taken } = takenOn(applyChange(withPanel(9), need.change), 'board')!;
    const few = wireGroup(analyse(withPanel(2)), ids, { panelId: 'board' });
    expect(takenOn(applyChange(withPanel(2), few.change), 'board')).toEqual({ taken: 2, positions: 2 });
    expect(few.offPanel).toBe(taken - 2);
  });
});
