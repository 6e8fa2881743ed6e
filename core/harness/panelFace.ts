import { CUT_OUTS, EDGE_MM, WEB_MM, type CutOut, type CutOutId } from '../catalog/cutOuts';
import { recordOf, type Design } from '../design/design';
import { nameOf } from '../design/names';
import type { Device, Panel, PanelPart } from '../design/schema';
import { positionsOf } from '../switching/panels';
import { kindOf } from '../devices';

/** A hole to cut, and what goes in it. Distances are mm from the panel's left and top edge, seen from the front. */
export interface Hole {
  position: number;
  part: PanelPart;
  cutOutId: CutOutId;
  xMm: number;
  yMm: number;
  legend: string;
  /** Whether somebody moved it out of line. */
  isMoved: boolean;
}

/** A panel as it is cut. */
export interface PanelCut {
  panel: Panel;
  widthMm: number;
  heightMm: number;
  holes: Hole[];
  /** Holes too near the edge, and pairs whose bezels meet or whose web is too thin, by position. */
  nearEdge: number[];
  tooClose: (readonly [number, number])[];
}

/** Between bezels, under a bezel for its legend, and from the outer bezels to the edge, mm. Common practice. */
const GAP_MM = 4;
const LEGEND_MM = 9;
const MARGIN_MM = 12;

/** The hole a device usually needs. */
export function usualCutOut(device: Device | null): CutOutId {
  return (device && kindOf(device).hole?.(device)) ?? 'rocker';
}

/**
 * Where everything in a panel sits: columns and rows in line, each as wide and high as the largest bezel in it, in the middle of the
 * outline.
 */
export function cutPanel(design: Design, panel: Panel): PanelCut {
  const seats = positionsOf(design, panel);
  const cutOutOf = (part: PanelPart | null): CutOutId => part?.cutOut ?? usualCutOut(part && recordOf(design, part.deviceId, 'device'));
  const widths = lane(panel.columns, (column) => seats.filter((_, at) => at % panel.columns === column), cutOutOf, 0);
  const heights = lane(panel.rows, (row) => seats.slice(row * panel.columns, (row + 1) * panel.columns), cutOutOf, 1).map(
    (mm) => mm + LEGEND_MM,
  );
  const widthMm = panel.widthMm ?? span(widths) + 2 * MARGIN_MM;
  const heightMm = panel.heightMm ?? span(heights) + 2 * MARGIN_MM;
  const [xs, ys] = [centres(widths, widthMm), centres(heights, heightMm)];
  const holes = seats.flatMap((part, at): Hole[] => {
    if (!part) return [];
    const [x, y] = [xs[at % panel.columns]!, ys[Math.floor(at / panel.columns)]! - LEGEND_MM / 2];
    const place = { xMm: part.xMm ?? tenth(x), yMm: part.yMm ?? tenth(y), isMoved: part.xMm !== undefined || part.yMm !== undefined };
    return [{ position: at + 1, part, cutOutId: cutOutOf(part), legend: part.legend ?? nameOf(design, part.deviceId), ...place }];
  });
  return { panel, widthMm, heightMm, holes, ...clearances(holes, widthMm, heightMm) };
}

const tenth = (mm: number) => Math.round(mm * 10) / 10;
const span = (lanes: readonly number[]) => lanes.reduce((sum, mm) => sum + mm, 0) + GAP_MM * (lanes.length - 1);

/** How wide each column is, or how high each row: its largest bezel, an empty one's like the others. */
function lane(
  count: number,
  seatsOf: (at: number) => (PanelPart | null)[],
  cutOutOf: (part: PanelPart | null) => CutOutId,
  side: 0 | 1,
): number[] {
  const filled = Array.from({ length: count }, (_, at) =>
    seatsOf(at).reduce((most, part) => (part ? Math.max(most, CUT_OUTS[cutOutOf(part)].bezelMm[side]) : most), 0),
  );
  const usual = Math.max(...filled) || CUT_OUTS.rocker.bezelMm[side];
  return filled.map((mm) => mm || usual);
}

/** Middles of lanes side by side, all of them in the middle of what there is. */
function centres(lanes: readonly number[], totalMm: number): number[] {
  let at = (totalMm - span(lanes)) / 2;
  return lanes.map((mm) => {
    const middle = at + mm / 2;
    at += mm + GAP_MM;
    return middle;
  });
}

function clearances(holes: readonly Hole[], widthMm: number, heightMm: number): Pick<PanelCut, 'nearEdge' | 'tooClose'> {
  const nearEdge = holes.filter(({ xMm, yMm, cutOutId }) => {
    const [halfWidth, halfHeight] = halfHole(CUT_OUTS[cutOutId]);
    return Math.min(xMm, widthMm - xMm) - halfWidth < EDGE_MM || Math.min(yMm, heightMm - yMm) - halfHeight < EDGE_MM;
  });
  const tooClose = holes.flatMap((one, at) =>
    holes.slice(at + 1).flatMap((other) => (isTooClose(one, other) ? [[one.position, other.position] as const] : [])),
  );
  return { nearEdge: nearEdge.map(({ position }) => position), tooClose };
}

/** Half the hole's width and height, mm. */
export function halfHole({ hole }: CutOut): [number, number] {
  return hole.kind === 'round' ? [hole.diameterMm / 2, hole.diameterMm / 2] : [hole.widthMm / 2, hole.heightMm / 2];
}

/** Whether bezels lie over each other, or the web between the holes is too thin. */
function isTooClose(a: Hole, b: Hole): boolean {
  const [one, other] = [CUT_OUTS[a.cutOutId], CUT_OUTS[b.cutOutId]];
  const [dx, dy] = [Math.abs(a.xMm - b.xMm), Math.abs(a.yMm - b.yMm)];
  const covers = dx < (one.bezelMm[0] + other.bezelMm[0]) / 2 - 0.05 && dy < (one.bezelMm[1] + other.bezelMm[1]) / 2 - 0.05;
  const [[ax, ay], [bx, by]] = [halfHole(one), halfHole(other)];
  const isThin =
    dx - ax - bx < WEB_MM &&
    dy - ay - by < WEB_MM &&
    !(one.hole.kind === 'round' && other.hole.kind === 'round' && Math.hypot(dx, dy) - ax - bx >= WEB_MM);
  // Rockers made to stand side by side leave a web of their bezels' difference, which is what they are made for.
  const isGang = a.cutOutId === b.cutOutId && (dx >= one.bezelMm[0] || dy >= one.bezelMm[1]);
  return covers || (isThin && !isGang);
}
