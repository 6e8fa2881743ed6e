import DxfParser from 'dxf-parser';
import { heron } from '../../demo/heron';
import { CUT_OUTS } from '../catalog/cutOuts';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import type { Panel } from '../design/schema';
import { CALIBRATION_MM, templateSize, writePanelDxf, writePanelSvg } from '../formats/panelTemplate';
import { onPaper, PAPERS } from '../formats/paper';
import { cutPanel, halfHole } from './panelFace';

const design = heron();
const cutOf = (of: Design, id = 'pan_hide') => cutPanel(of, of.records.get(id) as Panel);
const set = (id: string, fields: object) => applyChange(design, updateRecords(design, [{ id, set: fields }]));
const seat = (position: number) =>
  recordsOf(design, 'panelPart').find((part) => part.panelId === 'pan_hide' && part.position === position)!;

// By hand: five rockers of 25 mm with 4 mm between and 12 mm around; two rows of 50 mm and 9 mm for legends.
test('a panel is as large as what sits in it asks for, its columns and rows in line and even', () => {
  const { widthMm, heightMm, holes, nearEdge, tooClose } = cutOf(design);
  expect([widthMm, heightMm]).toEqual([5 * 25 + 4 * 4 + 2 * 12, 2 * 59 + 4 + 2 * 12]);
  expect(holes.slice(0, 5).map(({ xMm }) => xMm)).toEqual([24.5, 53.5, 82.5, 111.5, 140.5]);
  expect(new Set(holes.slice(0, 5).map(({ yMm }) => yMm))).toEqual(new Set([37]));
  expect([holes[5]!.yMm, holes[6]!.yMm]).toEqual([100, 100]);
  expect(holes.map(({ cutOutId }) => cutOutId)).toEqual([...Array<string>(6).fill('rocker'), 'round16', 'rocker', 'rocker']);
  expect([nearEdge, tooClose]).toEqual([[], []]);
  expect(holes.some(({ isMoved }) => isMoved)).toBe(false);
  // Empty columns are as wide as the others: four of 25 mm. With nothing in it, a panel has room for rockers.
  expect(cutOf(design, 'pan_galley').widthMm).toBe(4 * 25 + 3 * 4 + 2 * 12);
  const empty = { records: new Map([...design.records].filter(([, record]) => record.type !== 'panelPart')) };
  expect([cutOf(empty, 'pan_galley').widthMm, cutOf(empty, 'pan_galley').heightMm]).toEqual([136, 59 + 24]);
});

test('a hole is too near each of the four edges from 8 mm on', () => {
  // A rocker’s hole is 21.1 by 36.8 in a panel of 165 by 146: its middle stays 18.55 from the sides and 26.4 from top and bottom.
  for (const [xMm, yMm, isNear] of [
    [18.6, 37, false],
    [18.5, 37, true],
    [146.4, 100, false],
    [146.5, 100, true],
    [82.5, 26.5, false],
    [82.5, 26.3, true],
    [120, 119.5, false],
    [120, 119.7, true],
  ] as const)
    expect([xMm, yMm, cutOf(set(seat(3).id, { xMm, yMm })).nearEdge.includes(3)]).toEqual([xMm, yMm, isNear]);
});

test('in a larger outline all stands in the middle; in one too small the holes at its edge are told', () => {
  const wide = cutOf(set('pan_hide', { widthMm: 265 }));
  expect(wide.holes[2]!.xMm).toBe(132.5);
  expect(wide.nearEdge).toEqual([]);
  expect(cutOf(set('pan_hide', { widthMm: 150 })).nearEdge).toEqual([1, 5, 6]);
});

test('what a hand moved stays where it was put, and is told where it meets another', () => {
  const moved = cutOf(set(seat(2).id, { xMm: 40, yMm: 37 }));
  expect(moved.holes[1]).toMatchObject({ xMm: 40, yMm: 37, isMoved: true });
  expect(moved.tooClose).toEqual([[1, 2]]);
  // Another, larger cut-out widens its column.
  const gauge = cutOf(set(seat(3).id, { cutOut: 'gauge52' }));
  expect(gauge.widthMm).toBe(4 * 25 + 62 + 4 * 4 + 2 * 12);
  expect(gauge.tooClose).toEqual([]);
});

// IEC 60947-5-1: 12 and 16 mm operators 20 and 25 mm apart, 22 mm ones 30 by 40, 30 mm ones 40 by 60 at least. From memory.
test.each([
  ['round12', 20, 20],
  ['round16', 25, 25],
  ['round22', 30, 40],
  ['round30', 40, 60],
] as const)('%s stands no nearer than its standard says', (id, across, down) => {
  expect(CUT_OUTS[id].bezelMm).toEqual([across, down]);
});

// Read by a package: every centre in the DXF is the design's, every hole its size.
test('the cutter’s drawing has every hole where the design has it', () => {
  const cut = cutOf(design);
  const { entities } = new DxfParser().parseSync(writePanelDxf(cut))!;
  const of = (type: string, layer: string) => entities.filter((entity) => entity.type === type && entity.layer === layer);
  const centres = of('CIRCLE', 'CENTRES') as unknown as { center: { x: number; y: number } }[];
  expect(centres).toHaveLength(cut.holes.length);
  centres.forEach(({ center }, at) => {
    expect(Math.abs(center.x - cut.holes[at]!.xMm)).toBeLessThan(0.01);
    expect(Math.abs(-center.y - cut.holes[at]!.yMm)).toBeLessThan(0.01);
  });
  expect(of('POLYLINE', 'CUTOUTS')).toHaveLength(8);
  expect((of('CIRCLE', 'CUTOUTS') as unknown as { radius: number }[]).map(({ radius }) => radius)).toEqual([16.3 / 2]);
  const [box] = of('POLYLINE', 'CUTOUTS') as unknown as { vertices: { x: number; y: number }[] }[];
  const xs = box!.vertices.map(({ x }) => x);
  expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(21.1, 2);
});

test('the drawing is in millimetres, and its bar is as long as it says', () => {
  const cut = cutOf(design);
  const svg = writePanelSvg(cut);
  const { widthMm, heightMm } = templateSize(cut);
  expect(svg).toContain(`width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}"`);
  expect(svg).toContain(`h${CALIBRATION_MM}M`);
});

test('a panel larger than the paper is laid on tiles that lap over, none of them past what is printed', () => {
  for (const paper of ['A4', 'LETTER'] as const)
    for (const [width, height] of [
      [150, 100],
      [260, 180],
      [500, 420],
      [195, 281],
    ] as const) {
      const { pages, across } = onPaper('', width, height, paper);
      const [short, long] = PAPERS[paper];
      const covered = pages.map(
        ({ svg }) => /viewBox="([\d.]+) ([\d.]+) ([\d.]+) ([\d.]+)"/.exec(svg)!.slice(1).map(Number) as [number, number, number, number],
      );
      for (const { leftMm, widthMm, topMm, heightMm } of pages) {
        expect(leftMm + widthMm).toBeLessThanOrEqual((across ? long : short) - 8 + 1e-6);
        expect(topMm + heightMm).toBeLessThanOrEqual((across ? short : long) - 8 + 1e-6);
      }
      // Every corner and the middle is on some page.
      for (const [x, y] of [
        [0, 0],
        [width, 0],
        [0, height],
        [width, height],
        [width / 2, height / 2],
      ] as const)
        expect(
          covered.some(([left, top, w, h]) => x >= left - 0.001 && x <= left + w + 0.001 && y >= top - 0.001 && y <= top + h + 0.001),
        ).toBe(true);
      if (width < short - 16 && height < long - 16) expect(pages).toHaveLength(1);
    }
});

test('half a hole is half of what is cut', () => {
  expect(halfHole(CUT_OUTS.rocker)).toEqual([21.1 / 2, 36.8 / 2]);
  expect(halfHole(CUT_OUTS.gauge52)).toEqual([26.3, 26.3]);
});
