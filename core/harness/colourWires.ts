import { lookCode, type WireColour, type WireLook } from '../catalog/wireColours';
import type { ColourSchool } from '../catalog/vocabulary';
import type { Reel, TerminalRef, Wire } from '../design/schema';
import { terminalKey } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { lookOf } from './cables';
import { SCHOOLS } from './schools';
import type { WireRole } from './wireRoles';
import { kindOf } from '../devices';

/** Stripes in the order they are told apart best. Common practice. */
const STRIPES: readonly WireColour[] = ['WH', 'BK', 'YE', 'GN', 'BU', 'RD', 'BN', 'GY', 'OG', 'VT', 'PK', 'TQ'];

/** Looks a wire may have in a school, the usual one first. */
export function looksFor(school: ColourSchool, { duty, serves }: WireRole): WireLook[] {
  const plain = (duty === 'switched' && (serves === 'lamps' ? SCHOOLS[school].lamps : serves === 'motors' ? SCHOOLS[school].motors : null)) || SCHOOLS[school][duty]; // prettier-ignore
  const striped = plain.flatMap((colour) => STRIPES.filter((stripe) => stripe !== colour).map((stripe) => ({ colour, stripe })));
  return [...plain.map((colour) => ({ colour })), ...striped];
}

/** What costs more than a further stripe: a look that is on no reel so far. */
const NEW_REEL = 6;
/** What a reel at hand is worth. */
const IN_STOCK = -40;

/**
 * A look for every wire that has none and comes in no kit, the others standing as they are: no two that could be confused alike, reels at
 * hand first, then as few reels as may be. Where all looks of a school are taken beside a wire, the one met least often.
 */
export function colourWires(
  index: DesignIndex,
  roles: ReadonlyMap<string, WireRole>,
  school: ColourSchool,
  reels: readonly Reel[] = [],
): Map<string, WireLook> {
  const beside = confusedWith(index);
  const looks = new Map<string, WireLook>();
  const onReels = new Set(reels.map((reel) => `${reel.conductor} ${lookCode(reel)}`));
  const inUse = new Set<string>();
  const put = (wire: Wire, look: WireLook) => {
    looks.set(wire.id, look);
    inUse.add(`${wire.conductor} ${lookCode(look)}`);
  };
  const isGiven = ({ id }: Wire) => given.has(id);
  const given = new Map(
    index.wires.flatMap((wire) => {
      const look = lookOf(wire, index.cables);
      return look ? [[wire.id, look] as const] : [];
    }),
  );
  for (const wire of index.wires) if (isGiven(wire)) put(wire, given.get(wire.id)!);
  for (const wire of [...index.wires].sort((a, b) => beside.get(b.id)!.size - beside.get(a.id)!.size || (a.id < b.id ? -1 : 1))) {
    if (isGiven(wire) || wire.kitId) continue;
    const near = Array.from(beside.get(wire.id)!, (id) => looks.get(id)).flatMap((look) => (look ? [lookCode(look)] : []));
    let best: { look: WireLook; cost: number } | null = null;
    looksFor(school, roles.get(wire.id)!).forEach((look, at) => {
      const key = `${wire.conductor} ${lookCode(look)}`;
      const alike = near.filter((code) => code === lookCode(look)).length;
      const cost = at + alike * 1000 + (onReels.has(key) ? IN_STOCK : inUse.has(key) ? 0 : NEW_REEL);
      if (!best || cost < best.cost) best = { look, cost };
    });
    if (best) put(wire, (best as { look: WireLook }).look);
  }
  return new Map(index.wires.flatMap((wire) => (isGiven(wire) || wire.kitId ? [] : [[wire.id, looks.get(wire.id)!] as const])));
}

/**
 * For every wire, those that could be taken for it: on other terminals of the same device or fuse block, not one and the same joined
 * copper, and not told apart by a sheath, which has its cable's name.
 */
export function confusedWith(index: DesignIndex): Map<string, Set<string>> {
  const netOf = nets(index);
  const groups = new Map<string, Wire[]>();
  for (const wire of index.wires)
    for (const end of [wire.from, wire.to]) {
      const group = groupOf(index, end);
      if (group !== null) groups.set(group, [...(groups.get(group) ?? []), wire]);
    }
  const beside = new Map(index.wires.map(({ id }) => [id, new Set<string>()]));
  for (const wires of groups.values())
    for (const one of wires)
      for (const other of wires)
        if (one.id !== other.id && netOf.get(one.id) !== netOf.get(other.id) && one.core?.cableId === other.core?.cableId)
          beside.get(one.id)!.add(other.id);
  return beside;
}

/**
 * Where ends lie side by side and must be told apart: at one device, or at one block's slots; null at bars, joints, studs and holders,
 * where all are the same or there are but two.
 */
function groupOf({ devices, settings }: DesignIndex, { deviceId }: TerminalRef): string | null {
  const device = devices.get(deviceId);
  if (device?.kind === 'protection') return settings.blocksByLabel ? null : (device.mount?.blockId ?? null);
  return !device || kindOf(device).endsAlike ? null : deviceId;
}

/** Which wires are one copper: joined at a terminal, a bar or a splice. The number of the net by wire. */
function nets({ wires, devices }: DesignIndex): Map<string, string> {
  const parent = new Map<string, string>();
  const root = (key: string): string => {
    let at = key;
    while (parent.has(at)) at = parent.get(at)!;
    return at;
  };
  const point = ({ deviceId, terminal }: TerminalRef) => {
    const kind = devices.get(deviceId)?.kind;
    return kind === 'busBar' || kind === 'splice' || kind === 'groundPoint' ? deviceId : terminalKey(deviceId, terminal);
  };
  for (const { from, to } of wires) {
    const [a, b] = [root(point(from)), root(point(to))];
    if (a !== b) parent.set(a, b);
  }
  return new Map(wires.map(({ id, from }) => [id, root(point(from))]));
}
