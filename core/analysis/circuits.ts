import { RATINGS_A } from '../catalog/fuses';
import { areaMm2 } from '../catalog/conductorSizes';
import { hostOf, tapOn } from '../design/design';
import type { Circuit, Protection, Settings, Wire } from '../design/schema';
import { DemandSum } from '../energy/demand';
import { isReturnJunction, pathTo, rowAmpereMetres, rowEndAmperes, type TreeFlow } from '../network/flow';
import { terminalKey, type WiringTree } from '../network/wiring';
import { dropTargetOf } from '../sizing/dropTargets';
import { chooseConductor, sizesLike, type ConductorChoice } from '../sizing/conductorChoice';
import { fuseLimitA } from '../sizing/fuseLimit';
import { cableOhmPerM, endsOhmOf, formulaOhmPerM, hasFormula } from '../sizing/voltageDrop';
import type { AnalysisContext } from './analyse';
import type { CircuitAnalysis, CircuitMemo, LoadAnalysis, RunStep } from './types';

/** The wires of one circuit alone, found by following its loads back to the protection and to the first shared return. */
interface OwnWires {
  supply: Set<Wire>;
  return: Set<Wire>;
}

/** Every circuit, taken over from the memo of an earlier analysis where all it depends on is the same. */
export function analyseCircuits(
  context: AnalysisContext,
  loads: Map<string, LoadAnalysis>,
  before: CircuitMemo = new Map(),
): { circuits: CircuitAnalysis[]; memo: CircuitMemo } {
  const { index, wiring } = context;
  const loadsOf = new Map<string, LoadAnalysis[]>();
  const own = new Map<string, OwnWires>();
  for (const circuit of index.circuits) {
    loadsOf.set(circuit.id, []);
    own.set(circuit.id, { supply: new Set(), return: new Set() });
  }
  for (const entry of loads.values()) {
    if (entry.circuitId !== null) loadsOf.get(entry.circuitId)!.push(entry);
  }
  for (const { circuitId, wire, parent } of wiring.supply.nodes) {
    if (circuitId !== null && wire && parent >= 0) own.get(circuitId)!.supply.add(wire);
  }
  for (const entry of loads.values()) {
    if (entry.circuitId !== null) addReturnWires(context, entry.id, own.get(entry.circuitId)!.return);
  }
  const memo: CircuitMemo = new Map();
  const circuits = index.circuits.map((circuit) => {
    const circuitLoads = loadsOf.get(circuit.id)!;
    const wires = own.get(circuit.id)!;
    const inputs = inputsOf(context, circuit, circuitLoads, wires);
    const kept = before.get(circuit.id);
    const entry =
      kept && sameInputs(kept.inputs, inputs) ? kept : { inputs, circuit: analyseCircuit(context, circuit, circuitLoads, wires) };
    memo.set(circuit.id, entry);
    return entry.circuit;
  });
  return { circuits, memo };
}

/**
 * Everything a circuit's analysis reads: its records as objects, which never change in place, and the drops and currents
 * that reach it from the shared cables. Two equal lists give equal results.
 */
function inputsOf(context: AnalysisContext, circuit: Circuit, loads: LoadAnalysis[], own: OwnWires): unknown[] {
  const { index, wiring, supply, returns } = context;
  const protection = index.devices.get(circuit.protectionId) as Protection;
  const inputs: unknown[] = [index.settings, circuit, protection, protection.mount && index.devices.get(protection.mount.blockId)];
  inputs.push(hostOf(index, protection), tapOn(index, protection));
  for (const wire of own.supply) inputs.push(wire);
  for (const wire of own.return) inputs.push(wire);
  const fedAt = wiring.supply.at.get(terminalKey(protection.id, 'out'))!;
  inputs.push(fedAt < wiring.fedCount);
  const readPath = (tree: WiringTree, flow: TreeFlow, at: number | undefined) => {
    for (let step = at ?? -1; step >= 0; step = tree.nodes[step]!.parent) {
      const { wire, deviceId } = tree.nodes[step]!;
      inputs.push(wire, index.devices.get(deviceId), flow.demand[step]!.peakA, flow.dropV[step]);
    }
  };
  for (const { id, load } of loads) {
    inputs.push(load);
    readPath(wiring.supply, supply, wiring.supply.at.get(terminalKey(id, 'plus')));
    readPath(wiring.return, returns, wiring.return.at.get(terminalKey(id, 'minus')));
  }
  for (const zone of index.zones) inputs.push(zone);
  for (const wire of [...own.supply, ...own.return]) {
    const { ambientC, engineSpace } = context.exposureOf(wire);
    inputs.push(ambientC, engineSpace, context.loadedAround(wire));
  }
  return inputs;
}

function sameInputs(a: readonly unknown[], b: readonly unknown[]): boolean {
  return a.length === b.length && a.every((value, at) => Object.is(value, b[at]));
}

function analyseCircuit(context: AnalysisContext, circuit: Circuit, loads: LoadAnalysis[], own: OwnWires): CircuitAnalysis {
  const { index, wiring } = context;
  const { settings } = index;
  const protection = index.devices.get(circuit.protectionId) as Protection;
  const sum = new DemandSum();
  for (const { draw, load } of loads) sum.addLoad({ amps: draw.amps, continuous: load.continuous, exclusiveGroup: load.exclusiveGroup });
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
    ...sum.demand(),
    protectionId: protection.id,
    ratingA: protection.ratingA,
    block: protection.mount && { id: protection.mount.blockId, slot: protection.mount.slot },
    fed: at !== undefined && at < wiring.fedCount,
    supplyWireIds: Array.from(own.supply, ({ id }) => id),
    returnWireIds: Array.from(own.return, ({ id }) => id),
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

function addReturnWires(context: AnalysisContext, loadId: string, into: Set<Wire>): void {
  const { wiring, index } = context;
  let at = wiring.return.at.get(terminalKey(loadId, 'minus')) ?? -1;
  while (at >= 0) {
    const { wire, deviceId, parent } = wiring.return.nodes[at]!;
    const kind = index.devices.get(deviceId)?.kind;
    if (kind === 'groundPoint' || isReturnJunction(deviceId, kind)) return;
    if (wire) into.add(wire);
    at = parent;
  }
}

/** The smallest uniform conductor and fuse for a circuit's own wires, with the shared part and the joints as they stand. */
function chooseForCircuit(
  context: AnalysisContext,
  sum: DemandSum,
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
  const met = wires.map(context.exposureOf);
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
      ambientC: Math.max(...met.map(({ ambientC }) => ambientC)),
      engineSpace: met.some(({ engineSpace }) => engineSpace),
      loaded: Math.max(...wires.map(context.loadedAround)),
    },
    drop: dropBasis(settings),
    cableForm: settings.cableForm,
    ratings: RATINGS_A[protection.family].filter((rating) => rating <= mostA),
    sizes: sizesLike(settings.conductorStandard, first.conductor),
  });
}

/** What a load's path costs in own conductor (ampere metres, both ways, its row included) and in volts that no resizing of it changes. */
function ownCost(
  { wiring, supply, returns, index }: AnalysisContext,
  { id, load, draw }: LoadAnalysis,
): { ampereMetres: number; fixedV: number } {
  const plus = wiring.supply.at.get(terminalKey(id, 'plus'));
  const minus = wiring.return.at.get(terminalKey(id, 'minus'));
  const countShared = index.settings.dropFrom === 'battery';
  const side = (flow: TreeFlow, at: number | undefined) =>
    at === undefined
      ? { ampereMetres: 0, fixedV: 0 }
      : { ampereMetres: flow.ampereMetres[at]!, fixedV: flow.jointDropV[at]! + (countShared ? flow.commonDropV[at]! : 0) };
  const out = side(supply, plus);
  const back = side(returns, minus);
  const poles = minus === undefined ? 1 : 2;
  const row = rowAmpereMetres(draw.amps, load.quantity, load.spacingMm) * poles;
  const rowEndsV = rowEndAmperes(draw.amps, load.quantity, load.spacingMm) * endsOhmOf(index.settings) * poles;
  return { ampereMetres: out.ampereMetres + back.ampereMetres + row, fixedV: out.fixedV + back.fixedV + rowEndsV };
}

function describeRun(context: AnalysisContext, { id, load, draw }: LoadAnalysis) {
  const { index, wiring, supply, returns } = context;
  const { settings } = index;
  const plus = wiring.supply.at.get(terminalKey(id, 'plus'))!;
  const minus = wiring.return.at.get(terminalKey(id, 'minus'));
  const supplyRun = runSteps(context, wiring.supply, supply, plus);
  const returnRun = minus === undefined ? [] : runSteps(context, wiring.return, returns, minus);
  const rowMetres = rowAmpereMetres(draw.amps, load.quantity, load.spacingMm);
  const rowWires = [wiring.supply.nodes[plus]!.wire, minus === undefined ? null : wiring.return.nodes[minus]!.wire].filter(
    (wire) => wire !== null,
  );
  const rowMm = (load.quantity - 1) * load.spacingMm;
  const countShared = settings.dropFrom === 'battery';
  const counted = [...supplyRun, ...returnRun].filter((step) => countShared || !step.shared);
  const totals = { loopMm: rowWires.length * rowMm, formulaV: 0, cableV: 0, sharedV: 0 };
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
  const rowEndsV = rowEndAmperes(draw.amps, load.quantity, load.spacingMm) * endsOhmOf(settings);
  for (const wire of rowWires) {
    addWire(wire.conductor, rowMetres);
    totals.formulaV += rowEndsV;
    totals.cableV += rowEndsV;
  }
  return {
    supplyRun,
    returnRun,
    rowDropV: rowWires.reduce((sum, wire) => sum + rowMetres * context.ohmPerM(wire) + rowEndsV, 0),
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
