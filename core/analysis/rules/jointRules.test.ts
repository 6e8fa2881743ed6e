import { heron } from '../../../demo/heron';
import { pip } from '../../../demo/pip';
import { rig } from '../../../testing/rig';
import { analyse } from '../analyse';
import { studsOf } from '../studs';
import type { ConductorSize } from '../../catalog/conductorSizes';
import { applyChange, updateRecords } from '../../design/change';
import type { Design } from '../../design/design';
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
