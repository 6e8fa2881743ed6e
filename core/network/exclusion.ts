import type { DesignIndex } from '../rig/designIndex';
import type { Load } from '../design/schema';
import { kindOf } from '../devices';
import type { ControlState } from './controlState';
import type { Side } from './demand';
import { pathTo } from './ways';
import { Reach } from './reach';
import { terminalKey, thrownBetweenNodes, type Wiring, type WiringTree } from './wiring';

/**
 * Which loads the wiring keeps from running together. Loads behind different throws of one changeover contact do, by how it is made. What
 * was typed by hand ("never with") counts where no state that the controls can bring about lights two of them; otherwise their sum is
 * taken, and a finding says so.
 */
export interface Exclusions {
  /** Each load's side, where it has one. */
  sides: ReadonlyMap<string, Side>;
  /** What was typed and the wiring proves. */
  proven: ReadonlySet<string>;
  /** What was typed and it does not, with two loads that can run together. */
  unproven: readonly Unproven[];
}

/** What nothing excludes. */
export const NO_EXCLUSIONS: Exclusions = { sides: new Map(), proven: new Set(), unproven: [] };

export interface Unproven {
  group: string;
  loadIds: readonly [string, string];
  /** A state that lights both; null where not every state could be tried. */
  state: ControlState | null;
  /** The battery's volts it takes, where a rested one's do not do. */
  batteryV: number | null;
}

export function findExclusions(index: DesignIndex, wiring: Wiring): Exclusions {
  const byContact = sidesOfContacts(index, wiring);
  const groups = new Map<string, Load[]>();
  for (const load of index.loads)
    if (load.exclusiveGroup !== null && isWired(wiring, load.id))
      groups.set(load.exclusiveGroup, [...(groups.get(load.exclusiveGroup) ?? []), load]);
  const reach = groups.size > 0 ? new Reach(index, wiring) : null;
  const sides = new Map(byContact);
  const proven = new Set<string>();
  const unproven: Unproven[] = [];
  for (const [group, loads] of groups) {
    const pair = runTogether(reach!, byContact, loads);
    if (pair) {
      unproven.push({ group, ...pair });
      continue;
    }
    proven.add(group);
    // The contact they hang on says more where it parts all of them: it has other loads on its sides too.
    const choices = new Set(loads.map(({ id }) => byContact.get(id)?.choice ?? ''));
    if (choices.size !== 1 || choices.has('')) for (const { id } of loads) sides.set(id, { choice: `typed ${group}`, side: id });
  }
  return { sides, proven, unproven };
}

/** Two loads of a group that can run together, or may as far as was searched; null where none can. */
function runTogether(reach: Reach, byContact: ReadonlyMap<string, Side>, loads: readonly Load[]): Omit<Unproven, 'group'> | null {
  for (const [at, one] of loads.entries())
    for (const other of loads.slice(at + 1)) {
      const [a, b] = [byContact.get(one.id), byContact.get(other.id)];
      if (a && b && a.choice === b.choice && a.side !== b.side) continue;
      const reached = reach.everLit([one.id, other.id]);
      const loadIds = [one.id, other.id] as const;
      if (reached.kind === 'found') return { loadIds, state: reached.state, batteryV: reached.batteryV };
      if (reached.kind === 'unsearched') return { loadIds, state: null, batteryV: null };
    }
  return null;
}

/** What is not wired yet excludes nothing, and is no fault. */
function isWired({ supply, return: back, fedCount }: Wiring, loadId: string): boolean {
  return (supply.at.get(terminalKey(loadId, 'plus')) ?? Infinity) < fedCount && back.at.has(terminalKey(loadId, 'minus'));
}

/**
 * By load, the throw of the first changeover contact on its way from the battery. A contact that lies in a ring tells nothing, nor does one
 * that parts the battery from what has volts of its own: a second way may lead past it, or from its other throw.
 */
function sidesOfContacts(index: DesignIndex, { supply, faults, rings }: Wiring): Map<string, Side> {
  const sides = new Map<string, Side>();
  if (faults.length > 0) return sides;
  const inRings = new Set([...rings.flatMap(({ contacts }) => contacts), ...contactsToSources(index, supply)]);
  const of: (Side | null)[] = [];
  supply.nodes.forEach((node, at) => {
    const { deviceId, terminal, parent, wire } = node;
    const from = supply.nodes[parent];
    let side = of[parent] ?? null;
    const thrown = !side && from && wire === null ? thrownBetweenNodes(index, from, node) : null;
    if (thrown && !inRings.has(thrown.contact)) side = { choice: thrown.contact, side: thrown.position };
    of[at] = side;
    if (side && terminal === 'plus' && index.devices.get(deviceId)?.kind === 'load') sides.set(deviceId, side);
  });
  return sides;
}

/** The changeover contacts between the battery and whatever else has volts: the vehicle's own wires, a charger, the sun. */
function contactsToSources(index: DesignIndex, supply: WiringTree): string[] {
  return supply.nodes.flatMap(({ deviceId }, at) => {
    const device = index.devices.get(deviceId);
    if (!device || device.kind === 'battery' || !kindOf(device).liveBy) return [];
    const way = pathTo(supply, at);
    return way.slice(1).flatMap((step, before) => {
      const thrown = thrownBetweenNodes(index, supply.nodes[way[before]!]!, supply.nodes[step]!);
      return thrown ? [thrown.contact] : [];
    });
  });
}
