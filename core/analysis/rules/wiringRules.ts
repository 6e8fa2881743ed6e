import { finding, type Finding } from '../finding';
import type { Analysis } from '../types';
import { kindOf } from '../../devices';
import { partedWays } from '../../network/ways';
import type { WiringTree } from '../../network/wiring';

/** Shorts, rings and loads whose current cannot come back. */
export function findWiring(analysis: Analysis): Finding[] {
  const { wiring, loads, index, feeders } = analysis;
  const found: Finding[] = [];
  for (const { deviceId, wireId, terminal } of wiring.faults) {
    const subjects = wireId === null ? [deviceId] : [deviceId, wireId];
    found.push({ rule: 'wiring.short', severity: 'fault', subjects, circuitId: null, numbers: { terminal } });
  }
  found.push(...secondFeeds(analysis));
  // A ring behind one fuse is a ring; one that joins two fuses is a second feed, which is said of what it feeds.
  for (const { side, wireId, ends, neverClosed } of wiring.rings) {
    const tree = wiring[side];
    const fuses = new Set(ends.map((at) => tree.nodes[at]!.protectionId));
    if (neverClosed || (side === 'supply' && fuses.size > 1 && feeders.loads.size > 0)) continue;
    const beside = sideBySide(analysis, tree, ends);
    if (beside) {
      found.push({ rule: 'wiring.sideBySide', severity: 'note', subjects: beside, circuitId: tree.nodes[ends[0]]!.circuitId, numbers: {} });
      continue;
    }
    // Where the body closes it, the ground point tells where.
    const subject = wireId ?? ends.map((at) => tree.nodes[at]!.deviceId).find((id) => index.devices.has(id))!;
    if (side === 'return') {
      found.push(twoWaysHome(analysis, subject, ends));
      continue;
    }
    found.push({ rule: 'wiring.loop', severity: 'caution', subjects: [subject], circuitId: null, numbers: {} });
  }
  for (const { id, circuitId, returned } of loads.values()) {
    if (circuitId !== null && !returned && index.battery) {
      found.push({ rule: 'wiring.noReturn', severity: 'fault', subjects: [id], circuitId, numbers: {} });
    }
  }
  return found;
}

/** Devices in the minus that a second way home goes past: what they count, or cut, is then not all. */
const GONE_PAST = new Set(['shunt', 'isolator', 'cutOut']);

/** Two ways home: worth knowing where each carries all, and more where one of them goes past what counts or cuts the current. */
function twoWaysHome({ wiring, index }: Analysis, subject: string, ends: readonly [number, number]): Finding {
  const { nodes } = wiring.return;
  const ways = partedWays(wiring.return, ends);
  const meets = ways.map((way, side) => (way.length > 0 ? nodes[way.at(-1)!]!.parent : ends[side]!));
  const round = new Set([...ways.flat(), ...meets].filter((at) => at >= 0));
  const terminals = Array.from(round, (at) => nodes[at]!.deviceId).filter((id) => GONE_PAST.has(index.devices.get(id)?.kind ?? ''));
  // Both its terminals are on the ring: the current goes through it, or round it.
  const past = terminals.find((id, at) => terminals.indexOf(id) !== at);
  if (past === undefined) return { rule: 'wiring.twoWaysHome', severity: 'note', subjects: [subject], circuitId: null, numbers: {} };
  // The other way's last wire is the one that lands on its far side.
  const other = ways.find((way) => !way.some((at) => nodes[at]!.deviceId === past))?.at(-1);
  const lands = other === undefined ? subject : (nodes[other]!.wire?.id ?? subject);
  return { rule: 'wiring.goesPast', severity: 'caution', subjects: [lands, past], circuitId: null, numbers: {} };
}

/**
 * A ring that is two contacts side by side: whatever hangs on it is reached either way round through a contact of its own, so either puts
 * it on. The two; null for any other ring.
 */
function sideBySide({ index }: Analysis, tree: WiringTree, ends: readonly [number, number]): [string, string] | null {
  // Round from where the two ways part, down the one and up the other.
  const [one, other] = partedWays(tree, ends);
  const round = [...one.reverse(), ...other];
  const isRound = new Set(round);
  const deviceAt = (node: number) => index.devices.get(tree.nodes[node]!.deviceId);
  const crossed = (nodes: readonly number[]) => {
    const counts = new Map<string, number>();
    for (const node of nodes) {
      const device = deviceAt(node);
      if (device && kindOf(device).isContact) counts.set(device.id, (counts.get(device.id) ?? 0) + 1);
    }
    return [...counts].flatMap(([id, terminals]) => (terminals > 1 ? [id] : []));
  };
  const exits = round.flatMap((node, at) =>
    deviceAt(node)?.kind === 'load' || tree.nodes.some(({ parent }, child) => parent === node && !isRound.has(child)) ? [at] : [],
  );
  const ways = exits.map((at) => [crossed(round.slice(0, at + 1)), crossed(round.slice(at))] as const);
  const [first] = ways;
  if (!first || !ways.every(([there, back]) => there.length > 0 && back.length > 0)) return null;
  return [first[0][0]!, first[1][0]!];
}

/** Loads that more than one fuse feeds: told where it is meant, a fault where nobody has said so. */
function secondFeeds({ feeders, loads }: Analysis): Finding[] {
  return [...feeders.loads].map(([loadId, fuseIds]) => {
    const { load, circuitId } = loads.get(loadId)!;
    const isMeant = load.fedTwice === true;
    return finding(isMeant ? 'reach.twoFeeds' : 'reach.unmeantFeed', isMeant ? 'note' : 'fault', [loadId, ...fuseIds], {}, circuitId);
  });
}
