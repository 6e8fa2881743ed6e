import { hostOf, tapOn, type DesignIndex } from '../rig/designIndex';
import type { Protection } from '../design/schema';
import type { TreeFlow } from '../network/flow';
import type { Hanging } from '../network/hanging';
import type { Wiring, WiringTree } from '../network/wiring';
import type { Exposure } from '../rig/exposure';

/**
 * What stands as it did in the analysis before, so that what was made from it can be taken over. Only said while the settings are the
 * same and nothing was joined or parted.
 */
export interface Standing {
  /** By node: whether it and all ahead of it, to the battery, have the same devices, wires and currents, and so the same drops. */
  supply: Uint8Array;
  return: Uint8Array;
  /** Circuits of which nothing that their sizing reads has changed. */
  circuits: ReadonlySet<string>;
}

/** What the two analyses are compared by. */
export interface Compared {
  index: DesignIndex;
  wiring: Wiring;
  supply: TreeFlow;
  returns: TreeFlow;
  exposures: ReadonlyMap<string, Exposure>;
  loadedTogether: ReadonlyMap<string, number>;
}

export function standingFrom(before: Compared, now: Compared, changed: ReadonlySet<string>, hanging: Hanging): Standing {
  const supply = standingNodes(before.wiring.supply, before.supply, now.wiring.supply, now.supply, changed);
  const returns = standingNodes(before.wiring.return, before.returns, now.wiring.return, now.returns, changed);
  const wireStands = (id: string) =>
    before.exposures.get(id) === now.exposures.get(id) && before.loadedTogether.get(id) === now.loadedTogether.get(id);
  const nodesStand = (nodes: readonly number[], tree: WiringTree, stands: Uint8Array) =>
    nodes.every((at) => {
      const { wire } = tree.nodes[at]!;
      return stands[at] === 1 && (wire === null || wireStands(wire.id));
    });
  const circuits = new Set<string>();
  for (const circuit of now.index.circuits) {
    const own = hanging.circuits.get(circuit.id)!;
    if (changed.has(circuit.id) || slotChanged(now.index, circuit.protectionId, changed)) continue;
    if (nodesStand(own.supply, now.wiring.supply, supply) && nodesStand(own.return, now.wiring.return, returns)) circuits.add(circuit.id);
  }
  return { supply, return: returns, circuits };
}

function standingNodes(oldTree: WiringTree, old: TreeFlow, tree: WiringTree, flow: TreeFlow, changed: ReadonlySet<string>): Uint8Array {
  const stands = new Uint8Array(tree.nodes.length);
  for (let at = 0; at < stands.length; at++) {
    const { parent, wire, deviceId } = tree.nodes[at]!;
    if ((parent >= 0 && stands[parent] === 0) || wire !== oldTree.nodes[at]!.wire) continue;
    if (!changed.has(deviceId) && flow.demand[at]!.peakA === old.demand[at]!.peakA) stands[at] = 1;
  }
  return stands;
}

/** Whether a fuse, its block, or what shares its slot is not what it was. */
function slotChanged(index: DesignIndex, protectionId: string, changed: ReadonlySet<string>): boolean {
  if (changed.has(protectionId)) return true;
  const fuse = index.devices.get(protectionId) as Protection;
  if (!fuse.mount) return false;
  const beside = [fuse.mount.blockId, hostOf(index, fuse)?.id, tapOn(index, fuse)?.id];
  return beside.some((id) => id !== undefined && changed.has(id));
}
