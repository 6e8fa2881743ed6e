import type { Design } from '../design/design';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { sameRecord } from '../design/change';
import type { DesignRecord, Device, Wire } from '../design/schema';
import { kindOf } from '../devices';
import { loadDraw, type LoadDraw } from '../devices/load';
import { findExclusions, type Exclusions } from '../network/exclusion';
import { findFeeders, type Feeders } from '../network/feeders';
import { isReturnJunction, treeDemand, treeFlow, type TreeFlow } from '../network/flow';
import { hangingOn, type Hanging } from '../network/hanging';
import { retraceWiring, traceWiring, type Wiring } from '../network/wiring';
import { countsAsLoaded, gatherBundles, loadedTogether, mostTogether, type Bundle } from '../rig/bundles';
import { exposures, type Exposure } from '../rig/exposure';
import type { Ampacity } from '../sizing/ampacity';
import { endsOhmOf } from '../catalog/cable';
import { conductorTables, type ConductorTables } from './conductorTables';
import { standingFrom, type Standing } from './standing';
import type { Analysis } from './types';

/** What every part of the analysis shares while one design is being analysed. */
export interface AnalysisContext {
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
  exposureOf(wire: Wire): Exposure;
  /** Loaded conductors laid together with a wire, itself among them, where most lie; nothing for a wire that lies by itself. */
  loadedTogether: ReadonlyMap<string, number>;
  loadedAround(wire: Wire): number;
  bundles: Map<string, Bundle>;
  /** What may be taken over from the analysis before; null where nothing may. */
  standing: Standing | null;
}

export function makeContext(design: Design, previous: Analysis | null): AnalysisContext {
  const index = indexDesign(design);
  const { settings } = index;
  const before = previous && { records: previous.design.records, wires: previous.index.wires };
  const retraced = before && retraceWiring(previous.wiring, before, { records: design.records, wires: index.wires });
  const wiring = retraced?.wiring ?? traceWiring(index);
  const hanging = hangingOn(wiring, index);
  const tables = conductorTables(settings);
  const exclusions = exclusionsOf(index, wiring, previous, retraced?.changed ?? null);
  const feeders = feedersOf(index, wiring, previous, retraced?.changed ?? null);
  const { draws, demand } = whatLoadsAsk(index, wiring, exclusions, retraced && previous);
  const circuitProtections = new Set(index.circuits.map((circuit) => circuit.protectionId));
  const endsOhm = endsOhmOf(settings);
  const resistance = (wire: Wire) => tables.ohmPerM(wire.conductor);
  const startsReturn = (id: string) => isReturnJunction(id, index.devices.get(id)?.kind);
  const supply = treeFlow(wiring.supply, demand.supply, resistance, (id) => circuitProtections.has(id), endsOhm);
  const returns = treeFlow(wiring.return, demand.return, resistance, startsReturn, endsOhm);
  const met = exposures(index, previous);
  const exposureOf = (wire: Wire) => met.get(wire.id)!;
  const { bundles, together } = whatLiesTogether(index, tables, met, () => wireAmps(wiring, supply, returns));
  const loadedAround = (wire: Wire) => together.get(wire.id) ?? 1;
  const context: AnalysisContext = {
    ...{ index, wiring, hanging, draws, exclusions, feeders, supply, returns, bundles, exposures: met, exposureOf },
    ...{ loadedTogether: together, loadedAround, standing: null },
    ohmPerM: ({ conductor }) => tables.ohmPerM(conductor),
    ampacityOf: (wire) => {
      const { ambientC, engineSpace } = exposureOf(wire);
      return tables.ampacity(wire.conductor, ambientC, engineSpace, loadedAround(wire));
    },
  };
  if (retraced && previous.index.settings === settings && previous.exclusions === exclusions) {
    const old = { ...previous.memo, index: previous.index, wiring: previous.wiring, exposures: previous.exposures };
    context.standing = standingFrom(old, context, retraced.changed, hanging);
  }
  return context;
}

/** What each load draws, and what that asks of every step; the same as before while no load has changed and the trees stand. */
function whatLoadsAsk(index: DesignIndex, wiring: Wiring, exclusions: Exclusions, standing: Analysis | null) {
  const { loads, devices, ownCurrents } = index;
  const sameParts = standing && sameRecord([...standing.index.ownCurrents], [...index.ownCurrents]);
  if (standing && sameParts && standing.exclusions === exclusions && loads.every((load, at) => load === standing.index.loads[at])) {
    const { draws, supply, returns } = standing.memo;
    return { draws, demand: { supply: supply.demand, return: returns.demand } };
  }
  const draws = new Map(loads.map((load) => [load.id, loadDraw(load)]));
  const loadOn = (wanted: 'plus' | 'minus') => (deviceId: string, terminal: string) => {
    const own = ownCurrents.get(deviceId);
    if (own) return own.ends.includes(terminal) ? { amps: own.amps, continuous: true, side: null } : null;
    const device = terminal === wanted ? devices.get(deviceId) : undefined;
    if (device?.kind !== 'load') return null;
    return { amps: draws.get(device.id)!.amps, continuous: device.continuous, side: exclusions.sides.get(device.id) ?? null };
  };
  return { draws, demand: { supply: treeDemand(wiring.supply, loadOn('plus')), return: treeDemand(wiring.return, loadOn('minus')) } };
}

/** Which loads exclude each other: as before while nothing that works contacts, and no group, has changed. */
function exclusionsOf(index: DesignIndex, wiring: Wiring, previous: Analysis | null, changed: ReadonlySet<string> | null): Exclusions {
  const stands =
    previous !== null &&
    changed !== null &&
    [...changed].every((id) => worksAsBefore(previous.design.records.get(id), index.devices.get(id)));
  if (stands) return previous.exclusions;
  const found = findExclusions(index, wiring);
  return previous && sameRecord(plain(previous.exclusions), plain(found)) ? previous.exclusions : found;
}

function worksAsBefore(before: DesignRecord | undefined, now: Device | undefined): boolean {
  if (before?.type !== 'device' || !now) return before?.type !== 'settings';
  if (before.kind === 'load' && now.kind === 'load') return before.exclusiveGroup === now.exclusiveGroup;
  // Whatever its rating a fuse stays whole there, since time stands still.
  if (before.kind === 'protection' && now.kind === 'protection') return true;
  const { workedInUse, step } = kindOf(now);
  return !workedInUse && !step;
}

const plain = ({ sides, proven, unproven }: Exclusions) => [[...sides], [...proven], unproven];

/** Which wires several fuses feed: as before while no wire, fuse or changeover has changed. */
function feedersOf(index: DesignIndex, wiring: Wiring, previous: Analysis | null, changed: ReadonlySet<string> | null): Feeders {
  const stands = previous !== null && changed !== null && [...changed].every((id) => index.devices.get(id)?.kind === 'load');
  return stands && previous.index.wires.every((wire, at) => wire === index.wires[at]) ? previous.feeders : findFeeders(index, wiring);
}

/** What lies in each route, and how many loaded conductors lie beside each wire. */
function whatLiesTogether(
  index: DesignIndex,
  tables: ConductorTables,
  met: Map<string, Exposure>,
  flowing: () => ReadonlyMap<string, number>,
) {
  const { layout, settings } = index;
  if (layout.runs.size === 0 && index.cables.size === 0)
    return { bundles: gatherBundles(index, () => false), together: new Map<string, number>() };
  const crowd = mostTogether(layout);
  const amps = flowing();
  const loaded = new Set<string>();
  for (const { id, conductor } of index.wires) {
    const { ambientC, engineSpace } = met.get(id)!;
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
