import { CUT_OUTS } from '../catalog/cutOuts';
import type { Update } from '../design/change';
import type { Hole, PanelCut } from './panelFace';

/** A hole’s middle on its panel, mm from the left and the top. */
export interface FacePoint {
  xMm: number;
  yMm: number;
}

/** Where a hole comes to lie that is held near something it could be in line with, and the lines it is then on. */
export interface Snapped extends FacePoint {
  /** Upright and level lines through middles it is in line with, mm. */
  upright: number | null;
  level: number | null;
}

/** How near a line a hole is drawn to it, mm; elsewhere it goes by halves. */
const NEAR_MM = 1.5;
const STEP_MM = 0.5;

/**
 * A hole moved by hand: onto the middles of other holes and of the panel, and half way between the two bezels beside it, where it is near
 * them.
 * @param at its middle as held, mm; kept on the panel
 */
export function snapped({ holes, widthMm, heightMm }: PanelCut, position: number, at: FacePoint): Snapped {
  const others = holes.filter((hole) => hole.position !== position);
  const x = Math.min(widthMm, Math.max(0, at.xMm));
  const y = Math.min(heightMm, Math.max(0, at.yMm));
  const upright = nearest(x, [...others.map(({ xMm }) => xMm), widthMm / 2, ...between(others, x, 0, { x, y })]);
  const level = nearest(y, [...others.map(({ yMm }) => yMm), heightMm / 2, ...between(others, y, 1, { x, y })]);
  return { xMm: tenth(upright ?? stepped(x)), yMm: tenth(level ?? stepped(y)), upright, level };
}

/** Where bezels beside a hole leave it as much on either side. */
function between(others: readonly Hole[], at: number, side: 0 | 1, { x, y }: { x: number; y: number }): number[] {
  const mid = (hole: Hole) => (side === 0 ? hole.xMm : hole.yMm);
  const isBeside = (hole: Hole) => Math.abs(side === 0 ? hole.yMm - y : hole.xMm - x) < CUT_OUTS[hole.cutOutId].bezelMm[1 - side]! / 2;
  const beside = others.filter(isBeside);
  const before = Math.max(...beside.filter((hole) => mid(hole) < at).map((hole) => mid(hole) + half(hole, side)));
  const after = Math.min(...beside.filter((hole) => mid(hole) > at).map((hole) => mid(hole) - half(hole, side)));
  return Number.isFinite(before) && Number.isFinite(after) ? [(before + after) / 2] : [];
}

const half = ({ cutOutId }: Hole, side: 0 | 1) => CUT_OUTS[cutOutId].bezelMm[side] / 2;

function nearest(at: number, lines: readonly number[]): number | null {
  const near = lines.filter((line) => Math.abs(line - at) <= NEAR_MM).sort((a, b) => Math.abs(a - at) - Math.abs(b - at));
  return near[0] ?? null;
}

const tenth = (mm: number) => Math.round(mm * 10) / 10;
const stepped = (mm: number) => Math.round(mm / STEP_MM) * STEP_MM;

/** Holes brought onto one line: level through the height of the first of them, or upright through its middle. */
export function inLine(holes: readonly Hole[], line: 'level' | 'upright'): Update[] {
  const [first, ...rest] = holes;
  return rest.map(({ part, xMm, yMm }) => ({
    id: part.id,
    set: { xMm: line === 'upright' ? first!.xMm : xMm, yMm: line === 'level' ? first!.yMm : yMm },
  }));
}

/**
 * Holes spread so that the gaps between their bezels are alike, the outermost staying where they are: along the way in which they lie
 * further apart.
 */
export function spreadEvenly(holes: readonly Hole[]): Update[] {
  if (holes.length < 3) return [];
  const far = (of: (hole: Hole) => number) => Math.max(...holes.map(of)) - Math.min(...holes.map(of));
  const side = far(({ xMm }) => xMm) >= far(({ yMm }) => yMm) ? 0 : 1;
  const mid = (hole: Hole) => (side === 0 ? hole.xMm : hole.yMm);
  const row = [...holes].sort((a, b) => mid(a) - mid(b));
  const [first, last] = [row[0]!, row.at(-1)!];
  const inner = row.slice(1, -1);
  const room = mid(last) - half(last, side) - mid(first) - half(first, side) - inner.reduce((sum, hole) => sum + 2 * half(hole, side), 0);
  const gap = room / (row.length - 1);
  let at = mid(first) + half(first, side);
  return inner.map((hole) => {
    const middle = tenth(at + gap + half(hole, side));
    at += gap + 2 * half(hole, side);
    return { id: hole.part.id, set: side === 0 ? { xMm: middle, yMm: hole.yMm } : { xMm: hole.xMm, yMm: middle } };
  });
}
