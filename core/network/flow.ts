import { DemandSum, type Demand, type DemandLoad } from './demand';
import type { Wire } from '../design/schema';
import { CHASSIS } from '../devices/groundPoint';
import type { WiringTree } from './wiring';

/** What flows over the step into each node of a wiring tree, and what is lost on the way there from the root. */
export interface TreeFlow {
  /** Demand of everything beyond the step. */
  demand: Demand[];
  /** Volts lost from the root to the node with all that can run at once running. */
  dropV: Float64Array;
  /** Volts lost from the root to the last branching point common to many circuits (bus bar or chassis) before the node. */
  commonDropV: Float64Array;
  /** Ampere metres of conductor from that point to the node. */
  ampereMetres: Float64Array;
  /** Volts lost in joints from that point to the node. */
  jointDropV: Float64Array;
}

/** Adds currents up from the leaves: what everything beyond each node asks for. `loadAt` gives the load hanging on a node, if any. */
export function treeDemand({ nodes }: WiringTree, loadAt: (deviceId: string, terminal: string) => DemandLoad | null): Demand[] {
  const sums = nodes.map(() => new DemandSum());
  for (let at = nodes.length - 1; at >= 0; at--) {
    const node = nodes[at]!;
    const load = loadAt(node.deviceId, node.terminal);
    if (load) sums[at]!.addLoad(load);
    if (node.parent >= 0) sums[node.parent]!.addSum(sums[at]!);
  }
  return sums.map((sum) => sum.demand());
}

/**
 * Adds drops down from the root: the drop over a step is its resistance times the largest current that can flow in it at once
 * (Ohm's law on a tree). `ohmPerM` gives the resistance of a wire, `endsOhm` what its two ends add; `startsRun` says where the
 * part shared by many circuits ends.
 */
export function treeFlow(
  { nodes }: WiringTree,
  demand: Demand[],
  ohmPerM: (wire: Wire) => number,
  startsRun: (deviceId: string) => boolean,
  endsOhm = 0,
): TreeFlow {
  const flow: TreeFlow = {
    demand,
    dropV: new Float64Array(nodes.length),
    commonDropV: new Float64Array(nodes.length),
    ampereMetres: new Float64Array(nodes.length),
    jointDropV: new Float64Array(nodes.length),
  };
  for (let at = 0; at < nodes.length; at++) {
    const { parent, wire, jointOhm, deviceId } = nodes[at]!;
    if (parent >= 0) {
      const amps = flow.demand[at]!.peakA;
      const metres = wire ? wire.lengthMm / 1000 : 0;
      // A wire without length is a contact, not two ends.
      const jointsOhm = wire ? (metres > 0 ? endsOhm : 0) : jointOhm;
      const stepV = amps * ((wire ? ohmPerM(wire) * metres : 0) + jointsOhm);
      flow.dropV[at] = flow.dropV[parent]! + stepV;
      flow.commonDropV[at] = flow.commonDropV[parent]!;
      flow.ampereMetres[at] = flow.ampereMetres[parent]! + amps * metres;
      flow.jointDropV[at] = flow.jointDropV[parent]! + amps * jointsOhm;
    }
    if (startsRun(deviceId)) {
      flow.commonDropV[at] = flow.dropV[at]!;
      flow.ampereMetres[at] = 0;
      flow.jointDropV[at] = 0;
    }
  }
  return flow;
}

/** Whether a device on the return side is where circuits come together. */
export function isReturnJunction(deviceId: string, kind: string | undefined): boolean {
  return kind === 'busBar' || kind === 'fuseBlock' || deviceId === CHASSIS.deviceId;
}

/**
 * Volts lost along a row of like lamps from the first to the last, one conductor: the current falls by one lamp's share
 * at each, so spacing times share times n (n - 1) / 2. Returned as ampere metres.
 */
export function rowAmpereMetres(totalA: number, quantity: number, spacingMm: number): number {
  return ((totalA * (quantity - 1)) / 2) * (spacingMm / 1000);
}

/** The same for the ends of the hops between them, as amperes to be multiplied by what a hop's two ends add. */
export function rowEndAmperes(totalA: number, quantity: number, spacingMm: number): number {
  return spacingMm > 0 ? (totalA * (quantity - 1)) / 2 : 0;
}
