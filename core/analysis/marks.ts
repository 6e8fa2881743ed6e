import { slot, type Carried } from '../units/carried';
import type { Circuit, Device, Protection, Settings, Wire } from '../design/schema';
import type { Demand } from '../network/demand';
import type { Exclusions } from '../network/exclusion';
import type { TreeFlow } from '../network/flow';
import type { Hanging } from '../network/hanging';
import type { Wiring, WiringTree } from '../network/wiring';
import { hostOf, tapOn, type DesignIndex } from '../rig/designIndex';
import type { Exposure } from '../rig/exposure';

/**
 * An object for each node of a tree, the same one for as long as the node and all ahead of it, to the battery, have the same devices, wires
 * laid in the same way beside as many others, and currents, under the same settings, and so the same drops. What is worked out on a way
 * names the mark of its end among what it is made from.
 */
export type Marks = readonly object[];

/** What the marks of a tree are made from. */
interface Marked {
  marks: Marks;
  tree: WiringTree;
  demand: readonly Demand[];
  devices: ReadonlyMap<string, Device>;
  exposures: ReadonlyMap<string, Exposure>;
  loadedTogether: ReadonlyMap<string, number>;
}

const SUPPLY = slot<Marked>('supply marks');
const RETURN = slot<Marked>('return marks');

/** An analysis on its way, with all that marks are made from. */
interface Marking extends Pick<Marked, 'exposures' | 'loadedTogether'> {
  carried: Carried;
  index: DesignIndex;
  exclusions: Exclusions;
  wiring: Wiring;
  supply: TreeFlow;
  returns: TreeFlow;
}

export function marksOf({ carried, index, exclusions, wiring, supply, returns, ...wires }: Marking): { supply: Marks; return: Marks } {
  const { settings, devices } = index;
  const of = (slotOf: typeof SUPPLY, tree: WiringTree, { demand }: TreeFlow) =>
    carried.keep(slotOf, [settings, exclusions, tree, demand, devices], (was) => {
      const [oldSettings, oldExclusions] = (was?.from ?? []) as [Settings, Exclusions];
      const old = was && oldSettings === settings && oldExclusions === exclusions ? was.answer : null;
      const now = { tree, demand, devices, exposures: wires.exposures, loadedTogether: wires.loadedTogether };
      return { marks: markNodes(now, old), ...now };
    }).marks;
  return { supply: of(SUPPLY, wiring.supply, supply), return: of(RETURN, wiring.return, returns) };
}

function markNodes(now: Omit<Marked, 'marks'>, old: Marked | null): Marks {
  const { nodes, at: places } = now.tree;
  // Only while nothing was joined or parted is a node where it was.
  if (!old || old.tree.at !== places) return nodes.map(() => ({}));
  const liesAsBefore = ({ id }: Wire) =>
    now.exposures.get(id) === old.exposures.get(id) && now.loadedTogether.get(id) === old.loadedTogether.get(id);
  const marks = new Array<object>(nodes.length);
  for (let at = 0; at < marks.length; at++) {
    const { parent, wire, deviceId } = nodes[at]!;
    const stands =
      (parent < 0 || marks[parent] === old.marks[parent]) &&
      wire === old.tree.nodes[at]!.wire &&
      now.demand[at]!.peakA === old.demand[at]!.peakA &&
      now.demand[at]!.continuousA === old.demand[at]!.continuousA &&
      now.devices.get(deviceId) === old.devices.get(deviceId) &&
      (wire === null || liesAsBefore(wire));
    marks[at] = stands ? old.marks[at]! : {};
  }
  return marks;
}

/** What a circuit hangs on. */
interface Around {
  index: DesignIndex;
  hanging: Hanging;
  marks: { supply: Marks; return: Marks };
}

/**
 * All that a circuit's sizing reads: its record, its fuse and what holds it, its wires with all between them and the battery, and the
 * battery, which may be on no way to it.
 */
export function circuitInputs({ index, hanging, marks }: Around, circuit: Circuit): unknown[] {
  const fuse = index.devices.get(circuit.protectionId) as Protection;
  const block = fuse.mount && index.devices.get(fuse.mount.blockId);
  const inputs: unknown[] = [circuit, fuse, block, hostOf(index, fuse), tapOn(index, fuse), index.battery];
  const { supplyEnds, returnEnds } = hanging.circuits.get(circuit.id)!;
  for (const at of supplyEnds) inputs.push(marks.supply[at]);
  for (const at of returnEnds) inputs.push(marks.return[at]);
  return inputs;
}
