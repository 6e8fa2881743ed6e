import type { PlanPoint, Rig } from '../design/schema';
import type { Vehicle } from '../catalog/vocabulary';

/** A generic body: its outline in plan and from the side, as shares of length, width and height. Our own drawings. */
interface Body {
  /** Right half of the plan from the front to the rear, y as a share of half the width; the left half mirrors it. */
  half: readonly (readonly [x: number, y: number])[];
  /** Outline from the side, z up. */
  side: readonly (readonly [x: number, z: number])[];
  /** Wheels from the side, by the share of the length where their middles are. */
  axles: readonly number[];
  usualMm: { lengthMm: number; widthMm: number; heightMm: number };
}

export const BODIES: Record<Vehicle, Body> = {
  boxBody: {
    half: [
      [0, 0.62],
      [0.02, 0.8],
      [0.3, 0.84],
      [0.305, 1],
      [1, 1],
    ],
    side: [
      [0, 0.14],
      [0, 0.36],
      [0.06, 0.42],
      [0.13, 0.66],
      [0.3, 0.7],
      [0.3, 1],
      [1, 1],
      [1, 0.16],
    ],
    axles: [0.17, 0.74],
    usualMm: { lengthMm: 6400, widthMm: 2200, heightMm: 3050 },
  },
  panelVan: {
    half: [
      [0, 0.6],
      [0.03, 0.86],
      [0.12, 0.97],
      [1, 1],
    ],
    side: [
      [0, 0.14],
      [0, 0.38],
      [0.12, 0.5],
      [0.26, 0.96],
      [0.34, 1],
      [0.98, 1],
      [1, 0.9],
      [1, 0.14],
    ],
    axles: [0.16, 0.77],
    usualMm: { lengthMm: 6000, widthMm: 2050, heightMm: 2700 },
  },
  pickUp: {
    half: [
      [0, 0.7],
      [0.04, 0.92],
      [0.1, 1],
      [0.97, 1],
      [1, 0.94],
    ],
    side: [
      [0, 0.2],
      [0, 0.44],
      [0.24, 0.52],
      [0.34, 0.92],
      [0.56, 0.95],
      [0.58, 1],
      [0.98, 1],
      [1, 0.52],
      [1, 0.24],
    ],
    axles: [0.17, 0.77],
    usualMm: { lengthMm: 5300, widthMm: 1850, heightMm: 1950 },
  },
  offRoader: {
    half: [
      [0, 0.72],
      [0.04, 0.94],
      [0.1, 1],
      [0.98, 1],
      [1, 0.92],
    ],
    side: [
      [0, 0.2],
      [0, 0.48],
      [0.24, 0.55],
      [0.34, 0.96],
      [0.42, 1],
      [0.94, 1],
      [1, 0.58],
      [1, 0.22],
    ],
    axles: [0.19, 0.79],
    usualMm: { lengthMm: 4600, widthMm: 1850, heightMm: 1900 },
  },
  trailer: {
    half: [
      [0, 0.03],
      [0.2, 0.05],
      [0.24, 0.9],
      [0.3, 1],
      [0.96, 1],
      [1, 0.86],
    ],
    side: [
      [0, 0.22],
      [0, 0.27],
      [0.22, 0.27],
      [0.26, 0.6],
      [0.4, 0.95],
      [0.6, 1],
      [0.82, 0.86],
      [0.97, 0.5],
      [1, 0.24],
    ],
    axles: [0.62],
    usualMm: { lengthMm: 4100, widthMm: 1800, heightMm: 1900 },
  },
  coachBuilt: {
    half: [
      [0, 0.6],
      [0.03, 0.82],
      [0.16, 0.88],
      [0.18, 1],
      [1, 1],
    ],
    side: [
      [0, 0.13],
      [0, 0.34],
      [0.08, 0.44],
      [0.12, 0.62],
      [0.07, 0.72],
      [0.1, 0.94],
      [0.2, 1],
      [0.98, 1],
      [1, 0.92],
      [1, 0.16],
    ],
    axles: [0.16, 0.72],
    usualMm: { lengthMm: 7000, widthMm: 2300, heightMm: 3000 },
  },
  openFrame: {
    half: [
      [0, 0.34],
      [0.42, 0.36],
      [0.5, 0.7],
      [0.56, 1],
      [0.9, 1],
      [0.94, 0.5],
      [1, 0.4],
    ],
    side: [
      [0, 0.24],
      [0, 0.5],
      [0.44, 0.54],
      [0.46, 0.98],
      [0.5, 1],
      [0.84, 1],
      [0.86, 0.5],
      [1, 0.44],
      [1, 0.26],
    ],
    axles: [0.16, 0.76],
    usualMm: { lengthMm: 3600, widthMm: 1700, heightMm: 2300 },
  },
  motorcycle: {
    half: [
      [0, 0.14],
      [0.2, 0.18],
      [0.26, 1],
      [0.32, 0.9],
      [0.4, 0.4],
      [0.62, 0.46],
      [0.66, 0.92],
      [0.94, 0.92],
      [1, 0.3],
    ],
    side: [
      [0.1, 0.3],
      [0.18, 0.66],
      [0.26, 0.98],
      [0.32, 1],
      [0.42, 0.78],
      [0.62, 0.66],
      [0.94, 0.72],
      [1, 0.6],
      [0.84, 0.3],
    ],
    axles: [0.14, 0.82],
    usualMm: { lengthMm: 2200, widthMm: 900, heightMm: 1350 },
  },
};

/** The vehicle's outline in plan, mm: the traced one, else its body's at its size. Front first, clockwise seen from above. */
export function bodyOutline({ body, outline, lengthMm, widthMm }: Pick<Rig, 'body' | 'outline' | 'lengthMm' | 'widthMm'>): PlanPoint[] {
  if (outline) return [...outline];
  const middle = widthMm / 2;
  const { half } = BODIES[body];
  const right = half.map(([x, y]) => ({ xMm: x * lengthMm, yMm: middle + y * middle }));
  const left = half.map(([x, y]) => ({ xMm: x * lengthMm, yMm: middle - y * middle })).reverse();
  return [...left, ...right];
}

/** The outline from the side: x towards the rear, height up, mm. */
export function sideOutline({ body, lengthMm, heightMm }: Pick<Rig, 'body' | 'lengthMm' | 'heightMm'>): { xMm: number; zMm: number }[] {
  return BODIES[body].side.map(([x, z]) => ({ xMm: x * lengthMm, zMm: z * heightMm }));
}

/** Wheels from the side: where their middles are and how large, mm. */
export function wheels({ body, lengthMm, heightMm }: Pick<Rig, 'body' | 'lengthMm' | 'heightMm'>): { xMm: number; radiusMm: number }[] {
  const radiusMm = Math.min(heightMm * 0.17, lengthMm * 0.09, 420);
  return BODIES[body].axles.map((share) => ({ xMm: share * lengthMm, radiusMm }));
}
