import type { Design } from '../design/design';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { sameRecord } from '../design/change';
import type { Wire } from '../design/schema';
import { loadDraw, type LoadDraw } from '../devices/load';
import { findExclusions, type Exclusions } from '../network/exclusion';
import { findFeeders, type Feeders } from '../network/feeders';
import { isReturnJunction, treeDemand, treeFlow, type TreeFlow } from '../network/flow';
import { findHanging, type Hanging } from '../network/hanging';
import { retraceWiring, traceWiring } from '../network/traceWiring';
import type { Wiring } from '../network/wiring';
import { countsAsLoaded, gatherBundles, loadedTogether, mostTogether, type Bundle } from '../rig/bundles';
import type { LaidWire } from '../rig/layout';
import { exposures, type Exposure } from '../rig/exposure';
import type { Ampacity } from '../sizing/ampacity';
import { endsOhmOf } from '../catalog/cable';
import { slot, type Carried } from '../units/carried';
import type { Demand } from '../network/demand';
import { conductorTables, type ConductorTables } from './conductorTables';
import { marksOf, type Marks } from './marks';

/** What every part of the analysis shares while one design is being analysed. */
export interface AnalysisContext {
  /** What may be taken over from the analysis before, and what the next may take over from this. */
  carried: Carried;
  index: DesignIndex;
  wiring: Wiring;
  hanging: Hanging;
  supply: TreeFlow;
  returns: TreeFlow;
  draws: Map<string, LoadDraw>;
  exclusions: Exclusions;
  feeders: Feeders;
  ohmPerM(wire: Pick<Wire, 'conductor'>): number;
  ampacityOf(wire: Wire): Ampacity;
  exposures: Map<string, Exposure>;
  exposureOf(wire: Pick<Wire, 'id'>): Exposure;
  /** Loaded conductors laid together with a wire, itself among them, where most lie; nothing for a wire that lies by itself. */
  loadedTogether: ReadonlyMap<string, number>;
  loadedAround(wire: Wire): number;
  bundles: Map<string, Bundle>;
  marks: { supply: Marks; return: Marks };
}

const WIRING = slot<{ wiring: Wiring; records: Design['records']; wires: readonly LaidWire[] }>('wiring');
const HANGING = slot<Hanging>('hanging');
const TABLES = slot<ConductorTables>('conductor tables');
const OWN_CURRENTS = slot<DesignIndex['ownCurrents']>('own currents');
const EXCLUSIONS = slot<Exclusions>('exclusions');
const FEEDERS = slot<Feeders>('feeders');
const DRAWS = slot<Map<string, LoadDraw>>('draws');
const DEMAND = slot<{ supply: Demand[]; return: Demand[] }>('demand');

export function makeContext(design: Design, carried: Carried): AnalysisContext {
  const index = indexDesign(design, carried);
  const { settings } = index;
  const wiring = wiringOf(carried, design, index);
  // The trees' places, which stay while nothing is joined or parted.
  const joined = [wiring.supply.at, wiring.return.at];
  const hanging = carried.keep(HANGING, joined, () => findHanging(wiring, index));
  const tables = carried.keep(TABLES, [settings], () => conductorTables(settings));
  const exclusions = exclusionsOf(carried, index, wiring);
  const fixed = Array.from(index.devices.values()).filter(({ kind }) => kind !== 'load');
  const feeders = carried.keep(FEEDERS, [...joined, settings, ...index.wires, ...index.circuits, ...fixed], () =>
    findFeeders(index, wiring),
  );
  const draws = carried.keep(DRAWS, index.loads, () => new Map(index.loads.map((load) => [load.id, loadDraw(load)])));
  const demand = demandOf(carried, index, wiring, exclusions, draws);
  const circuitProtections = new Set(index.circuits.map((circuit) => circuit.protectionId));
  const endsOhm = endsOhmOf(settings);
  const resistance = (wire: Wire) => tables.ohmPerM(wire.conductor);
  const startsReturn = (id: string) => isReturnJunction(id, index.devices.get(id)?.kind);
  const supply = treeFlow(wiring.supply, demand.supply, resistance, (id) => circuitProtections.has(id), endsOhm);
  const returns = treeFlow(wiring.return, demand.return, resistance, startsReturn, endsOhm);
  const ofWires = exposures(index, carried);
  const exposureOf = (wire: Pick<Wire, 'id'>) => ofWires.get(wire.id)!;
  const { bundles, together } = whatLiesTogether(index, tables, ofWires, () => wireAmps(wiring, supply, returns));
  const loadedAround = (wire: Wire) => together.get(wire.id) ?? 1;
  return {
    ...{ carried, index, wiring, hanging, draws, exclusions, feeders, supply, returns, bundles, exposures: ofWires, exposureOf },
    ...{ loadedTogether: together, loadedAround },
    marks: marksOf({ carried, index, exclusions, wiring, supply, returns, exposures: ofWires, loadedTogether: together }),
    ohmPerM: ({ conductor }) => tables.ohmPerM(conductor),
    ampacityOf: (wire) => {
      const { ambientC, engineSpace } = exposureOf(wire);
      return tables.ampacity(wire.conductor, ambientC, engineSpace, loadedAround(wire));
    },
  };
}

/** The wiring, its trees as they were but for the wires where nothing was joined or parted. */
function wiringOf(carried: Carried, { records }: Design, index: DesignIndex): Wiring {
  const { wires } = index;
  return carried.keep(WIRING, [records, ...wires], (was) => {
    const retraced = was && retraceWiring(was.answer.wiring, was.answer, { records, wires }, index);
    return { wiring: retraced ?? traceWiring(index), records, wires };
  }).wiring;
}

/** What each load and part asks of every step. */
function demandOf(carried: Carried, index: DesignIndex, wiring: Wiring, exclusions: Exclusions, draws: ReadonlyMap<string, LoadDraw>) {
  const { devices } = index;
  const ownCurrents = carried.steady(OWN_CURRENTS, index.ownCurrents, (was, now) => sameRecord([...was], [...now]));
  const inputs = [wiring.supply.at, wiring.return.at, exclusions, draws, ownCurrents, ...index.loads];
  return carried.keep(DEMAND, inputs, () => {
    const loadOn = (wanted: 'plus' | 'minus') => (deviceId: string, terminal: string) => {
      const own = ownCurrents.get(deviceId);
      if (own) return own.ends.includes(terminal) ? { amps: own.amps, continuous: true, side: null } : null;
      const device = terminal === wanted ? devices.get(deviceId) : undefined;
      if (device?.kind !== 'load') return null;
      return { amps: draws.get(device.id)!.amps, continuous: device.continuous, side: exclusions.sides.get(device.id) ?? null };
    };
    return { supply: treeDemand(wiring.supply, loadOn('plus')), return: treeDemand(wiring.return, loadOn('minus')) };
  });
}

/**
 * Which loads exclude each other: asked of the groups that loads are said to be in, and of all that leads to them, since a relay pulls in
 * by the volts that reach it.
 */
function exclusionsOf(carried: Carried, index: DesignIndex, wiring: Wiring): Exclusions {
  // Of loads it asks where they are alone; a fuse stays whole whatever its rating, since time stands still.
  const leads = Array.from(index.devices.values()).filter(({ kind }) => kind !== 'load' && kind !== 'protection');
  const groups = index.loads.map(({ exclusiveGroup }) => exclusiveGroup);
  const inputs = [wiring.supply.at, wiring.return.at, index.settings, ...index.wires, ...leads, ...groups];
  return carried.keepEach(EXCLUSIONS, 'all', inputs, () => findExclusions(index, wiring), (was, now) => sameRecord(plain(was), plain(now))); // prettier-ignore
}

const plain = ({ sides, proven, unproven }: Exclusions) => [[...sides], [...proven], unproven];

/** What lies in each route, and how many loaded conductors lie beside each wire. */
function whatLiesTogether(
  index: DesignIndex,
  tables: ConductorTables,
  ofWires: Map<string, Exposure>,
  flowing: () => ReadonlyMap<string, number>,
) {
  const { layout, settings } = index;
  if (layout.runs.size === 0 && index.cables.size === 0)
    return { bundles: gatherBundles(index, () => false), together: new Map<string, number>() };
  const crowd = mostTogether(layout);
  const amps = flowing();
  const loaded = new Set<string>();
  for (const { id, conductor } of index.wires) {
    const { ambientC, engineSpace } = ofWires.get(id)!;
    const grouped = tables.ampacity(conductor, ambientC, engineSpace, crowd.get(id) ?? 1);
    if (countsAsLoaded(amps.get(id) ?? 0, grouped.amps)) loaded.add(id);
  }
  const isLoaded = (wireId: string) => loaded.has(wireId);
  const bundles = gatherBundles(index, isLoaded);
  return { bundles, together: settings.bundling === 'ignore' ? new Map<string, number>() : loadedTogether(bundles, layout, isLoaded) };
}

/** The most that can flow in each wire at once. */
function wireAmps(wiring: Wiring, supply: TreeFlow, returns: TreeFlow): Map<string, number> {
  const amps = new Map<string, number>();
  const add = ({ nodes }: Wiring['supply'], { demand }: TreeFlow) =>
    nodes.forEach(({ wire }, at) => {
      if (wire) amps.set(wire.id, demand[at]!.peakA);
    });
  add(wiring.supply, supply);
  add(wiring.return, returns);
  return amps;
}
