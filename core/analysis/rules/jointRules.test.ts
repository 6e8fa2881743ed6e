import { heron } from '../../../demo/heron';
import { pip } from '../../../demo/pip';
import { rig } from '../../../testing/rig';
import { analyse } from '../analyse';
import { studsOf } from '../studs';
import { remediesFor } from '../../advice/remedies';
import type { ConductorSize } from '../../catalog/conductorSizes';
import type { JointWay, ZoneTrait } from '../../catalog/vocabulary';
import { applyChange, updateRecords } from '../../design/change';
import { recordsOf, type Design } from '../../design/design';
import { wordFinding } from '../../wording/wording';

const set = (design: Design, id: string, fields: object) => applyChange(design, updateRecords(design, [{ id, set: fields }]));
const rules = (design: Design, rule: string) => analyse(design).findings.filter((finding) => finding.rule === rule);

test('the demos’ rings fit their studs', () => {
  for (const design of [heron(), pip()]) expect(analyse(design).findings.filter(({ rule }) => rule.startsWith('joint.'))).toEqual([]);
});

test('what lands on a stud is listed by size, with the smallest stud its thickest ring comes for', () => {
  const studs = studsOf(analyse(set(heron(), 'wire_hideminus', { conductor: 'mm2:35' })));
  const minus = studs.find(({ deviceId, terminal }) => deviceId === 'bat_house' && terminal === 'minus')!;
  expect(minus).toMatchObject({ stud: 'M8', count: 2, oneBolt: true });
  expect(minus.rings).toEqual(
    expect.arrayContaining([
      { conductor: 'mm2:50', count: 1, least: 'M8', fits: true },
      { conductor: 'mm2:35', count: 1, least: 'M6', fits: true },
    ]),
  );
  expect(studs.some(({ deviceId }) => deviceId.startsWith('fuse_') && deviceId !== 'fuse_main' && deviceId !== 'fuse_hide')).toBe(false);
});

// Makers' ranges of copper tube lugs, from memory: 50 mm² begins at M8.
test('50 mm² on an M6 post is a caution, in words; not known is not', () => {
  const design = set(heron(), 'bat_house', { stud: 'M6' });
  const [finding] = rules(design, 'joint.ring');
  expect(finding).toMatchObject({
    severity: 'caution',
    subjects: ['bat_house'],
    numbers: { stud: 'M6', least: 'M8', conductor: 'mm2:50' },
  });
  expect(wordFinding(finding!, design, 'metric').message).toBe(
    'House battery: 50 mm² lands on its M6 stud; rings for that cable begin at M8.',
  );
  expect(rules(set(heron(), 'bat_house', { stud: undefined }), 'joint.ring')).toEqual([]);
});

function posts(cables: number): Design {
  const build = rig();
  build.battery('agm', 100);
  for (let at = 0; at < cables; at++) {
    build.add({ id: `main${at}`, kind: 'protection', family: 'terminalMount', ratingA: 80, mount: null });
    build.wire('battery.plus', `main${at}.in`, 150, 'mm2:16');
  }
  return build.design();
}

test('four rings to a bolt, a battery’s post too (ABYC E-11, from memory)', () => {
  expect(rules(posts(4), 'ground.crowded')).toEqual([]);
  expect(rules(posts(5), 'ground.crowded')).toMatchObject([{ subjects: ['battery'], numbers: { count: 5, most: 4 } }]);
});

function spliced(thick: ConductorSize, thin: ConductorSize): Design {
  const build = rig();
  build.battery('agm', 100);
  build.add({ id: 'fuse', kind: 'protection', family: 'blade', ratingA: 5, mount: null });
  build.add({ id: 'joint', kind: 'splice' });
  build.wire('battery.plus', 'fuse.in', 100, 'mm2:6');
  build.wire('fuse.out', 'joint.joint', 1000, thick);
  for (const id of ['left', 'right']) {
    build.load(6, 'ledConstantPower', 0, { id });
    build.wire('joint.joint', `${id}.plus`, 1000, thin);
    build.wire(`${id}.minus`, 'battery.minus', 1000, thin, 'return');
  }
  build.circuit('lamps', 1, 'fuse');
  return build.design();
}

// Red to 1.5 mm², blue to 2.5, yellow 4 to 6: trade standard, from memory.
test.each<[ConductorSize, ConductorSize, string | null]>([
  ['mm2:2.5', 'mm2:2.5', null],
  ['mm2:1.5', 'mm2:0.75', null],
  ['mm2:2.5', 'mm2:1', 'joint joins 1 mm² (red) with 2.5 mm² (blue).'],
  ['mm2:6', 'mm2:1.5', 'joint joins 1.5 mm² (red) with 6 mm² (yellow).'],
  ['mm2:10', 'mm2:2.5', 'joint joins 2.5 mm² (blue) with 10 mm² (a lug).'],
  ['mm2:4', 'mm2:3', 'joint joins 3 mm² (no insulated terminal) with 4 mm² (yellow).'],
])('%s spliced to %s', (thick, thin, message) => {
  const design = spliced(thick, thin);
  const found = rules(design, 'joint.twoSizes');
  if (message === null) return expect(found).toEqual([]);
  expect(found).toMatchObject([{ severity: 'note', circuitId: 'circuit_lamps' }]);
  expect(wordFinding(found[0]!, design, 'metric').message).toBe(message);
});

/** A lamp behind a fuse with two joints one after the other in its plus, in a zone of these traits. */
function jointed(made: JointWay | undefined, traits: ZoneTrait[], watts: number, engineSpace = false): Design {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 15);
  build.zone('zone', { traits, engineSpace });
  build.add({ id: 'joint', kind: 'splice', ...(made && { made }), zoneId: 'zone' });
  build.load(watts, 'resistive', 0, { id: 'lamp' });
  build.wire('fuse.out', 'joint.joint');
  build.wire('joint.joint', 'lamp.plus');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  build.circuit('lamp', 1, 'fuse');
  return build.design();
}

// Which joint lasts where: common practice; ABYC E-11, from memory, that solder alone holds none; taps to 3 A.
test.each<[JointWay | undefined, ZoneTrait[], number, string | null, string | null]>([
  [undefined, ['wet', 'vibration'], 60, null, null],
  ['crimp', ['wet', 'vibration'], 60, null, null],
  ['twist', [], 6, 'caution', 'joint is twisted and taped.'],
  ['twist', ['splashed'], 6, 'fault', 'joint is twisted and taped, where it gets wet.'],
  ['twist', ['vibration'], 6, 'fault', 'joint is twisted and taped, where it is shaken.'],
  ['lever', ['living'], 60, null, null],
  ['lever', ['wet'], 6, 'caution', 'joint is a lever connector, where it gets wet.'],
  ['lever', ['vibration'], 6, 'caution', 'joint is a lever connector, where it is shaken.'],
  ['solder', ['wet'], 60, null, null],
  ['solder', ['wet', 'vibration'], 60, 'caution', 'joint is soldered, where it is shaken.'],
  ['tap', ['sun'], 36, null, null],
  ['tap', ['sun'], 36.6, 'caution', 'joint is a tap through the insulation and carries 3.05 A.'],
  ['tap', ['splashed'], 6, 'caution', 'joint is a tap through the insulation, where it gets wet.'],
])('a joint made by %s where it is %j, at %d W', (made, traits, watts, severity, message) => {
  const design = jointed(made, traits, watts);
  const found = rules(design, 'joint.unfit');
  if (message === null) return expect(found).toEqual([]);
  expect(found).toMatchObject([{ severity, subjects: ['joint'], circuitId: 'circuit_lamp' }]);
  expect(wordFinding(found[0]!, design, 'metric').message).toBe(message);
  const [remedy] = remediesFor(analyse(design), found[0]!);
  expect(rules(applyChange(design, remedy!.change), 'joint.unfit')).toEqual([]);
});

test('what flows in a joint is told, and one in no zone that anybody described is nowhere wet or shaken', () => {
  expect(rules(jointed('twist', [], 6), 'joint.unfit')[0]!.numbers).toMatchObject({ where: 'anywhere', amps: expect.closeTo(0.5, 6) });
  const nowhere = (made: JointWay) => set(set(jointed(made, [], 6), 'zone', { traits: undefined }), 'joint', { zoneId: null });
  expect(rules(nowhere('lever'), 'joint.unfit')).toEqual([]);
  expect(rules(set(jointed('lever', [], 6), 'zone', { traits: undefined }), 'joint.unfit')).toEqual([]);
  expect(rules(nowhere('twist'), 'joint.unfit')).toMatchObject([{ severity: 'caution' }]);
});

test('a lever connector beside the engine is shaken, whatever else is said of the place', () => {
  expect(rules(jointed('lever', [], 6, true), 'joint.unfit')).toMatchObject([{ numbers: { where: 'shaken' } }]);
});

// Common practice: none in a door, one to a run, none before the first fuse; one length through mends all three.
test.each(['joint.flexing', 'joint.row', 'joint.beforeFuse'] as const)('%s is found, and one length of wire through mends it', (rule) => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 15);
  build.zone('door', { traits: ['moving'] });
  for (const id of ['first', 'second', 'ahead', 'own'])
    build.add({ id, kind: 'splice', ...(rule === 'joint.flexing' && id === 'first' && { zoneId: 'door' }) });
  build.add({ id: 'inline', kind: 'protection', family: 'blade', ratingA: 5, mount: null });
  for (const id of ['lamp', 'other']) build.load(12, 'resistive', 0, { id });
  build.wire('fuse.out', 'first.joint');
  if (rule === 'joint.row') {
    build.wire('first.joint', 'second.joint');
    build.wire('second.joint', 'lamp.plus');
  } else build.wire('first.joint', 'lamp.plus');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  if (rule === 'joint.beforeFuse') {
    build.wire('battery.plus', 'ahead.joint', 100);
    build.wire('ahead.joint', 'inline.in', 100);
    build.wire('inline.out', 'other.plus');
    build.wire('other.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  }
  build.circuit('lamp', 1, 'fuse');
  const design = build.design();
  const subjects = { 'joint.flexing': ['first', 'door'], 'joint.row': ['first', 'second'], 'joint.beforeFuse': ['ahead'] };
  const found = analyse(design).findings.filter((one) => one.rule.startsWith('joint.'));
  expect(found).toMatchObject([{ rule, subjects: subjects[rule] }]);
  expect(wordFinding(found[0]!, design, 'metric').message).not.toMatch(/undefined|\[object/);
  const [remedy] = remediesFor(analyse(design), found[0]!);
  const mended = applyChange(design, remedy!.change);
  expect(analyse(mended).findings.filter((one) => one.rule.startsWith('joint.'))).toEqual([]);
  const lengthOf = (of: Design) => recordsOf(of, 'wire').reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  expect(lengthOf(mended)).toBe(lengthOf(design));
});

test('where three meet nothing is drawn through, and a row of lamps with a joint at each is no row of joints', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 15);
  build.zone('door', { traits: ['moving'] });
  for (const id of ['first', 'second']) build.add({ id, kind: 'splice', zoneId: 'door' });
  for (const id of ['one', 'two', 'three']) build.load(6, 'resistive', 0, { id });
  build.wire('fuse.out', 'first.joint');
  build.wire('first.joint', 'one.plus');
  build.wire('first.joint', 'second.joint');
  build.wire('second.joint', 'two.plus');
  build.wire('second.joint', 'three.plus');
  for (const id of ['one', 'two', 'three']) build.wire(`${id}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
  build.circuit('lamps', 1, 'fuse');
  const design = build.design();
  expect(rules(design, 'joint.row')).toEqual([]);
  const flexing = rules(design, 'joint.flexing');
  expect(flexing).toHaveLength(2);
  for (const finding of flexing) expect(remediesFor(analyse(design), finding)).toEqual([]);
});

test('a joint twisted in place is told of once, as work to come back to, and as a fault besides where it gets wet', () => {
  const fitted = (traits: ZoneTrait[], made: JointWay) => set(jointed(made, traits, 6), 'joint', { work: { state: 'fitted', why: 'no sleeves left', due: '2026-12-05' } }); // prettier-ignore
  const found = (design: Design) => analyse(design).findings.filter(({ subjects }) => subjects[0] === 'joint');
  const dry = fitted([], 'twist');
  expect(found(dry)).toMatchObject([{ rule: 'work.jointForNow', severity: 'caution', circuitId: 'circuit_lamp' }]);
  expect(wordFinding(found(dry)[0]!, dry, 'metric').message).toBe(
    'joint is twisted and taped: no sleeves left; to be come back to by 2026-12-05.',
  );
  expect(found(fitted(['wet'], 'twist')).map(({ rule }) => rule).sort()).toEqual(['joint.unfit', 'work.jointForNow']); // prettier-ignore
  expect(found(fitted([], 'lever'))).toEqual([]);
  const [remedy] = remediesFor(analyse(dry), found(dry)[0]!);
  const mended = applyChange(dry, remedy!.change);
  expect(found(mended)).toEqual([]);
  expect(recordsOf(mended, 'device').find(({ id }) => id === 'joint')!.work).toEqual({ state: 'fitted' });
});
