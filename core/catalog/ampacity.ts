import type { ConductorStandard } from './vocabulary';
import type { ConductorSize } from './conductorSizes';
import { SOURCES } from './sources';

/** Amperes at 30 C in free air by size and insulation temperature, as one school tabulates them. */
export interface AmpacityTable {
  source: string;
  insulationC: readonly number[];
  /** Sizes in ascending area, each with one ampere value per insulation column. */
  rows: readonly (readonly [ConductorSize, ...number[]])[];
  /** Multiplier inside an engine space per insulation column; null where that insulation is not allowed there. */
  engineSpace: readonly (number | null)[];
}

const usSmallCraft: AmpacityTable = {
  source: SOURCES.usSmallCraft,
  insulationC: [60, 75, 80, 90, 105, 125, 200],
  engineSpace: [0.58, 0.75, 0.78, 0.82, 0.85, 0.89, 1],
  rows: [
    ['awg:18', 10, 10, 15, 20, 20, 25, 25],
    ['awg:16', 15, 15, 20, 25, 25, 30, 35],
    ['awg:14', 20, 20, 25, 30, 35, 40, 45],
    ['awg:12', 25, 25, 35, 40, 45, 50, 55],
    ['awg:10', 40, 40, 50, 55, 60, 70, 70],
    ['awg:8', 55, 65, 70, 70, 80, 90, 100],
    ['awg:6', 80, 95, 100, 100, 120, 125, 135],
    ['awg:4', 105, 125, 130, 135, 160, 170, 180],
    ['awg:2', 140, 170, 175, 180, 210, 225, 240],
    ['awg:1', 165, 195, 210, 210, 245, 265, 280],
    ['awg:1/0', 195, 230, 245, 245, 285, 305, 325],
    ['awg:2/0', 225, 265, 285, 285, 330, 355, 370],
    ['awg:3/0', 260, 310, 330, 330, 385, 410, 430],
    ['awg:4/0', 300, 360, 385, 385, 445, 475, 510],
  ],
};

const isoSmallCraft: AmpacityTable = {
  source: SOURCES.isoSmallCraft,
  insulationC: [60, 70, 85, 105, 125, 200],
  engineSpace: [null, 0.75, 0.82, 0.86, 0.89, 1],
  rows: [
    ['mm2:0.75', 8, 10, 12, 16, 20, 25],
    ['mm2:1', 12, 14, 18, 20, 25, 35],
    ['mm2:1.5', 16, 18, 21, 25, 30, 40],
    ['mm2:2.5', 20, 25, 30, 35, 40, 45],
    ['mm2:4', 30, 35, 40, 45, 50, 55],
    ['mm2:6', 40, 45, 50, 60, 70, 75],
    ['mm2:10', 60, 65, 70, 90, 100, 120],
    ['mm2:16', 80, 90, 100, 130, 150, 170],
    ['mm2:25', 110, 120, 140, 170, 185, 200],
    ['mm2:35', 140, 160, 185, 210, 225, 240],
    ['mm2:50', 180, 210, 230, 270, 300, 325],
    ['mm2:70', 220, 265, 285, 330, 360, 375],
    ['mm2:95', 260, 310, 330, 390, 410, 430],
    ['mm2:120', 300, 360, 400, 450, 480, 520],
  ],
};

/** The handbook tabulates 30 C and 50 C; the 50 C column over the 30 C one is the engine-space multiplier here. */
const roadVehicle: AmpacityTable = {
  source: SOURCES.roadVehicle,
  insulationC: [70],
  engineSpace: [0.7],
  rows: [
    ['mm2:1', 19],
    ['mm2:1.5', 24],
    ['mm2:2.5', 32],
    ['mm2:4', 42],
    ['mm2:6', 54],
    ['mm2:10', 73],
    ['mm2:16', 98],
    ['mm2:25', 129],
    ['mm2:35', 158],
    ['mm2:50', 198],
    ['mm2:70', 245],
    ['mm2:95', 292],
    ['mm2:120', 344],
  ],
};

/**
 * Up to 10 AWG the article for recreational vehicles' low voltage; past it NEC table 310.16 for copper at 60 C, which is for up to three
 * in a raceway and so on the safe side. Neither makes a difference by insulation; in an engine space 125 C is asked for.
 */
const RECREATIONAL_INSULATION_C = [60, 75, 80, 90, 105, 125] as const;
const recreationalRow = (size: ConductorSize, amps: number) => [size, ...RECREATIONAL_INSULATION_C.map(() => amps)] as const;
const usRecreational: AmpacityTable = {
  source: SOURCES.usRecreational,
  insulationC: RECREATIONAL_INSULATION_C,
  engineSpace: [null, null, null, null, null, 1],
  rows: [
    recreationalRow('awg:18', 6),
    recreationalRow('awg:16', 8),
    recreationalRow('awg:14', 15),
    recreationalRow('awg:12', 20),
    recreationalRow('awg:10', 30),
    recreationalRow('awg:8', 40),
    recreationalRow('awg:6', 55),
    recreationalRow('awg:4', 70),
    recreationalRow('awg:2', 95),
    recreationalRow('awg:1', 110),
    recreationalRow('awg:1/0', 125),
    recreationalRow('awg:2/0', 145),
    recreationalRow('awg:3/0', 165),
    recreationalRow('awg:4/0', 195),
  ],
};

export const AMPACITY_TABLES: Record<ConductorStandard, AmpacityTable> = {
  'us-small-craft': usSmallCraft,
  'iso-small-craft': isoSmallCraft,
  'road-vehicle': roadVehicle,
  'us-recreational': usRecreational,
};

/**
 * Multiplier for so many loaded conductors laid together, by the least number it holds from. Sources: the American table,
 * published for 50 V and above (the older one for direct current has none, so this is the conservative choice); ISO 10133;
 * the road-vehicle tables give none and borrow ISO's; NEC 310.15(C)(1) for recreational vehicles. All from memory.
 */
export const BUNDLE_FACTORS: Record<ConductorStandard, readonly (readonly [from: number, factor: number])[]> = {
  'us-small-craft': [
    [3, 0.7],
    [4, 0.6],
    [7, 0.5],
    [25, 0.4],
  ],
  'iso-small-craft': [
    [4, 0.7],
    [7, 0.6],
    [25, 0.5],
  ],
  'road-vehicle': [
    [4, 0.7],
    [7, 0.6],
    [25, 0.5],
  ],
  'us-recreational': [
    [4, 0.8],
    [7, 0.7],
    [10, 0.5],
    [21, 0.45],
    [31, 0.4],
    [41, 0.35],
  ],
};
