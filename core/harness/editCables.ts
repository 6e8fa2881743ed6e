import { coresOf, type CableMake } from '../catalog/cableMakes';
import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import type { Change } from '../design/change';
import type { Design } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Cable } from '../design/schema';
import type { DesignIndex } from '../rig/designIndex';
import type { HarnessWire } from './harnessWire';
import type { Harness } from './schedule';

/** Two wires that go the same way between the same two parts or places: one out, one home. */
export interface Pair {
  out: HarnessWire;
  home: HarnessWire;
}

/**
 * Pairs that could lie in one two-core cable: out and home of one load, as thick as each other, between the same two places, neither a core
 * yet.
 */
export function pairsOf({ devices, loads }: DesignIndex, { wires }: Harness): Pair[] {
  const placeOf = (deviceId: string) => {
    const device = devices.get(deviceId);
    const block = device?.kind === 'protection' && device.mount ? devices.get(device.mount.blockId) : device;
    return block?.placeId ?? deviceId;
  };
  const onLoad = new Map<string, HarnessWire[]>();
  for (const line of wires) for (const { deviceId } of [line.from, line.to]) onLoad.set(deviceId, [...(onLoad.get(deviceId) ?? []), line]);
  const farPlace = (line: HarnessWire, loadId: string) => placeOf(line.from.deviceId === loadId ? line.to.deviceId : line.from.deviceId);
  const taken = new Set<string>();
  return loads.flatMap((load): Pair[] => {
    const free = (onLoad.get(load.id) ?? []).filter(({ wire }) => !wire.core && !wire.kitId && !taken.has(wire.id));
    const pairs: Pair[] = [];
    for (const out of free.filter(({ role }) => role.duty !== 'return' && role.duty !== 'signal')) {
      const home = free.find(({ role, wire }) => role.duty === 'return' && wire.conductor === out.wire.conductor && !taken.has(wire.id));
      if (!home || farPlace(out, load.id) !== farPlace(home, load.id)) continue;
      taken.add(out.wire.id).add(home.wire.id);
      pairs.push({ out, home });
    }
    return pairs;
  });
}

/** The next free name of a cable: "W1", "W2". */
function freeName(design: Design): string {
  const names = new Set(Array.from(design.records.values(), (record) => (record.type === 'cable' ? record.name : '')));
  for (let number = 1; ; number++) if (!names.has(`W${number}`)) return `W${number}`;
}

/** A new cable of a make, all its cores free. */
export function addCable(edit: Edit, make: CableMake, conductor: ConductorSize): Cable {
  return edit.add({ id: newId('cab'), type: 'cable', name: freeName(edit.design), cores: coresOf(make, conductor) });
}

/** Each pair in a two-core cable of its own. */
export function layPairs(design: Design, pairs: readonly Pair[], make: 'twin' | 'twinYellow' | 'twinMains'): Change {
  const edit = new Edit(design);
  for (const { out, home } of pairs) {
    const cable = addCable(edit, make, out.wire.conductor);
    layIn(edit, out.wire.id, cable, 1);
    layIn(edit, home.wire.id, cable, 2);
  }
  return edit.change;
}

/**
 * Makes a wire a core: its colour is the core's from now on, its size too where the core is no thinner; a thinner one leaves the planned
 * size standing, and a finding says so. What was the core before is a wire by itself.
 */
export function layIn(edit: Edit, wireId: string, cable: Cable, at: number): void {
  for (const other of edit.design.records.values())
    if (other.type === 'wire' && other.core?.cableId === cable.id && other.core.at === at && other.id !== wireId) takeOut(edit, other.id);
  const wire = edit.design.records.get(wireId);
  const { conductor } = cable.cores[at - 1]!;
  const carries = wire?.type === 'wire' && areaMm2(conductor) >= areaMm2(wire.conductor) - 1e-9;
  const own = { core: { cableId: cable.id, at }, colour: undefined, stripe: undefined, sleeve: undefined };
  edit.set(wireId, carries ? { ...own, conductor } : own);
}

/** A wire by itself again, with no colour chosen. */
export function takeOut(edit: Edit, wireId: string): void {
  edit.set(wireId, { core: undefined, sleeve: undefined });
}
