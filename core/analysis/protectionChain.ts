import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import type { Protection } from '../design/schema';
import { clearingS, damageS } from '../sizing/coordination';
import type { Analysis, ProtectionAnalysis } from './types';

/** What a time-current chart of one protection shows: it and those ahead of it, its thinnest wire, its faults and its hardest start. */
export interface ProtectionChain {
  /** From this one outwards to the battery. */
  links: ProtectionAnalysis[];
  /** The guarded wire that stands least. */
  wire: { id: string; conductor: ConductorSize } | null;
  insulationC: number;
  /** Bounds of what is worth looking at, A. */
  fromA: number;
  toA: number;
}

export function chainOf({ protections, wires, index }: Analysis, protectionId: string): ProtectionChain | null {
  const links: ProtectionAnalysis[] = [];
  for (let id: string | null = protectionId; id !== null; id = links.at(-1)!.upstreamId) {
    const link = protections.get(id);
    if (!link || links.includes(link)) break;
    links.push(link);
  }
  if (links.length === 0) return null;
  let thinnest: ProtectionChain['wire'] = null;
  for (const { wire, side, sharedBy, protectionId: guard } of wires.values()) {
    // A lead before it is spared an overload by it, not a short.
    if (guard !== protectionId || (side === 'supply' && sharedBy)) continue;
    if (!thinnest || areaMm2(wire.conductor) < areaMm2(thinnest.conductor)) thinnest = { id: wire.id, conductor: wire.conductor };
  }
  return {
    links,
    wire: thinnest,
    insulationC: index.settings.insulationC,
    fromA: links[0]!.fuse.ratingA,
    toA: Math.max(...links.map(({ atA }) => atA)) * 1.2,
  };
}

/** The gates of one fuse over a range of currents, log-spaced: amperes with the soonest and the latest opening, s. */
export function gateBand(fuse: Protection, fromA: number, toA: number, points = 80): { amps: number; leastS: number; longestS: number }[] {
  const start = Math.max(fromA, fuse.ratingA * 1.1);
  if (start >= toA) return [];
  return Array.from({ length: points }, (_, at) => {
    const amps = start * (toA / start) ** (at / (points - 1));
    return { amps, ...clearingS(fuse, amps) };
  });
}

/** How long the chain's wire stands a current, s, where the limit holds; null with no wire. */
export function chainDamageS({ wire, insulationC }: ProtectionChain, amps: number): number | null {
  return wire && damageS(areaMm2(wire.conductor), insulationC, amps);
}

/** Every protection in the order of the tree, each with how deep it lies: feeders before what they feed. */
export function protectionTree({ protections, circuits }: Analysis): { entry: ProtectionAnalysis; depth: number }[] {
  const number = new Map(circuits.map((circuit) => [circuit.protectionId, circuit.number]));
  const behind = new Map<string | null, ProtectionAnalysis[]>();
  for (const entry of protections.values()) {
    const list = behind.get(entry.upstreamId);
    if (list) list.push(entry);
    else behind.set(entry.upstreamId, [entry]);
  }
  const rows: { entry: ProtectionAnalysis; depth: number }[] = [];
  const walk = (id: string | null, depth: number) => {
    const list = (behind.get(id) ?? []).sort((a, b) => (number.get(a.id) ?? 0) - (number.get(b.id) ?? 0));
    for (const entry of list) {
      rows.push({ entry, depth });
      walk(entry.id, depth + 1);
    }
  };
  walk(null, 0);
  return rows;
}
