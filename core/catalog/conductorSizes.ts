/** The trade sizes a wire may have, smallest first in each family: metric cross-section, or American Wire Gauge. */

export const METRIC_SIZES_MM2 = [0.35, 0.5, 0.75, 1, 1.5, 2, 2.5, 3, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120] as const;
export const AWG_SIZES = ['20', '18', '16', '14', '12', '10', '8', '6', '4', '2', '1', '1/0', '2/0', '3/0', '4/0'] as const;

export type MetricSize = (typeof METRIC_SIZES_MM2)[number];
export type AwgSize = (typeof AWG_SIZES)[number];
export type ConductorSize = `mm2:${MetricSize}` | `awg:${AwgSize}`;

const metricKeys = METRIC_SIZES_MM2.map((mm2) => `mm2:${mm2}` as const);
const awgKeys = AWG_SIZES.map((awg) => `awg:${awg}` as const);

export const CONDUCTOR_SIZES = [...metricKeys, ...awgKeys] as [ConductorSize, ...ConductorSize[]];

/** Nominal gauge of an American size, or null for a metric one. */
export function awgOf(size: ConductorSize): AwgSize | null {
  return size.startsWith('awg:') ? (size.slice(4) as AwgSize) : null;
}

/** Nominal cross-section of a metric size in mm2, or null for an American one. */
export function metricOf(size: ConductorSize): MetricSize | null {
  return size.startsWith('mm2:') ? (Number(size.slice(4)) as MetricSize) : null;
}

/**
 * Nominal area of an American Wire Gauge size in mm2: diameter 0.127 mm x 92^((36 - n) / 39), with n = 0, -1, -2, -3 for
 * 1/0 to 4/0. Source: ASTM B258.
 */
export function awgAreaMm2(awg: AwgSize): number {
  const aught = /^(\d)\/0$/.exec(awg);
  const gauge = aught ? 1 - Number(aught[1]) : Number(awg);
  const diameterMm = 0.127 * 92 ** ((36 - gauge) / 39);
  return (Math.PI / 4) * diameterMm ** 2;
}

const AREAS_MM2 = new Map<ConductorSize, number>([
  ...METRIC_SIZES_MM2.map((mm2) => [`mm2:${mm2}`, mm2] as const),
  ...AWG_SIZES.map((awg) => [`awg:${awg}`, awgAreaMm2(awg)] as const),
]);

/** Nominal area of any size in mm2. */
export function areaMm2(size: ConductorSize): number {
  return AREAS_MM2.get(size)!;
}
