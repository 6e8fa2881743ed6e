import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { findHarness } from '../analysis/rules/harnessRules';
import { CUT_OUTS } from '../catalog/cutOuts';
import { applyChange, updateRecords } from '../design/change';
import type { ZoneTrait } from '../catalog/vocabulary';
import { recordOf, recordsOf, settingsOf, type Design } from '../design/design';
import type { Panel } from '../design/schema';
import { wordFinding } from '../wording/wording';
import { inLine, snapped, spreadEvenly } from './faceEdits';
import { cutPanel } from './panelFace';

const design = heron();
const cutOf = (of: Design) => cutPanel(of, of.records.get('pan_hide') as Panel);
// Five rockers at 24.5, 53.5, 82.5, 111.5 and 140.5 mm, 37 mm down; the panel is 165 by 146 mm (see panelFace.test.ts).
const cut = cutOf(design);
const at = (position: number) => cut.holes.find((hole) => hole.position === position)!;

test.each([
  ['near another’s height it takes that', { xMm: 60.2, yMm: 38.2 }, { xMm: 60, yMm: 37, upright: null, level: 37 }],
  ['near the column of another it takes that', { xMm: 110.4, yMm: 60 }, { xMm: 111.5, yMm: 60, upright: 111.5, level: null }],
  ['near the panel’s middle it takes that', { xMm: 66, yMm: 74 }, { xMm: 66, yMm: 73, upright: null, level: 73 }],
  ['away from all lines it goes by half millimetres', { xMm: 66.2, yMm: 60.3 }, { xMm: 66, yMm: 60.5, upright: null, level: null }],
  ['it stays on the panel', { xMm: -20, yMm: 500 }, { xMm: 0, yMm: cut.heightMm, upright: null, level: null }],
])('a hole is held: %s', (_, held, expected) => {
  expect(snapped(cut, 3, held)).toEqual(expected);
});

test('between two bezels it is drawn to where it leaves as much on either side', () => {
  // Between rockers at 24.5 and 82.5 of 25 mm: bezels end at 37 and begin at 70. Position 2 is moved, so its own place is no line.
  const wide = cutOf(applyChange(design, updateRecords(design, [{ id: at(3).part.id, set: { xMm: 90, yMm: 37 } }])));
  expect(snapped(wide, 2, { xMm: 56.4, yMm: 37 })).toMatchObject({ xMm: 57.3, upright: 57.25 });
  // One that stands above or below is not beside it.
  expect(snapped(wide, 2, { xMm: 56.4, yMm: 146 }).upright).not.toBe(57.25);
});

test('holes are brought onto the first one’s line', () => {
  const holes = [{ ...at(2), yMm: 40 }, at(1), at(4)];
  expect(inLine(holes, 'level').map(({ set }) => set)).toEqual([{ xMm: 24.5, yMm: 40 }, { xMm: 111.5, yMm: 40 }]); // prettier-ignore
  expect(inLine(holes, 'upright').map(({ set }) => set)).toEqual([{ xMm: 53.5, yMm: 37 }, { xMm: 53.5, yMm: 37 }]); // prettier-ignore
});

test('gaps between bezels become alike, whatever their widths, and the outermost stay', () => {
  const gauge = { ...at(2), cutOutId: 'gauge52' as const, xMm: 60 };
  const updates = spreadEvenly([at(5), at(1), gauge]);
  expect(updates.map(({ id }) => id)).toEqual([gauge.part.id]);
  const middle = (updates[0]!.set as { xMm: number }).xMm;
  const [rocker, big] = [CUT_OUTS.rocker.bezelMm[0], CUT_OUTS.gauge52.bezelMm[0]];
  expect(middle - big / 2 - (24.5 + rocker / 2)).toBeCloseTo(140.5 - rocker / 2 - (middle + big / 2), 1);
  // One under another it is their heights that count.
  const upright = [20, 50, 120].map((yMm, place) => ({ ...at(place + 1), xMm: 50, yMm }));
  expect(spreadEvenly(upright).map(({ set }) => set)).toEqual([{ xMm: 50, yMm: 70 }]);
  // However far from the panel's edge the column is.
  expect(spreadEvenly(upright.map((hole) => ({ ...hole, xMm: 190 }))).map(({ set }) => set)).toEqual([{ xMm: 190, yMm: 70 }]);
  expect(spreadEvenly([at(1), at(2)])).toEqual([]);
});

test('a panel higher than the line of sight is told, one just as high is not', () => {
  const found = (sightMm: number | undefined) => {
    const now = applyChange(design, updateRecords(design, [{ id: 'pan_hide', set: { sightMm } }]));
    return findHarness(analyse(now)).filter(({ rule }) => rule === 'harness.inSight').map((one) => wordFinding(one, now, settingsOf(now).units).message); // prettier-ignore
  };
  expect(cut.heightMm).toBe(146);
  expect(found(undefined)).toEqual([]);
  expect(found(146)).toEqual([]);
  expect(found(120)).toEqual([expect.stringMatching(/Hide panel.* 146 mm high; 120 mm/)]);
});

test('lamps of a panel where somebody sleeps or the sun shines are told; without lamps, or elsewhere, they are not', () => {
  const [base, id] = [design, 'pan_hide'];
  const panel = recordsOf(base, 'panel').find((one) => one.id === id)!;
  const zoneId = recordsOf(base, 'place').find((place) => place.id === panel.placeId)!.zoneId!;
  const first = recordsOf(base, 'panelPart').find((part) => part.panelId === id)!.deviceId;
  const glares = (traits: ZoneTrait[], pilot: boolean) => {
    const lit = recordsOf(base, 'panelPart').filter((part) => part.panelId === id).map((part) => ({ id: part.deviceId, set: { pilot: part.deviceId === first && pilot } })); // prettier-ignore
    const now = applyChange(base, updateRecords(base, [{ id: zoneId, set: { traits } }, ...lit.filter((one) => recordOf(base, one.id, 'device')?.kind === 'switch')])); // prettier-ignore
    return findHarness(analyse(now)).filter(({ rule }) => rule === 'harness.glare').map((one) => wordFinding(one, now, 'metric').message); // prettier-ignore
  };
  expect(glares(['living'], true)).toEqual([]);
  expect(glares(['sleeping', 'sun'], false)).toEqual([]);
  expect(glares(['sleeping'], true)).toEqual([expect.stringMatching(/ has 1 lit part in .*, where somebody sleeps\.$/)]);
  expect(glares(['sleeping', 'sun'], true)).toHaveLength(2);
});
