import { areaMm2, METRIC_SIZES_MM2, type ConductorSize, type MetricSize } from './conductorSizes';

/**
 * Largest outside diameter of a single thin-walled road-vehicle cable by cross-section, mm. Source: ISO 6722-1 / ISO 19642,
 * from memory; the largest sizes as cable of that family is commonly listed. Check your own cable.
 */
const OUTSIDE_MM: Record<MetricSize, number> = {
  0.35: 1.4,
  0.5: 1.6,
  0.75: 1.9,
  1: 2.1,
  1.5: 2.4,
  2: 2.8,
  2.5: 3.0,
  3: 3.4,
  4: 3.7,
  6: 4.3,
  10: 6.0,
  16: 7.9,
  25: 9.4,
  35: 10.8,
  50: 13.0,
  70: 15.0,
  95: 17.5,
  120: 19.7,
};

/** Outside diameter of a conductor with its insulation, mm; a size not listed counts as the next thicker one. */
export function outsideDiameterMm(size: ConductorSize): number {
  const area = areaMm2(size) / 1.0005;
  const listed = METRIC_SIZES_MM2.find((mm2) => mm2 >= area) ?? METRIC_SIZES_MM2.at(-1)!;
  return OUTSIDE_MM[listed];
}
