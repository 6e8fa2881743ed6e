import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { coresOf, type CableMake } from '../catalog/cableMakes';
import type { WireLook } from '../catalog/wireColours';
import type { Change } from '../design/change';
import type { Design } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Cable, CableCore, Wire } from '../design/schema';
import type { DesignIndex } from '../rig/designIndex';
import type { ColourSchool } from '../catalog/vocabulary';
import { poleOf } from './schools';
import type { RowLink } from './rowLinks';
import type { Harness, HarnessWire } from './schedule';

/** A cable with what its cores are. */
export interface CableRun {
  cable: Cable;
  cores: CoreUse[];
  /** Length it is cut to, that of its longest core, mm; nought while no wire is laid in it. */
  lengthMm: number;
  /** What of it goes on from piece to piece of a row, mm. */
  linkMm: number;
  /** What tells this cable from others in a shop. */
  make: string;
}

/** One core: the wire it is, none while it is free. */
export interface CoreUse {
  at: number;
  core: CableCore;
  line: HarnessWire | null;
  /** Why both its ends need a sleeve of another colour: its own says the other pole. Null where it does not, or has one. */
  misleads: 'live' | 'return' | null;
}

/** Every cable with its cores. */
export function cableRuns({ cables, settings }: DesignIndex, wires: readonly HarnessWire[], links: readonly RowLink[]): CableRun[] {
  const byCore = new Map(wires.flatMap((line) => (line.wire.core ? [[coreKey(line.wire.core), line] as const] : [])));
  return Array.from(cables.values(), (cable): CableRun => {
    const cores = cable.cores.map((core, position): CoreUse => {
      const at = position + 1;
      const line = byCore.get(coreKey({ cableId: cable.id, at })) ?? null;
      return { at, core, line, misleads: line && misleads(settings.colourSchool ?? 'pole', line) };
    });
    const lengthMm = Math.max(0, ...cores.map(({ line }) => line?.lengthMm ?? 0));
    // Out and home lie in the same piece of it.
    const rows = links.filter(({ cableId }) => cableId === cable.id).map((link) => [link.load.id, link.lengthMm * link.count] as const); // prettier-ignore
    const linkMm = Array.from(new Map(rows).values()).reduce((sum, mm) => sum + mm, 0);
    return { cable, cores, lengthMm, linkMm, make: makeKey(cable) };
  });
}

const coreKey = ({ cableId, at }: NonNullable<Wire['core']>) => `${cableId}/${at}`;

const makeKey = ({ cores }: Cable) => cores.map(({ conductor, colour, stripe = '' }) => `${conductor} ${colour}${stripe}`).join(', ');

/** What a wire's colour says against what it does, its sleeve counting before its insulation. Null where they agree or it has none. */
export function misleads(
  school: ColourSchool,
  { look, role, wire }: Pick<HarnessWire, 'look' | 'role' | 'wire'>,
): 'live' | 'return' | null {
  const said = wire.sleeve ?? look?.colour;
  return said === undefined ? null : poleOf(school, said, role);
}

/** The colour a wire has: that of its core, or its own. Null while it has none. */
export function lookOf({ core, colour, stripe }: Wire, cables: DesignIndex['cables']): WireLook | null {
  const inside = core && cables.get(core.cableId)?.cores[core.at - 1];
  if (inside) return { colour: inside.colour, ...(inside.stripe && { stripe: inside.stripe }) };
  return colour ? { colour, ...(stripe && { stripe }) } : null;
}

/** Two wires that go the same way between the same two parts or places: one out, one home. */
export interface Pair {
  out: HarnessWire;
  home: HarnessWire;
}

/** Pairs that could lie in one two-core cable: out and home of one load, as thick as each other, between the same two places, neither a core yet. */
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
 * Makes a wire a core: its colour is the core's from now on, its size too where the core is no thinner; a thinner one leaves the planned size standing, and a finding says so. What was the core before is a
 * wire by itself.
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

/** Whether a core is thinner than the wire that it is was sized. */
export function isTooThin({ core, line }: CoreUse): boolean {
  return line !== null && areaMm2(core.conductor) < areaMm2(line.wire.conductor) - 1e-9;
}
