import { sameRecord } from '../design/change';
import type { Design } from '../design/design';
import type { DesignIndex } from '../rig/designIndex';
import type { Wire } from '../design/schema';
import { bankFacts } from '../energy/battery';
import { scenarioBudget, type ScenarioBudget } from '../energy/budget';
import { demandOf, type DemandLoad } from '../network/demand';
import type { Exclusions } from '../network/exclusion';
import { idleSupply } from '../energy/idle';
import type { LoadDraw } from '../devices/load';
import { findAll } from './rules/findAll';
import type { TreeFlow } from '../network/flow';
import { rowDropV, rowPoles } from './rows';
import { analyseCircuits } from './circuits';
import { makeContext, type AnalysisContext } from './context';
import { analyseProtections } from './protections';
import { analyseMainFeeds } from './mainFeeds';
import { analyseBlocks, analyseMain, analyseWires } from './supply';
import type { Severity } from './finding';
import type { Analysis, CircuitAnalysis, LoadAnalysis, Totals, ZoneAnalysis } from './types';

/**
 * Analyses a whole design. Pure; the same design gives the same result, with or without an earlier analysis, whose parts
 * are taken over where everything they were made from is the same.
 */
export function analyse(design: Design, previous: Analysis | null = null): Analysis {
  const analysis = figuresOf(design, previous);
  analysis.findings = findAll(analysis);
  analysis.circuits = withVerdicts(analysis, previous);
  return analysis;
}

/** The same with its figures alone, nothing judged: no findings, and every circuit as if it had none. */
export function figuresOf(design: Design, previous: Analysis | null = null): Analysis {
  const context = makeContext(design, previous);
  const { index, draws, supply, returns } = context;
  const { scenarios, scenario } = budgets(index, draws, context.exclusions, previous);
  const loads = analyseLoads(context, scenario, previous?.loads);
  const circuits = analyseCircuits(context, loads, previous?.memo.circuits);
  const { short, protections } = analyseProtections(context, previous);
  const bank = index.battery ? bankFacts(index.battery) : null;
  const totals = totalsOf(context.exclusions, loads, scenarios, scenario, bank?.usableAh ?? null);
  return {
    design,
    index,
    loads,
    circuits: Array.from(circuits.values()),
    wires: analyseWires(context, circuits.values(), previous?.wires),
    blocks: analyseBlocks(context),
    zones: analyseZones(context, loads, scenario),
    scenarios,
    scenario,
    bank,
    main: analyseMain(context),
    idle: idleSupply(index, totals.worstSimultaneousA),
    mainFeeds: analyseMainFeeds(context),
    protections,
    bundles: context.bundles,
    exposures: context.exposures,
    totals,
    wiring: context.wiring,
    exclusions: context.exclusions,
    feeders: context.feeders,
    findings: [],
    memo: { circuits, draws, supply, returns, loadedTogether: context.loadedTogether, short },
  };
}

function budgets(
  index: DesignIndex,
  draws: Map<string, LoadDraw>,
  exclusions: Exclusions,
  previous: Analysis | null,
): { scenarios: ScenarioBudget[]; scenario: ScenarioBudget | null } {
  const scenarios =
    previous && previous.exclusions === exclusions && sameUse(index, previous.index)
      ? previous.scenarios
      : index.scenarios.map((scenario) => scenarioBudget(scenario, index, draws, index.battery, exclusions));
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
    sameRecord(a.ownDraws, b.ownDraws) &&
    sameRecord([...a.vehicleFed], [...b.vehicleFed]) &&
    sameRecord(a.coils, b.coils) &&
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
  const { index, wiring, hanging, supply, returns, draws, standing } = context;
  const fromBlock = index.settings.dropFrom === 'fuseBlock';
  const loads = new Map<string, LoadAnalysis>();
  for (const load of index.loads) {
    const draw = draws.get(load.id)!;
    const { plus, minus } = hanging.loads.get(load.id)!;
    const use = scenario?.loads.get(load.id);
    const kept = before?.get(load.id);
    const stands = standing && (plus === undefined || standing.supply[plus]) && (minus === undefined || standing.return[minus]);
    if (stands && kept?.load === load && kept.dailyHours === (use?.hours ?? 0) && kept.dailyWh === (use?.wattHours ?? 0)) {
      loads.set(load.id, kept);
      continue;
    }
    const counted = (flow: TreeFlow, at: number | undefined) =>
      at === undefined ? 0 : flow.dropV[at]! - (fromBlock ? flow.commonDropV[at]! : 0);
    const rows = rowPoles(context, load);
    const inRow = (side: Wire['role']) => rows.reduce((sum, pole) => sum + (pole.side === side ? rowDropV(context, pole) : 0), 0);
    const supplyDropV = counted(supply, plus) + inRow('supply');
    const returnDropV = counted(returns, minus) + inRow('return');
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

function analyseZones(
  { index, exclusions }: AnalysisContext,
  loads: Map<string, LoadAnalysis>,
  scenario: ScenarioBudget | null,
): ZoneAnalysis[] {
  const byZone = new Map<string | null, LoadAnalysis[]>();
  for (const entry of loads.values()) {
    const inZone = byZone.get(entry.load.zoneId);
    if (inZone) inZone.push(entry);
    else byZone.set(entry.load.zoneId, [entry]);
  }
  const drawnInZone = (zoneId: string) =>
    [...index.ownDraws, ...index.coils.map(({ part }) => part)].reduce(
      (sum, part) => (part.zoneId === zoneId ? sum + (scenario?.loads.get(part.id)?.wattHours ?? 0) : sum),
      0,
    );
  return index.zones.map((zone) => {
    const here = byZone.get(zone.id) ?? [];
    const wired = here.filter((entry) => entry.circuitId !== null);
    const worst = wired.reduce<LoadAnalysis | null>((most, entry) => (most && most.dropPercent >= entry.dropPercent ? most : entry), null);
    return {
      id: zone.id,
      name: zone.name,
      ...demandOf(here.map((entry) => asDemand(entry, exclusions))),
      loadCount: here.length,
      worstDropPercent: worst?.dropPercent ?? null,
      worstLoadId: worst?.id ?? null,
      dailyWh: here.reduce((sum, entry) => sum + entry.dailyWh, 0) + drawnInZone(zone.id),
    };
  });
}

function totalsOf(
  exclusions: Exclusions,
  loads: Map<string, LoadAnalysis>,
  scenarios: ScenarioBudget[],
  scenario: ScenarioBudget | null,
  usableAh: number | null,
): Totals {
  const all = Array.from(loads.values());
  const demand = demandOf(all.map((entry) => asDemand(entry, exclusions)));
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
    if (kept && kept.verdict === verdict && previous!.memo.circuits.get(circuit.id) === circuit) return kept;
    return { ...circuit, verdict };
  });
}

function asDemand({ load, draw }: LoadAnalysis, { sides }: Exclusions): DemandLoad {
  return { amps: draw.amps, continuous: load.continuous, side: sides.get(load.id) ?? null };
}
