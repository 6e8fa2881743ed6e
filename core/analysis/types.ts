import type { Carried } from '../units/carried';
import type { Feeders } from '../network/feeders';
import type { Exclusions } from '../network/exclusion';
import type { ConductorSize } from '../catalog/conductorSizes';
import type { Design } from '../design/design';
import type { DesignIndex } from '../rig/designIndex';
import type { Device, Load, Protection } from '../design/schema';
import type { LaidWire } from '../rig/layout';
import type { TapLeg } from '../catalog/vocabulary';
import type { ScenarioBudget } from '../energy/budget';
import type { BankFacts } from '../energy/battery';
import type { Demand } from '../network/demand';
import type { IdleSupply } from '../energy/idle';
import type { LoadDraw } from '../devices/load';
import type { Finding, Severity } from './finding';
import type { TreeFlow } from '../network/flow';
import type { Wiring } from '../network/wiring';
import type { Bundle } from '../rig/bundles';
import type { Exposure } from '../rig/exposure';
import type { Ampacity } from '../sizing/ampacity';
import type { ConductorChoice } from '../sizing/conductorChoice';

/** Everything the screens, the report and the headless check show of a design. Volts, amperes, hours; lengths in mm. */
export interface Analysis {
  design: Design;
  index: DesignIndex;
  loads: Map<string, LoadAnalysis>;
  circuits: CircuitAnalysis[];
  wires: Map<string, WireAnalysis>;
  blocks: BlockAnalysis[];
  zones: ZoneAnalysis[];
  scenarios: ScenarioBudget[];
  /** The scenario the totals speak of. */
  scenario: ScenarioBudget | null;
  bank: BankFacts | null;
  main: MainAnalysis | null;
  /** The house side with the engine idling; null where the engine brings it nothing. */
  idle: IdleSupply | null;
  /** What is lost before each block that hangs on no other. */
  mainFeeds: MainFeed[];
  /** Every fed fuse and breaker by id. */
  protections: Map<string, ProtectionAnalysis>;
  totals: Totals;
  wiring: Wiring;
  /** What flows over each step of its supply tree. */
  supply: TreeFlow;
  /** Which loads the wiring keeps from running together. */
  exclusions: Exclusions;
  /** Where several fuses feed a wire or a load. */
  feeders: Feeders;
  /** What lies together in each route, by its id. */
  bundles: Map<string, Bundle>;
  /** What each wire meets on its way. */
  exposures: Map<string, Exposure>;
  /** The worst first. */
  findings: Finding[];
  /** Resistances on the way to and from a short, by node of the trees. */
  short: ShortPaths;
  /** What the next analysis may take over. */
  carried: Carried;
}

export interface LoadAnalysis {
  id: string;
  load: Load;
  draw: LoadDraw;
  circuitId: string | null;
  /** Whether the load's minus finds its way back to the battery. */
  returned: boolean;
  supplyDropV: number;
  returnDropV: number;
  /** Volts lost between the point drop is counted from and the last piece of the load. */
  dropV: number;
  dropPercent: number;
  dailyHours: number;
  dailyWh: number;
  dailyAh: number;
}

/** One step of a run, in order from the battery to the load. */
export type RunStep =
  | { kind: 'wire'; wireId: string; lengthMm: number; conductor: ConductorSize; amps: number; dropV: number; shared: boolean }
  | { kind: 'joint'; dropV: number; shared: boolean }
  | { kind: 'device'; deviceId: string; deviceKind: Device['kind']; shared: boolean };

export interface CircuitAnalysis extends Demand {
  id: string;
  number: number;
  name: string;
  zoneId: string | null;
  loadIds: string[];
  /** Loads its fuse feeds as well, which another circuit counts as its own. */
  secondWayIds: string[];
  /** Parts that take a current of their own from it, coils too. */
  partIds: string[];
  protectionId: string;
  ratingA: number;
  block: { id: string; slot: number } | null;
  /** Whether the protection is reached from the battery. */
  fed: boolean;
  /** The wires of this circuit alone. */
  supplyWireIds: string[];
  returnWireIds: string[];
  /** The thinnest conductor of the circuit's own wires. */
  conductor: ConductorSize | null;
  mixedConductors: boolean;
  /** The least of its wires' ampacities. */
  ampacity: Ampacity | null;
  worstLoadId: string | null;
  /** Battery to the worst load, and battery to that load's minus. */
  supplyRun: RunStep[];
  returnRun: RunStep[];
  /** Volts lost along the worst load's own row of pieces, supply and return together. */
  rowDropV: number;
  /** Length of conductor, out and back, that the drop is counted over, for the worst load. */
  loopMm: number;
  dropV: number;
  dropPercent: number;
  targetPercent: number;
  /** The drop over the same conductors by the standard's formula alone (null where it has none), and by the real cable alone. */
  formulaDropV: number | null;
  cableDropV: number;
  /** The part of the drop on conductors shared with other circuits, as far as it counts. */
  sharedDropV: number;
  /** The smallest conductor and fuse that would do for the circuit's own wires; null when none does. */
  choice: ConductorChoice | null;
  verdict: Severity | 'ok';
}

/** One wire as used. */
export interface WireAnalysis {
  wire: LaidWire;
  side: 'supply' | 'return';
  /** The circuit it belongs to; null for a wire shared by circuits, such as the main cable. */
  circuitId: string | null;
  /**
   * The nearest protection ahead of it: for a circuit's return the circuit's own. For a shared return, and for a lead with no fuse ahead of
   * it, the only fuse that holds it to `protectionA`; null where several add up.
   */
  protectionId: string | null;
  /**
   * What may flow in it for as long as no fuse opens, A: the protection's rating, or what all behind it or sending current home by it let
   * through together.
   */
  protectionA: number | null;
  /** The loads whose current a return shared by circuits takes home, or a lead with no fuse ahead of it brings; null for any other wire. */
  sharedBy: readonly string[] | null;
  /** The fuses that feed it, where there are several; null for any other wire. */
  fedBy: readonly string[] | null;
  /** The most that can flow in it at once. */
  amps: number;
  dropV: number;
  ampacity: Ampacity;
}

export interface SlotAnalysis {
  slot: number;
  protectionId: string | null;
  circuitId: string | null;
  ratingA: number | null;
  /** The most that flows in its fuse at once. */
  peakA: number;
  /** A second fuse in a tap. */
  tap: { protectionId: string; circuitId: string | null; ratingA: number; peakA: number; leg: TapLeg; metered: boolean } | null;
}

export interface BlockAnalysis extends Demand {
  id: string;
  slotMaxA: number;
  blockMaxA: number;
  fed: boolean;
  slots: SlotAnalysis[];
  spare: number;
}

export interface ZoneAnalysis extends Demand {
  id: string;
  name: string;
  loadCount: number;
  worstDropPercent: number | null;
  worstLoadId: string | null;
  dailyWh: number;
}

export interface MainAnalysis {
  protectionId: string;
  ratingA: number;
  /** The most that can flow through it at once. */
  peakA: number;
  continuousA: number;
}

/** The cables everything behind a first fuse block shares, out and back. */
export interface MainFeed {
  blockId: string;
  dropV: number;
  dropPercent: number;
  /** Those of them that lose anything. */
  wireIds: string[];
}

export interface Totals {
  connectedA: number;
  continuousA: number;
  /** The largest simultaneous current of any scenario; of the whole design while no scenario uses anything. */
  worstSimultaneousA: number;
  worstScenario: string | null;
  dailyWh: number;
  dailyAh: number;
  usableAh: number | null;
  runtimeH: number | null;
  /** Loads nobody has said any hours of: a day is no less, the runtime no more than it says. */
  withoutHours: number;
  worstDropPercent: number | null;
  worstDropCircuitId: string | null;
}

/** One fuse or breaker in the chain: what it may have to break, what a short behind it carries, and who opens first. */
export interface ProtectionAnalysis {
  id: string;
  fuse: Protection;
  /** The circuit it is the protection of; null for feeders. */
  circuitId: string | null;
  /** The circuit it lies in, as its protection or within it: a kit's own fuse. Null for feeders. */
  withinId: string | null;
  /** The most that flows through it at once, and for hours, A. */
  peakA: number;
  continuousA: number;
  /** The protection next ahead of it; null for the first. */
  upstreamId: string | null;
  /** Cable between the battery's positive and it, mm; null behind another protection. */
  leadMm: number | null;
  /** Greatest current of a dead short right at it, A: a new, full, cold system and no return counted. */
  atA: number;
  /** What it can break at this system's voltage, A. */
  breaksA: number;
  /**
   * Least current of a dead short at the far end of what it guards, A: worn battery, warm conductors; and where that is. Null with nothing
   * behind it.
   */
  endA: number | null;
  endId: string | null;
  /** Soonest and latest it ends that, s. */
  endClears: { leastS: number; longestS: number } | null;
  /** Up to this fault current it surely opens before the one ahead, A; null for the first. */
  selectiveToA: number | null;
  /** The guarded wire that suffers most from a fault ended within 5 s, and the share of its endurance used up; over 1 it is spoilt. */
  heat: { wireId: string; share: number } | null;
  /** The load whose start comes nearest to opening it: current with everything else running, how long, and the soonest it opens at that. */
  start: { loadId: string; amps: number; seconds: number; opensS: number } | null;
}

/**
 * Resistances a short circuit meets between the battery's terminals and each node, ohm. Figures alone: the next analysis is handed them,
 * and a function would hold on to the analysis it was made in.
 */
export interface ShortPaths {
  /** Supply side, cold and with no contact counted: for the greatest current. */
  cold: Float64Array;
  /** Both sides at the end of a working day, with every contact: for the least. */
  warm: Float64Array;
  warmBack: Float64Array;
  /** The wires alone on the way out, warm, with their ends: what as long a way back would have. */
  warmWires: Float64Array;
}
