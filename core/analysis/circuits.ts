import { RATINGS_A } from '../catalog/fuses';
import { areaMm2 } from '../catalog/conductorSizes';
import type { Circuit, Load, Protection, Settings, Wire } from '../design/schema';
import { DemandSum, type Demand } from '../network/demand';
import { isReturnJunction, type TreeFlow } from '../network/flow';
import { pathTo } from '../network/ways';
import { terminalKey, type WiringTree } from '../network/wiring';
import { dropTargetOf } from '../sizing/dropTargets';
import { chooseConductor, sizesLike, type ConductorChoice } from '../sizing/conductorChoice';
import { fuseLimitA } from '../sizing/fuseLimit';
import { formulaOhmPerM, hasFormula } from '../sizing/voltageDrop';
import { cableOhmPerM, endsOhmOf } from '../catalog/cable';
import { slot } from '../units/carried';
import type { AnalysisContext } from './context';
import { circuitInputs } from './marks';
import { rowDropV, rowPoles } from './rows';
import type { CircuitAnalysis, LoadAnalysis, RunStep } from './types';

/** The wires of one circuit alone. */
interface OwnWires {
  supply: Wire[];
  return: Wire[];
}

/** Every circuit before its verdict. */
export const CIRCUITS = slot<CircuitAnalysis>('circuits');

export function analyseCircuits(context: AnalysisContext, loads: ReadonlyMap<string, LoadAnalysis>): Map<string, CircuitAnalysis> {
  const { carried, index, wiring, hanging } = context;
  const wiresOf = ({ nodes }: WiringTree, own: readonly number[]) => {
    const wires: Wire[] = [];
    for (const at of own) if (nodes[at]!.wire) wires.push(nodes[at]!.wire);
    return wires;
  };
  const feedsTwice = new Set([...context.feeders.loads.values()].flat());
  const circuits = new Map<string, CircuitAnalysis>();
  for (const circuit of index.circuits) {
    // What a second way brings is in no tree, so the marks of the trees say nothing of it: it is like nothing before.
    const inputs = feedsTwice.has(circuit.protectionId) ? [{}] : circuitInputs(context, circuit);
    const analysed = carried.keepEach(CIRCUITS, circuit.id, inputs, () => {
      const { loadIds, partIds, ...own } = hanging.circuits.get(circuit.id)!;
      const wires = { supply: wiresOf(wiring.supply, own.supply), return: wiresOf(wiring.return, own.return) };
      const entries = loadIds.map((id) => loads.get(id)!);
      return analyseCircuit(context, circuit, entries, partIds, wires);
    });
    circuits.set(circuit.id, analysed);
  }
  return circuits;
}

function analyseCircuit(
  context: AnalysisContext,
  circuit: Circuit,
  loads: LoadAnalysis[],
  partIds: string[],
  own: OwnWires,
): CircuitAnalysis {
  const { index, wiring } = context;
  const { settings } = index;
  const protection = index.devices.get(circuit.protectionId) as Protection;
  const secondWayIds = secondWay(context, circuit, loads);
  const { sides } = context.exclusions;
  const all = new DemandSum();
  for (const { id, draw, load } of loads) all.addLoad({ amps: draw.amps, continuous: load.continuous, side: sides.get(id) ?? null });
  for (const id of secondWayIds) {
    const { continuous } = index.devices.get(id) as Load;
    all.addLoad({ amps: context.draws.get(id)!.amps, continuous, side: sides.get(id) ?? null });
  }
  for (const id of partIds) all.addLoad({ amps: index.ownCurrents.get(id)?.amps ?? 0, continuous: true, side: null });
  const sum = all.demand();
  const wires = [...own.supply, ...own.return];
  const thinnest = leastBy(wires, (wire) => areaMm2(wire.conductor));
  const weakest = leastBy(wires.map(context.ampacityOf), ({ amps }) => amps);
  const worst = loads.reduce<LoadAnalysis | null>((most, entry) => (most && most.dropV >= entry.dropV ? most : entry), null);
  const run = worst && describeRun(context, worst);
  const targetPercent = circuit.targetPercent ?? dropTargetOf(settings, circuit.dropClass);
  const at = wiring.supply.at.get(terminalKey(protection.id, 'out'));

  return {
    id: circuit.id,
    number: circuit.number,
    name: circuit.name,
    zoneId: circuit.zoneId,
    loadIds: loads.map(({ id }) => id),
    secondWayIds,
    partIds,
    ...sum,
    protectionId: protection.id,
    ratingA: protection.ratingA,
    block: protection.mount && { id: protection.mount.blockId, slot: protection.mount.slot },
    fed: at !== undefined && at < wiring.fedCount,
    supplyWireIds: own.supply.map(({ id }) => id),
    returnWireIds: own.return.map(({ id }) => id),
    conductor: thinnest?.conductor ?? null,
    mixedConductors: wires.some((wire) => wire.conductor !== thinnest?.conductor),
    ampacity: weakest,
    worstLoadId: worst?.id ?? null,
    supplyRun: run?.supplyRun ?? [],
    returnRun: run?.returnRun ?? [],
    rowDropV: run?.rowDropV ?? 0,
    loopMm: run?.loopMm ?? 0,
    dropV: worst?.dropV ?? 0,
    dropPercent: worst?.dropPercent ?? 0,
    targetPercent,
    formulaDropV: run?.formulaDropV ?? null,
    cableDropV: run?.cableDropV ?? 0,
    sharedDropV: run?.sharedDropV ?? 0,
    choice: worst && chooseForCircuit(context, sum, protection, loads, wires, targetPercent),
    verdict: 'ok',
  };
}

/** Loads that a circuit's fuse feeds as well and another circuit counts: each fuse must carry them by itself. */
function secondWay({ feeders }: AnalysisContext, { protectionId }: Circuit, loads: readonly LoadAnalysis[]): string[] {
  if (feeders.loads.size === 0) return [];
  return [...feeders.loads].flatMap(([loadId, fuseIds]) =>
    fuseIds.includes(protectionId) && !loads.some(({ id }) => id === loadId) ? [loadId] : [],
  );
}

/** The smallest uniform conductor and fuse for a circuit's own wires, with the shared part and the joints as they stand. */
function chooseForCircuit(
  context: AnalysisContext,
  sum: Demand,
  protection: Protection,
  loads: LoadAnalysis[],
  wires: readonly Wire[],
  targetPercent: number,
): ConductorChoice | null {
  const [first] = wires;
  if (!first) return null;
  const { settings } = context.index;
  const mostA = fuseLimitA(
    context.index,
    context.wiring,
    protection,
    loads.map(({ load }) => load),
  );
  const ofWires = wires.map(context.exposureOf);
  let ampereMetres = 0;
  let fixedV = 0;
  for (const entry of loads) {
    const cost = ownCost(context, entry);
    ampereMetres = Math.max(ampereMetres, cost.ampereMetres);
    fixedV = Math.max(fixedV, cost.fixedV);
  }
  return chooseConductor({
    continuousA: sum.continuousA,
    peakA: sum.peakA,
    ampereMetres,
    allowedDropV: (targetPercent / 100) * settings.nominalV - fixedV,
    conditions: {
      standard: settings.conductorStandard,
      insulationC: settings.insulationC,
      ambientC: Math.max(...ofWires.map(({ ambientC }) => ambientC)),
      engineSpace: ofWires.some(({ engineSpace }) => engineSpace),
      loaded: Math.max(...wires.map(context.loadedAround)),
    },
    drop: dropBasis(settings),
    cableForm: settings.cableForm,
    ratings: RATINGS_A[protection.family].filter((rating) => rating <= mostA),
    sizes: sizesLike(settings.conductorStandard, first.conductor),
  });
}

/** What a load's path costs in own conductor (ampere metres, both ways, its row included) and in volts that no resizing of it changes. */
function ownCost(context: AnalysisContext, { id, load }: LoadAnalysis): { ampereMetres: number; fixedV: number } {
  const { hanging, supply, returns, index } = context;
  const { plus, minus } = hanging.loads.get(id)!;
  const countShared = index.settings.dropFrom === 'battery';
  const side = (flow: TreeFlow, at: number | undefined) =>
    at === undefined
      ? { ampereMetres: 0, fixedV: 0 }
      : { ampereMetres: flow.ampereMetres[at]!, fixedV: flow.jointDropV[at]! + (countShared ? flow.commonDropV[at]! : 0) };
  const out = side(supply, plus);
  const back = side(returns, minus);
  const rows = rowPoles(context, load);
  const row = rows.reduce((sum, { ampereMetres }) => sum + ampereMetres, 0);
  const rowEndsV = rows.reduce((sum, { endAmperes }) => sum + endAmperes, 0) * endsOhmOf(index.settings);
  return { ampereMetres: out.ampereMetres + back.ampereMetres + row, fixedV: out.fixedV + back.fixedV + rowEndsV };
}

function describeRun(context: AnalysisContext, { id, load }: LoadAnalysis) {
  const { index, wiring, hanging, supply, returns } = context;
  const { settings } = index;
  const { plus, minus } = hanging.loads.get(id) as { plus: number; minus: number | undefined };
  const supplyRun = runSteps(context, wiring.supply, supply, plus);
  const returnRun = minus === undefined ? [] : runSteps(context, wiring.return, returns, minus);
  const rows = rowPoles(context, load);
  const rowMm = (load.quantity - 1) * load.spacingMm;
  const countShared = settings.dropFrom === 'battery';
  const counted = [...supplyRun, ...returnRun].filter((step) => countShared || !step.shared);
  const totals = { loopMm: rows.length * rowMm, formulaV: 0, cableV: 0, sharedV: 0 };
  const addWire = (conductor: Wire['conductor'], ampereMetres: number) => {
    totals.formulaV += ampereMetres * (formulaOhmPerM(conductor, settings.conductorStandard) ?? 0);
    totals.cableV += ampereMetres * cableOhmPerM(conductor, settings.conductorStandard, settings.conductorTemperatureC);
  };
  for (const step of counted) {
    if (step.kind === 'device') continue;
    if (step.shared) totals.sharedV += step.dropV;
    if (step.kind === 'wire') {
      totals.loopMm += step.lengthMm;
      addWire(step.conductor, (step.amps * step.lengthMm) / 1000);
      const endsV = step.lengthMm > 0 ? step.amps * endsOhmOf(settings) : 0;
      totals.formulaV += endsV;
      totals.cableV += endsV;
    } else {
      totals.formulaV += step.dropV;
      totals.cableV += step.dropV;
    }
  }
  for (const { wire, ampereMetres, endAmperes } of rows) {
    addWire(wire.conductor, ampereMetres);
    totals.formulaV += endAmperes * endsOhmOf(settings);
    totals.cableV += endAmperes * endsOhmOf(settings);
  }
  return {
    supplyRun,
    returnRun,
    rowDropV: rows.reduce((sum, pole) => sum + rowDropV(context, pole), 0),
    loopMm: totals.loopMm,
    formulaDropV: hasFormula(settings.conductorStandard) ? totals.formulaV : null,
    cableDropV: totals.cableV,
    sharedDropV: totals.sharedV,
  };
}

function runSteps({ index }: AnalysisContext, tree: WiringTree, flow: TreeFlow, at: number): RunStep[] {
  const path = pathTo(tree, at);
  const isOwn = ownFrom(tree, path, index.devices);
  const steps: RunStep[] = [];
  path.forEach((position, place) => {
    const { wire, deviceId, jointOhm, parent } = tree.nodes[position]!;
    const stepV = parent < 0 ? 0 : flow.dropV[position]! - flow.dropV[parent]!;
    const shared = place < isOwn;
    if (wire) {
      const { id: wireId, lengthMm, conductor } = wire;
      steps.push({ kind: 'wire', wireId, lengthMm, conductor, amps: flow.demand[position]!.peakA, dropV: stepV, shared });
    } else if (jointOhm > 0) steps.push({ kind: 'joint', dropV: stepV, shared });
    const device = index.devices.get(deviceId);
    const before = steps.findLast((step) => step.kind === 'device');
    if (device && (before?.kind !== 'device' || before.deviceId !== deviceId)) {
      steps.push({ kind: 'device', deviceId, deviceKind: device.kind, shared: place < isOwn });
    }
  });
  return steps;
}

/** Position in the path from which steps belong to the circuit alone: past its protection, or past the last shared return point. */
function ownFrom(tree: WiringTree, path: number[], devices: AnalysisContext['index']['devices']): number {
  const supplySide = tree.nodes[path.at(-1)!]!.terminal === 'plus';
  if (supplySide) {
    const first = path.findIndex((at) => tree.nodes[at]!.circuitId !== null);
    return first < 0 ? path.length : first;
  }
  const last = path.findLastIndex((at) => {
    const { deviceId } = tree.nodes[at]!;
    return isReturnJunction(deviceId, devices.get(deviceId)?.kind);
  });
  return last + 1;
}

function dropBasis(settings: Settings) {
  return { standard: settings.conductorStandard, basis: settings.dropBasis, conductorC: settings.conductorTemperatureC };
}

function leastBy<T>(list: readonly T[], measure: (entry: T) => number): T | null {
  let least: T | null = null;
  let leastValue = Infinity;
  for (const entry of list) {
    const value = measure(entry);
    if (least === null || value < leastValue) {
      least = entry;
      leastValue = value;
    }
  }
  return least;
}
