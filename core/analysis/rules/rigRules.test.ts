import { heron } from '../../../demo/heron';
import { pip } from '../../../demo/pip';
import { analyse } from '../analyse';
import { applyChange, updateRecords } from '../../design/change';
import { recordsOf, type Design } from '../../design/design';
import type { KeepClear, Passage, Route } from '../../design/schema';
import { remediesFor } from '../../advice/remedies';
import type { Rule } from '../finding';
import { figuresOf } from '../../../testing/figuresOf';
import { wordFinding } from '../../wording/wording';

const design = heron();
const routeNamed = (name: string): Route => recordsOf(design, 'route').find((route) => route.name === name)!;
const set = (from: Design, id: string, fields: object) => applyChange(from, updateRecords(from, [{ id, set: fields }]));
const rigFindings = (from: Design) => analyse(from).findings.filter(({ rule }) => rule.startsWith('rig.'));
const passing = (fields: Partial<Passage>): Passage => ({
  what: 'bulkhead',
  part: 'none',
  holeMm: null,
  sealed: false,
  clearMm: null,
  ...fields,
});

test('the demo vehicles are clean', () => {
  expect(rigFindings(heron())).toEqual([]);
  expect(rigFindings(pip())).toEqual([]);
});

// What a hole, hinge, exhaust and steering want: common practice.
describe('what a stretch passes', () => {
  test.each<[Partial<Passage>, Rule | null, string | null]>([
    [{ what: 'bulkhead', part: 'none' }, 'rig.bareHole', 'fault'],
    [{ what: 'bulkhead', part: 'grommet' }, null, null],
    [{ what: 'doubleSkin', part: 'none' }, 'rig.bareHole', 'fault'],
    [{ what: 'roof', part: 'none' }, 'rig.bareHole', 'fault'],
    [{ what: 'roof', part: 'grommet', sealed: false }, 'rig.unsealed', 'caution'],
    [{ what: 'roof', part: 'gland', sealed: true }, null, null],
    [{ what: 'water', part: 'grommet', sealed: false }, 'rig.unsealed', 'caution'],
    [{ what: 'hinge', part: 'grommet' }, 'rig.hinge', 'caution'],
    [{ what: 'hinge', part: 'boot' }, null, null],
    [{ what: 'exhaust', part: 'none', clearMm: null }, 'rig.exhaust', 'caution'],
    [{ what: 'exhaust', part: 'none', clearMm: 60 }, 'rig.exhaust', 'fault'],
    [{ what: 'exhaust', part: 'none', clearMm: 150 }, null, null],
    [{ what: 'exhaust', part: 'heatShield', clearMm: 60 }, null, null],
    [{ what: 'steering', part: 'none' }, 'rig.steering', 'fault'],
    [{ what: 'steering', part: 'guard' }, null, null],
  ])('%o gives %s', (fields, rule, severity) => {
    const { id } = routeNamed('Floor trunk, rear');
    // As planned: what was measured may be short for the loop of a hinge.
    const changed = set(design, id, { passes: [passing(fields)], measuredMm: null, measuredOn: null });
    const found = rigFindings(changed);
    expect(found.map((finding) => [finding.rule, finding.severity])).toEqual(rule ? [[rule, severity]] : []);
    for (const finding of found) {
      const [remedy] = remediesFor(analyse(changed), finding);
      expect(rigFindings(applyChange(changed, remedy!.change))).toEqual([]);
      expect(wordFinding(finding, changed, 'metric').message).toContain('Floor trunk, rear');
    }
  });

  test('a stretch that no wire takes is nobody’s hazard', () => {
    const unused = routeNamed('Across the grille');
    expect(rigFindings(set(design, unused.id, { passes: [passing({ what: 'steering' })] }))).toEqual([]);
  });

  test('a hole the bundle does not fit, and the hole that would do with its grommet', () => {
    const { id } = routeNamed('Floor trunk, rear');
    const changed = set(design, id, { passes: [passing({ part: 'grommet', holeMm: 12 })] });
    const [finding] = rigFindings(changed);
    expect(finding).toMatchObject({ rule: 'rig.holeTooSmall', numbers: { holeMm: 12 } });
    const [remedy] = remediesFor(analyse(changed), finding!);
    const { passes } = applyChange(changed, remedy!.change).records.get(id) as Route;
    expect(passes[0]!.holeMm!).toBeGreaterThanOrEqual(figuresOf(finding, 'rig.holeTooSmall').bundleMm + 4);
  });
});

test('a conduit past its fill is found, and the next size sold mends it (NEC chapter 9 table 1)', () => {
  const { id } = routeNamed('Front door pillar');
  const changed = set(design, id, { insideMm: 5 });
  const [finding] = rigFindings(changed);
  expect(finding).toMatchObject({ rule: 'rig.conduitFull', severity: 'caution' });
  const [remedy] = remediesFor(analyse(changed), finding!);
  expect(rigFindings(applyChange(changed, remedy!.change))).toEqual([]);
});

describe('places', () => {
  test('a device deeper than the room behind it', () => {
    const changed = set(design, 'pl_hpanel', { depthMm: 50 });
    const found = rigFindings(changed);
    expect(found.length).toBeGreaterThan(3);
    expect(new Set(found.map(({ rule }) => rule))).toEqual(new Set(['rig.tooShallow']));
    expect(wordFinding(found[0]!, changed, 'metric').message).toContain('45 mm behind the panel');
  });

  test('a lamp where the door swings, and one above its sweep', () => {
    const door = recordsOf(design, 'keepClear').find(({ id }) => id === 'kc_door_r')! as KeepClear;
    const inside = set(design, 'pl_bumper', { xMm: 6700, yMm: 1900, zMm: 900 });
    expect(rigFindings(inside).map(({ rule, subjects }) => [rule, subjects])).toContainEqual(['rig.inTheWay', ['pl_bumper', door.id]]);
    const above = set(design, 'pl_bumper', { xMm: 6700, yMm: 1900, zMm: 2800 });
    expect(rigFindings(above).map(({ rule }) => rule)).not.toContain('rig.inTheWay');
  });

  test('what stands in the mirror’s view', () => {
    const changed = set(design, 'pl_awning', { xMm: 3000, yMm: 2480, zMm: 1500 });
    expect(rigFindings(changed).map(({ rule }) => rule)).toContain('rig.inSight');
  });

  test('a device not made for wet in the wet locker', () => {
    const changed = set(design, 'pl_camera', { zoneId: 'zone_locker' });
    expect(rigFindings(changed)).toContainEqual(expect.objectContaining({ rule: 'rig.wet', severity: 'caution' }));
  });

  test('two places at one spot, and one far outside', () => {
    const { xMm, yMm, zMm } = recordsOf(design, 'place').find(({ id }) => id === 'pl_camera')!;
    expect(rigFindings(set(design, 'pl_locker', { xMm, yMm, zMm })).map(({ rule }) => rule)).toContain('rig.samePlace');
    expect(rigFindings(set(design, 'pl_grille_l', { xMm: -900 })).map(({ rule }) => rule)).toContain('rig.outside');
  });
});

test('tape and plan far apart are a note that the plan’s length takes away', () => {
  const { id } = routeNamed('Cupboard to panel');
  const changed = set(design, id, { measuredMm: 3400 });
  const [finding] = rigFindings(changed);
  expect(finding).toMatchObject({ rule: 'rig.measuredDiffers', severity: 'note' });
  const [remedy] = remediesFor(analyse(changed), finding!);
  expect(rigFindings(applyChange(changed, remedy!.change))).toEqual([]);
});

// Common practice: a loop at every hinge; here 150 mm beside the straight line.
describe('a way over a hinge', () => {
  const hinged = routeNamed('Into the right door');
  const found = (from: Design) => rigFindings(from).filter(({ rule }) => rule === 'rig.hingeTight');

  test('measured without its loop is found, with it is not', () => {
    const [from, to] = [hinged.fromId, hinged.toId].map((id) => recordsOf(design, 'place').find((place) => place.id === id)!);
    const least = Math.ceil(Math.hypot(from!.xMm - to!.xMm, from!.yMm - to!.yMm, from!.zMm - to!.zMm) + 150);
    expect(found(set(design, hinged.id, { measuredMm: least }))).toEqual([]);
    const changed = set(design, hinged.id, { measuredMm: least - 2 });
    expect(found(changed)).toMatchObject([{ severity: 'caution', subjects: [hinged.id], numbers: { lengthMm: least - 2 } }]);
    const [remedy] = remediesFor(analyse(changed), found(changed)[0]!);
    expect(found(applyChange(changed, remedy!.change))).toEqual([]);
    const plain = routeNamed('Over the rear doors');
    expect(found(set(design, plain.id, { measuredMm: 10 }))).toEqual([]);
  });

  test('a wire cut shorter than its way over it is found, one that takes another way is not', () => {
    const door = recordsOf(design, 'device').find(({ name }) => name === 'Door light')!;
    // Joined to the door by hand: no wire of the demo goes there.
    const moved = set(design, door.id, { placeId: 'pl_door' });
    const { index } = analyse(moved);
    const wire = index.wires.find(({ from, to }) => [from, to].some(({ deviceId }) => deviceId === door.id))!;
    const run = index.layout.runs.get(wire.id)!;
    expect(run.routeIds).toContain(hinged.id);
    const cut = (lengthMm: number) => found(set(moved, wire.id, { lengthMm, lengthMeasured: true }));
    const least = run.routeIds!.reduce((sum, id) => sum + index.layout.routes.get(id)!.length.leastMm, 0);
    expect(cut(Math.ceil(least))).toEqual([]);
    expect(cut(Math.floor(least) - 1)).toMatchObject([{ subjects: [wire.id], numbers: { leastMm: least } }]);
    const short = set(moved, wire.id, { lengthMm: 100, lengthMeasured: true });
    const [remedy] = remediesFor(analyse(short), found(short)[0]!);
    expect(found(applyChange(short, remedy!.change))).toEqual([]);
    expect(found(set(design, wire.id, { lengthMm: 100, lengthMeasured: true }))).toEqual([]);
  });
});
