import { AMPACITY_TABLES } from '../catalog/ampacity';
import { areaMm2, awgOf, CONDUCTOR_SIZES, type ConductorSize } from '../catalog/conductorSizes';
import { ampacity, type ConductorConditions } from './ampacity';
import { goesByGauge, type ConductorStandard } from '../catalog/vocabulary';
import { chooseFuse } from './fuse';
import { designOhmPerM, type DropBasis } from './voltageDrop';

/** What one run asks of its conductor. */
export interface RunDemand {
  continuousA: number;
  peakA: number;
  /** Sum over the supply and return conductors of current times length, ampere metres. */
  ampereMetres: number;
  /** Volts the conductor may drop. */
  allowedDropV: number;
  conditions: ConductorConditions;
  drop: DropBasis;
  cableForm: 'sheathed' | 'single';
  /** Fuse ratings to choose from, ascending. */
  ratings: readonly number[];
  /** Candidate sizes in ascending area. */
  sizes: readonly ConductorSize[];
}

export type Governor = 'minimum' | 'ampacity' | 'fuse' | 'drop';

export interface ConductorChoice {
  conductor: ConductorSize;
  fuseA: number;
  ampacityA: number;
  dropV: number;
  governedBy: Governor;
}

/**
 * The smallest conductor that meets every demand at once, and what decided it: the mechanical minimum, the ampacity for
 * all loads at once, a standard fuse that fits between load and conductor, or the drop. Null when no size does.
 */
export function chooseConductor(demand: RunDemand): ConductorChoice | null {
  const { sizes } = demand;
  const carried = (size: ConductorSize) => ampacity(size, demand.conditions).amps;
  const dropped = (size: ConductorSize) => demand.ampereMetres * designOhmPerM(size, demand.drop);
  const { continuousA, peakA, ratings } = demand;
  const first = {
    minimum: sizes.findIndex((size) => areaMm2(size) >= mechanicalMinimumMm2(demand.conditions.standard, demand.cableForm)),
    ampacity: sizes.findIndex((size) => carried(size) > 0 && carried(size) >= peakA),
    fuse: sizes.findIndex((size) => chooseFuse(continuousA, peakA, carried(size), ratings) !== null),
    drop: sizes.findIndex((size) => dropped(size) <= demand.allowedDropV + 1e-9),
  };
  if (Object.values(first).some((at) => at < 0)) return null;
  const at = Math.max(...Object.values(first));
  const order: Governor[] = ['minimum', 'drop', 'ampacity', 'fuse'];
  return {
    conductor: sizes[at]!,
    fuseA: chooseFuse(continuousA, peakA, carried(sizes[at]!), ratings)!,
    ampacityA: carried(sizes[at]!),
    dropV: dropped(sizes[at]!),
    governedBy: order.find((governor) => first[governor] === at)!,
  };
}

/** The sizes a standard tabulates, or those of the other family from the smallest the table can speak for. */
export function candidateSizes(standard: ConductorConditions['standard'], family: 'awg' | 'mm2' | null = null): ConductorSize[] {
  const tabulated = AMPACITY_TABLES[standard].rows.map(([size]) => size);
  if (family === null || tabulated[0]!.startsWith(family)) return tabulated;
  const smallest = areaMm2(tabulated[0]!);
  return CONDUCTOR_SIZES.filter((size) => size.startsWith(family) && areaMm2(size) >= smallest);
}

/** The sizes to choose from in place of a conductor, in its own family. */
export function sizesLike(standard: ConductorConditions['standard'], conductor: ConductorSize): ConductorSize[] {
  return candidateSizes(standard, awgOf(conductor) ? 'awg' : 'mm2');
}

/**
 * The smallest area a school allows for strength, mm2, whichever family the wire is of: 16 AWG alone and 18 inside a sheath by the American
 * ones, 1 mm2 and 0.75 by the metric ones. Source: ABYC E-11, ISO 10133, from memory.
 */
export function mechanicalMinimumMm2(standard: ConductorStandard, cableForm: RunDemand['cableForm']): number {
  if (goesByGauge(standard)) return areaMm2(cableForm === 'sheathed' ? 'awg:18' : 'awg:16');
  return cableForm === 'sheathed' ? 0.75 : 1;
}
