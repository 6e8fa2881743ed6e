import { place, route } from '../../testing/vehicle';
import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf } from '../design/design';
import type { KeepClear } from '../design/schema';
import { isInRoom, isTooDeep } from './clearance';
import { tryPlaces } from '../advice/placing';
import { HINGE_LOOP_MM, routeLength } from './routeLength';
import { adviceWords } from '../wording/traitWords';
import { askingTraits } from './traitAdvice';

const room = (more: Partial<KeepClear>): KeepClear => ({
  ...{
    id: 'room',
    type: 'keepClear',
    name: 'Room',
    kind: 'sweep',
    xMm: 0,
    yMm: 0,
    reachMm: 1000,
    fromDeg: 0,
    toDeg: 90,
    lowMm: 0,
    highMm: 1000,
  },
  ...more,
});
const at = (xMm: number, yMm: number, zMm: number) => ({ xMm, yMm, zMm });

// Worked by hand from where each thing swings: x to the rear, y to the right, z up.
describe('what a hood, a tailgate and a canopy door sweep', () => {
  // A tailgate hinged at the top, 2 m up and 5 m back, 1.2 m long, opening from straight down to straight back.
  const tailgate = room({ axis: 'crosswise', xMm: 5000, zMm: 2000, reachMm: 1200, fromDeg: 270, toDeg: 360, lowMm: 200, highMm: 1800 });
  // A hood hinged at its rear edge, 1 m up and 1.2 m back, opening from straight forward upwards.
  const hood = room({ axis: 'crosswise', xMm: 1200, zMm: 1000, reachMm: 1100, fromDeg: 90, toDeg: 180, lowMm: 200, highMm: 1800 });
  // A canopy's right side door hinged at its top edge, opening outwards and up.
  const canopy = room({ axis: 'lengthwise', yMm: 1800, zMm: 1900, reachMm: 800, fromDeg: 270, toDeg: 360, lowMm: 3000, highMm: 5000 });
  test.each([
    ['behind the tailgate', tailgate, at(5800, 1000, 1500), true],
    ['behind it but beside its left end', tailgate, at(5800, 100, 1500), false],
    ['above its hinge', tailgate, at(5500, 1000, 2300), false],
    ['past its reach', tailgate, at(6300, 1000, 1900), false],
    ['over the engine', hood, at(600, 1000, 1500), true],
    ['under the shut hood', hood, at(600, 1000, 900), false],
    ['behind the hood’s hinge', hood, at(1500, 1000, 1500), false],
    ['right of the canopy', canopy, at(4000, 2300, 1500), true],
    ['right of it but ahead of the door', canopy, at(2900, 2300, 1500), false],
    ['left of its hinge', canopy, at(4000, 1500, 1500), false],
  ])('%s', (_, swept, point, inside) => expect(isInRoom(point, undefined, swept)).toBe(inside));

  it('meets a thing by its size, not only by where it is fixed', () => {
    const beside = at(5900, 1000, 2200);
    expect(isInRoom(beside, undefined, tailgate)).toBe(false);
    expect(isInRoom(beside, { lengthMm: 100, widthMm: 300, heightMm: 600 }, tailgate)).toBe(true);
    expect(isInRoom(beside, { lengthMm: 100, widthMm: 300, heightMm: 300 }, tailgate)).toBe(false);
  });
});

test('a place is too shallow as soon as the wires’ bend does not fit, in the comparison as in the finding', () => {
  expect(isTooDeep({ depthMm: 60 }, { depthMm: 69 })).toBe(true);
  expect(isTooDeep({ depthMm: 60 }, { depthMm: 70 })).toBe(false);
  expect(isTooDeep({ depthMm: 60 }, { depthMm: null })).toBe(false);
  const design = heron();
  const device = recordsOf(design, 'device').find(({ depthMm, placeId }) => typeof depthMm === 'number' && placeId)!;
  const where = recordsOf(design, 'place').find(({ id }) => id === device.placeId)!;
  const tight = applyChange(design, updateRecords(design, [{ id: where.id, set: { depthMm: device.depthMm! + 5 } }]));
  const analysis = analyse(tight);
  const isTold = analysis.findings.some(({ rule, subjects }) => rule === 'rig.tooShallow' && subjects[0] === device.id);
  const trial = tryPlaces(analysis, device.id).find(({ placeId }) => placeId === where.id)!;
  expect([isTold, trial.against.includes('tooShallow')]).toEqual([true, true]);
});

test('a planned stretch over a hinge has a loop in its length; a measured one is as it was measured', () => {
  const [a, b] = [place('a', 0, 0), place('b', 1000, 0)];
  const hinge = { what: 'hinge', part: 'boot', holeMm: null, sealed: false, clearMm: null } as const;
  const plain = routeLength(route('a', 'b'), a, b, { allowancePercent: 5 });
  const hinged = routeLength(route('a', 'b', { passes: [hinge, hinge] }), a, b, { allowancePercent: 5 });
  expect(hinged.mm - plain.mm).toBe(2 * HINGE_LOOP_MM);
  expect(routeLength(route('a', 'b', { passes: [hinge], measuredMm: 900 }), a, b, { allowancePercent: 5 }).mm).toBe(900);
});

// Common practice in each kind of place.
test.each([
  [['sun'], /sunlight/],
  [['vibration'], /strain-relieved.*no solder/],
  [['moving'], /strain relief at both ends and a loop/],
  [['wet'], /sealed splices/],
  [['splashed', 'wet'], /^sealed splices(?!.*every joint)/],
  [['living'], /^$/],
] as const)('zones of %j: %s', (traits, words) => expect(adviceWords(askingTraits([{ traits: [...traits] }]))).toMatch(words));

test('a heavy thing on what shakes, and one a door would hit, are findings', () => {
  const design = heron();
  const device = recordsOf(design, 'device').find(({ kind, placeId }) => kind === 'fuseBlock' && placeId)!;
  const where = recordsOf(design, 'place').find(({ id }) => id === device.placeId)!;
  const door = room({ xMm: where.xMm + 200, yMm: where.yMm, reachMm: 150, fromDeg: 0, toDeg: 360, lowMm: 0, highMm: 3000 });
  const rulesWith = (fields: object, traits: readonly string[]) => {
    const sets = [
      { id: device.id, set: fields },
      { id: where.zoneId!, set: { traits } },
    ];
    const changed = applyChange(applyChange(design, updateRecords(design, sets)), { added: [door], updated: [], removed: [] });
    return analyse(changed)
      .findings.filter(({ subjects }) => subjects[0] === device.id)
      .map(({ rule }) => rule);
  };
  const box = { lengthMm: 200, widthMm: 200, heightMm: 100 };
  expect(rulesWith({ weightKg: 8, sizeMm: box }, ['vibration'])).toEqual(expect.arrayContaining(['rig.heavy', 'rig.inTheWay']));
  expect(rulesWith({ weightKg: 1 }, ['vibration'])).not.toEqual(expect.arrayContaining(['rig.heavy']));
  expect(rulesWith({ weightKg: 8 }, ['living'])).not.toEqual(expect.arrayContaining(['rig.heavy', 'rig.inTheWay']));
});
