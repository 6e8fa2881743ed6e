import { indexDesign, type Design, type DesignIndex } from '../design/design';
import type { Wire } from '../design/schema';
import { bankFacts } from '../energy/battery';
import { scenarioBudget, type ScenarioBudget } from '../energy/budget';
import { demandOf } from '../energy/demand';
import { idleSupply } from '../energy/idle';
import { loadDraw, type LoadDraw } from '../energy/draw';
import { findAll } from '../findings/findAll';
import { endsOhmOf } from '../sizing/voltageDrop';
import { isReturnJunction, rowAmpereMetres, rowEndAmperes, treeFlow, type TreeFlow } from '../network/flow';
import { retraceWiring, terminalKey, traceWiring, type Wiring } from '../network/wiring';
import { countsAsLoaded, gatherBundles, loadedTogether, mostTogether, type Bundle } from '../rig/bundles';
import { exposures, type Exposure } from '../rig/exposure';
import type { Ampacity } from '../sizing/ampacity';
import { analyseCircuits } from './circuits';
import { conductorTables } from './conductorTables';
import { analyseProtections } from './protections';
import { analyseMainFeeds } from './mainFeeds';
import { analyseBlocks, analyseMain, analyseWires } from './supply';
import type { Severity } from '../findings/types';
import type { Analysis, CircuitAnalysis, LoadAnalysis, Totals, ZoneAnalysis } from './types';

/** What every part of the analysis shares while one design is being analysed. */
export interface AnalysisContext {
  index: DesignIndex;
  wiring: Wiring;
  supply: TreeFlow;
  returns: TreeFlow;
  draws: Map<string, LoadDraw>;
  ohmPerM(wire: Pick<Wire, 'conductor'>): number;
  ampacityOf(wire: Wire): Ampacity;
  exposures: Map<string, Exposure>;
  exposureOf(wire: Wire): Exposure;
  /** Loaded conductors laid together with a wire, itself among them, where most lie. */
  loadedAround(wire: Wire): number;
  bundles: Map<string, Bundle>;
}

/**
 * Analyses a whole design. Pure; the same design gives the same result, with or without an earlier analysis, whose parts
 * are taken over where everything they were made from is the same.
 */
export function analyse(design: Design, previous: Analysis | null = null): Analysis {
  const index = indexDesign(design);
  const before = previous && { records: previous.design.records, wires: previous.index.wires };
  const carried = before && retraceWiring(previous.wiring, before, { records: design.records, wires: index.wires });
  const context = makeContext(index, carried ?? traceWiring(index), previous);
  const { scenarios, scenario } = budgets(index, context.draws, previous);
  const loads = analyseLoads(context, scenario, previous?.loads);
  const { circuits, memo } = analyseCircuits(context, loads, previous?.memo);
  const bank = index.battery ? bankFacts(index.battery) : null;
  const totals = totalsOf(loads, scenarios, scenario, bank?.usableAh ?? null);
  const analysis: Analysis = {
    design,
    index,
    loads,
    circuits,
    wires: analyseWires(context, circuits, previous?.wires),
    blocks: analyseBlocks(context),
    zones: analyseZones(index, loads),
    scenarios,
    scenario,
    bank,
    main: analyseMain(context),
    idle: idleSupply(index, totals.worstSimultaneousA),
    mainFeeds: analyseMainFeeds(context),
    protections: analyseProtections(context),
    bundles: context.bundles,
    exposures: context.exposures,
    totals,
    wiring: context.wiring,
    findings: [],
    memo,
  };
  analysis.findings = findAll(analysis);
  analysis.circuits = withVerdicts(analysis, previous);
  return analysis;
}

function makeContext(index: DesignIndex, wiring: Wiring, previous: Analysis | null): AnalysisContext {
  const { settings, devices } = index;
  const draws = new Map(index.loads.map((load) => [load.id, loadDraw(load)]));
  const tables = conductorTables(settings);
  const circuitProtections = new Set(index.circuits.map((circuit) => circuit.protectionId));
  const loadOn = (wanted: 'plus' | 'minus') => (deviceId: string, terminal: string) => {
    const device = terminal === wanted ? devices.get(deviceId) : undefined;
    if (device?.kind !== 'load') return null;
    return { amps: draws.get(device.id)!.amps, continuous: device.continuous, exclusiveGroup: device.exclusiveGroup };
  };
  const resistance = (wire: Wire) => tables.ohmPerM(wire.conductor);
  const endsOhm = endsOhmOf(settings);
  const met = exposures(index, previous);
  const exposureOf = (wire: Wire) => met.get(wire.id)!;
  const supply = treeFlow(wiring.supply, loadOn('plus'), resistance, (id) => circuitProtections.has(id), endsOhm);
  const returns = treeFlow(wiring.return, loadOn('minus'), resistance, (id) => isReturnJunction(id, devices.get(id)?.kind), endsOhm);
  const crowd = mostTogether(index.layout);
  const grouped = (wire: Wire) => {
    const { ambientC, engineSpace } = exposureOf(wire);
    return tables.ampacity(wire.conductor, ambientC, engineSpace, crowd.get(wire.id) ?? 1);
  };
  const amps = wireAmps(wiring, supply, returns);
  const loaded = new Set(index.wires.filter((wire) => countsAsLoaded(amps.get(wire.id) ?? 0, grouped(wire).amps)).map(({ id }) => id));
  const isLoaded = (wireId: string) => loaded.has(wireId);
  const bundles = gatherBundles(index, isLoaded);
  const together = settings.bundling === 'ignore' ? new Map<string, number>() : loadedTogether(bundles, index.layout, isLoaded);
  const loadedAround = (wire: Wire) => together.get(wire.id) ?? 1;
  return {
    index,
    wiring,
    draws,
    supply,
    returns,
    bundles,
    exposures: met,
    exposureOf,
    loadedAround,
    ohmPerM: ({ conductor }) => tables.ohmPerM(conductor),
    ampacityOf: (wire) => {
      const { ambientC, engineSpace } = exposureOf(wire);
      return tables.ampacity(wire.conductor, ambientC, engineSpace, loadedAround(wire));
    },
  };
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

function budgets(
  index: DesignIndex,
  draws: Map<string, LoadDraw>,
  previous: Analysis | null,
): { scenarios: ScenarioBudget[]; scenario: ScenarioBudget | null } {
  const scenarios =
    previous && sameUse(index, previous.index)
      ? previous.scenarios
      : index.scenarios.map((scenario) => scenarioBudget(scenario, index, draws, index.battery));
  const chosen = scenarios.find(({ id }) => id === index.settings.scenarioId) ?? scenarios[0] ?? null;
  return { scenarios, scenario: chosen };
}

/** Whether nothing that a scenario's budget is made from has changed. */
function sameUse(a: DesignIndex, b: DesignIndex): boolean {
  const same = (one: readonly unknown[], other: readonly unknown[]) =>
    one.length === other.length && one.every((part, at) => part === other[at]);
  return (
    a.battery === b.battery &&
    a.settings.nominalV === b.settings.nominalV &&
    same(a.loads, b.loads) &&
    same(a.duties, b.duties) &&
    same(a.scenarios, b.scenarios) &&
    same(a.zones, b.zones)
  );
}

function analyseLoads(
  context: AnalysisContext,
  scenario: ScenarioBudget | null,
  before: ReadonlyMap<string, LoadAnalysis> | undefined,
): Map<string, LoadAnalysis> {
  const { index, wiring, supply, returns, draws } = context;
  const fromBlock = index.settings.dropFrom === 'fuseBlock';
  const loads = new Map<string, LoadAnalysis>();
  for (const load of index.loads) {
    const draw = draws.get(load.id)!;
    const plus = wiring.supply.at.get(terminalKey(load.id, 'plus'));
    const minus = wiring.return.at.get(terminalKey(load.id, 'minus'));
    const counted = (flow: TreeFlow, at: number | undefined) =>
      at === undefined ? 0 : flow.dropV[at]! - (fromBlock ? flow.commonDropV[at]! : 0);
    const inRow = rowAmpereMetres(draw.amps, load.quantity, load.spacingMm);
    const endsV = rowEndAmperes(draw.amps, load.quantity, load.spacingMm) * endsOhmOf(index.settings);
    const rowDrop = (wire: Wire | null | undefined) => (wire ? inRow * context.ohmPerM(wire) + endsV : 0);
    const supplyDropV = counted(supply, plus) + rowDrop(plus === undefined ? null : wiring.supply.nodes[plus]!.wire);
    const returnDropV = counted(returns, minus) + rowDrop(minus === undefined ? null : wiring.return.nodes[minus]!.wire);
    const use = scenario?.loads.get(load.id);
    const dropV = supplyDropV + returnDropV;
    const entry: LoadAnalysis = {
      id: load.id,
      load,
      draw,
      circuitId: plus === undefined ? null : wiring.supply.nodes[plus]!.circuitId,
      returned: minus !== undefined,
      supplyDropV,
      returnDropV,
      dropV,
      dropPercent: (dropV / index.settings.nominalV) * 100,
      dailyHours: use?.hours ?? 0,
      dailyWh: use?.wattHours ?? 0,
      dailyAh: use?.ampHours ?? 0,
    };
    const kept = before?.get(load.id);
    loads.set(load.id, kept && saysTheSame(kept, entry) ? kept : entry);
  }
  return loads;
}

/** The draw of a load is made from its record alone, so equal records have equal draws. */
function saysTheSame(a: LoadAnalysis, b: LoadAnalysis): boolean {
  return (
    a.load === b.load &&
    a.circuitId === b.circuitId &&
    a.returned === b.returned &&
    a.supplyDropV === b.supplyDropV &&
    a.returnDropV === b.returnDropV &&
    a.dropPercent === b.dropPercent &&
    a.dailyHours === b.dailyHours &&
    a.dailyWh === b.dailyWh
  );
}

function analyseZones(index: DesignIndex, loads: Map<string, LoadAnalysis>): ZoneAnalysis[] {
  const byZone = new Map<string | null, LoadAnalysis[]>();
  for (const entry of loads.values()) {
    const inZone = byZone.get(entry.load.zoneId);
    if (inZone) inZone.push(entry);
    else byZone.set(entry.load.zoneId, [entry]);
  }
  return index.zones.map((zone) => {
    const here = byZone.get(zone.id) ?? [];
    const wired = here.filter((entry) => entry.circuitId !== null);
    const worst = wired.reduce<LoadAnalysis | null>((most, entry) => (most && most.dropPercent >= entry.dropPercent ? most : entry), null);
    return {
      id: zone.id,
      name: zone.name,
      ...demandOf(here.map(asDemand)),
      loadCount: here.length,
      worstDropPercent: worst?.dropPercent ?? null,
      worstLoadId: worst?.id ?? null,
      dailyWh: here.reduce((sum, entry) => sum + entry.dailyWh, 0),
    };
  });
}

function totalsOf(
  loads: Map<string, LoadAnalysis>,
  scenarios: ScenarioBudget[],
  scenario: ScenarioBudget | null,
  usableAh: number | null,
): Totals {
  const all = Array.from(loads.values());
  const demand = demandOf(all.map(asDemand));
  const heaviest = scenarios.reduce<ScenarioBudget | null>((most, next) => (next.peakA > (most?.peakA ?? 0) ? next : most), null);
  const wired = all.filter((entry) => entry.circuitId !== null);
  const worst = wired.reduce<LoadAnalysis | null>((most, entry) => (most && most.dropPercent >= entry.dropPercent ? most : entry), null);
  return {
    connectedA: demand.connectedA,
    continuousA: demand.continuousA,
    worstSimultaneousA: heaviest?.peakA ?? demand.peakA,
    worstScenario: heaviest?.name ?? null,
    dailyWh: scenario?.dailyWh ?? 0,
    dailyAh: scenario?.dailyAh ?? 0,
    usableAh,
    runtimeH: scenario?.runtimeH ?? null,
    worstDropPercent: worst?.dropPercent ?? null,
    worstDropCircuitId: worst?.circuitId ?? null,
  };
}

/** Each circuit with the worst of its findings as its verdict; the object of the previous analysis where it says the same. */
function withVerdicts({ circuits, findings }: Analysis, previous: Analysis | null): CircuitAnalysis[] {
  const worst = new Map<string, Severity>();
  for (const { circuitId, severity } of findings) {
    if (circuitId !== null && !worst.has(circuitId)) worst.set(circuitId, severity);
  }
  const before = new Map(previous?.circuits.map((circuit) => [circuit.id, circuit]));
  return circuits.map((circuit) => {
    const verdict = worst.get(circuit.id) ?? 'ok';
    const kept = before.get(circuit.id);
    if (kept && kept.verdict === verdict && previous!.memo.get(circuit.id)?.circuit === circuit) return kept;
    return { ...circuit, verdict };
  });
}

function asDemand({ load, draw }: LoadAnalysis) {
  return { amps: draw.amps, continuous: load.continuous, exclusiveGroup: load.exclusiveGroup };
}
