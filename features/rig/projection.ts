import type { Rig } from '@/core/design/schema';
import type { Point } from '@/core/rig/geometry';
import type { View } from './selection';

/** Millimetres of the vehicle to pixels on the screen and back, in plan or from the side. */
export interface Projection {
  view: View;
  x(xMm: number): number;
  /** From a point's second coordinate in this view: across the vehicle in plan, up from the side. */
  y(mm: number): number;
  at(point: Point): { x: number; y: number };
  /** The point under a pixel; the coordinate the view does not show is taken from `before`. */
  back(x: number, y: number, before: Point): Point;
  /** Pixels of a length. */
  px(mm: number): number;
}

export interface Pan {
  k: number;
  x: number;
  y: number;
}

export const NO_PAN: Pan = { k: 1, x: 0, y: 0 };
const MARGIN_X = 26;
const MARGIN_Y = 30;

/** Fits the vehicle into a window and pans it. */
export function project(rig: Rig, view: View, width: number, height: number, pan: Pan): Projection {
  const acrossMm = view === 'plan' ? rig.widthMm : rig.heightMm;
  const fit = Math.max(0.001, Math.min((width - 2 * MARGIN_X) / rig.lengthMm, (height - 2 * MARGIN_Y) / acrossMm));
  const left = (width - rig.lengthMm * fit) / 2;
  const top = (height - acrossMm * fit) / 2;
  const scale = fit * pan.k;
  const x = (xMm: number) => pan.x + pan.k * left + xMm * scale;
  const up = (mm: number) => (view === 'plan' ? mm : rig.heightMm - mm);
  const y = (mm: number) => pan.y + pan.k * top + up(mm) * scale;
  const round = (mm: number) => Math.round(mm / 10) * 10;
  return {
    view,
    x,
    y,
    at: ({ xMm, yMm, zMm }) => ({ x: x(xMm), y: y(view === 'plan' ? yMm : zMm) }),
    back(px, py, before) {
      const across = up((py - pan.y - pan.k * top) / scale);
      const xMm = round((px - pan.x - pan.k * left) / scale);
      return view === 'plan' ? { ...before, xMm, yMm: round(across) } : { ...before, xMm, zMm: round(across) };
    },
    px: (mm) => mm * scale,
  };
}
