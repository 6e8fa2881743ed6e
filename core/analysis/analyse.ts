import { Carried, slot } from '../units/carried';
import { sameRecord } from '../design/change';
import type { Design } from '../design/design';
import type { DesignIndex } from '../rig/designIndex';
import type { Load, Wire } from '../design/schema';
import { bankFacts } from '../energy/battery';
import { hoursUnsaid, scenarioBudget, type ScenarioBudget } from '../energy/budget';
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

const SCENARIOS = slot<ScenarioBudget[]>('scenarios');
const OWN_DRAWS = slot<readonly Load[]>('own draws');
const VEHICLE_FED = slot<ReadonlySet<string>>('vehicle fed');
const COILS = slot<DesignIndex['coils']>('coils');
const LOADS = slot<LoadAnalysis>('loads');
const JUDGED = slot<CircuitAnalysis>('circuits judged');

/**
 * Analyses a whole design. Pure; the same design gives the same result, with or without an earlier analysis, whose parts
 * are taken over where everything they were made from is the same.
 */
export function analyse(design: Design, previous: Analysis | null = null): Analysis {
  const analysis = workOut(design, previous);
  analysis.findings = findAll(analysis);
  analysis.circuits = withVerdicts(analysis);
  analysis.carried.close();
  return analysis;
}

/** The same with its figures alone, nothing judged: no findings, and every circuit as if it had none. */
export function figuresOf(design: Design, previous: Analysis | null = null): Analysis {
  const analysis = workOut(design, previous);
  analysis.carried.close();
  return analysis;
}

function workOut(design: Design, previous: Analysis | null): Analysis {
  const carried = new Carried(previous?.carried);
  const context = makeContext(design, carried);
  const { index, draws } = context;
  const { scenarios, scenario } = budgets(carried, index, draws, context.exclusions);
  const loads = analyseLoads(context, scenario);
  const circuits = analyseCircuits(context, loads);
  const { short, protections } = analyseProtections(context, circuits);
  const bank = index.battery ? bankFacts(index.battery) : null;
  const totals = totalsOf(context.exclusions, loads, scenarios, scenario, bank?.usableAh ?? null, hoursUnsaid(index).unsaid.length);
  return {
    design,
    index,
    loads,
    circuits: Array.from(circuits.values()),
    wires: analyseWires(context, circuits.values()),
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
    supply: context.supply,
    exclusions: context.exclusions,
    feeders: context.feeders,
    findings: [],
    short,
    carried,
  };
}

function budgets(
  carried: Carried,
  index: DesignIndex,
  draws: Map<string, LoadDraw>,
  exclusions: Exclusions,
): { scenarios: ScenarioBudget[]; scenario: ScenarioBudget | null } {
  const { battery, settings, loads, duties, zones } = index;
  const worksOut = [
    carried.steady(OWN_DRAWS, index.ownDraws, sameRecord),
    carried.steady(VEHICLE_FED, index.vehicleFed, (was, now) => sameRecord([...was], [...now])),
    carried.steady(COILS, index.coils, sameRecord),
  ];
  const inputs = [battery, settings.nominalV, exclusions, ...worksOut, ...loads, ...duties, ...index.scenarios, ...zones];
  const scenarios = carried.keep(SCENARIOS, inputs, () =>
    index.scenarios.map((scenario) => scenarioBudget(scenario, index, draws, battery, exclusions)),
  );
  const chosen = scenarios.find(({ id }) => id === settings.scenarioId) ?? scenarios[0] ?? null;
  return { scenarios, scenario: chosen };
}

function analyseLoads(context: AnalysisContext, scenario: ScenarioBudget | null): Map<string, LoadAnalysis> {
  const { carried, index, hanging, marks, exclusions } = context;
  const loads = new Map<string, LoadAnalysis>();
  for (const load of index.loads) {
    const { plus, minus } = hanging.loads.get(load.id)!;
    const { hours = 0, wattHours = 0, ampHours = 0 } = scenario?.loads.get(load.id) ?? {};
    const ends = [plus === undefined ? null : marks.supply[plus], minus === undefined ? null : marks.return[minus]];
    const inputs = [load, index.settings, exclusions, ...ends, hours, wattHours, ampHours];
    const make = () => analyseLoad(context, load, { dailyHours: hours, dailyWh: wattHours, dailyAh: ampHours });
    loads.set(load.id, carried.keepEach(LOADS, load.id, inputs, make, saysTheSame));
  }
  return loads;
}

function analyseLoad(context: AnalysisContext, load: Load, daily: Pick<LoadAnalysis, 'dailyHours' | 'dailyWh' | 'dailyAh'>): LoadAnalysis {
  const { index, wiring, hanging, supply, returns, draws } = context;
  const { plus, minus } = hanging.loads.get(load.id)!;
  const fromBlock = index.settings.dropFrom === 'fuseBlock';
  const counted = (flow: TreeFlow, at: number | undefined) =>
    at === undefined ? 0 : flow.dropV[at]! - (fromBlock ? flow.commonDropV[at]! : 0);
  const rows = rowPoles(context, load);
  const inRow = (side: Wire['role']) => rows.reduce((sum, pole) => sum + (pole.side === side ? rowDropV(context, pole) : 0), 0);
  const supplyDropV = counted(supply, plus) + inRow('supply');
  const returnDropV = counted(returns, minus) + inRow('return');
  const dropV = supplyDropV + returnDropV;
  return {
    id: load.id,
    load,
    draw: draws.get(load.id)!,
    circuitId: plus === undefined ? null : wiring.supply.nodes[plus]!.circuitId,
    returned: minus !== undefined,
    supplyDropV,
    returnDropV,
    dropV,
    dropPercent: (dropV / index.settings.nominalV) * 100,
    ...daily,
  };
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
    a.dailyWh === b.dailyWh &&
    a.dailyAh === b.dailyAh
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
  withoutHours: number,
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
    withoutHours,
    worstDropPercent: worst?.dropPercent ?? null,
    worstDropCircuitId: worst?.circuitId ?? null,
  };
}

/** Each circuit with the worst of its findings as its verdict. */
function withVerdicts({ carried, circuits, findings }: Analysis): CircuitAnalysis[] {
  const worst = new Map<string, Severity>();
  for (const { circuitId, severity } of findings) {
    if (circuitId !== null && !worst.has(circuitId)) worst.set(circuitId, severity);
  }
  return circuits.map((circuit) => {
    const verdict = worst.get(circuit.id) ?? 'ok';
    return carried.keepEach(JUDGED, circuit.id, [circuit, verdict], () => ({ ...circuit, verdict }));
  });
}

function asDemand({ load, draw }: LoadAnalysis, { sides }: Exclusions): DemandLoad {
  return { amps: draw.amps, continuous: load.continuous, side: sides.get(load.id) ?? null };
}
