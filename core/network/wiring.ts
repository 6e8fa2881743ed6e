import { thrownBetween } from '../rig/joined';
import type { DesignIndex } from '../rig/designIndex';
import type { TerminalRef, Wire } from '../design/schema';
import type { LaidWire } from '../rig/layout';

/**
 * The wiring as two trees: supply, grown from the battery's positive, and return, grown from its negative. Each node is a
 * terminal, reached from its parent by a wire or through a device. This is the reading a formula needs; what is not a
 * tree (a ring, a short) is reported, never guessed at.
 */
export interface WiringNode {
  deviceId: string;
  terminal: string;
  /** Position of the parent in the tree, -1 for a root. Parents come before their children. */
  parent: number;
  /** The wire from the parent, or null when the step is inside a device. */
  wire: LaidWire | null;
  /** Resistance of the step when it is not a wire, ohm: a chassis joint. */
  jointOhm: number;
  /** The nearest protection passed on the way, supply side only. */
  protectionId: string | null;
  /** The circuit the node belongs to, supply side only. */
  circuitId: string | null;
  /** The feed from the vehicle it hangs on, in place of the house battery. */
  feedId: string | null;
}

/** Positive and negative meet with no load between: a dead short or a reversed load. */
export interface WiringFault {
  kind: 'short';
  deviceId: string;
  terminal: string;
  wireId: string | null;
}

/** A point that two ways lead to, met while a tree was grown: by a wire, or through a part's closed contact. */
export interface Ring {
  side: Side;
  /** The wire that closes it, which is in no tree; null where a contact does. */
  wireId: string | null;
  /** The two nodes it joins. */
  ends: readonly [number, number];
  /**
   * One changeover contact would have to be on two throws at once: the two ways are never joined, as in a lamp switched from two places.
   */
  neverClosed: boolean;
  /** The changeover contacts on the way round. */
  contacts: readonly string[];
}

export type Side = 'supply' | 'return';

export interface WiringTree {
  nodes: WiringNode[];
  /** Node by `deviceId/terminal`. */
  at: Map<string, number>;
}

export interface Wiring {
  supply: WiringTree;
  return: WiringTree;
  faults: WiringFault[];
  rings: Ring[];
  /** False for nodes at or past this position in the supply tree: protections with nothing feeding them. */
  fedCount: number;
  /** Of two contacts side by side the longer way was taken in place of the first found. */
  takesLonger: boolean;
}

export function terminalKey(deviceId: string, terminal: string): string {
  return `${deviceId}/${terminal}`;
}

/** The position of a changeover contact that joins two nodes; null where they are not two terminals of one. */
export function thrownBetweenNodes(index: DesignIndex, a: TerminalRef, b: TerminalRef): ReturnType<typeof thrownBetween> {
  const device = a.deviceId === b.deviceId ? index.devices.get(a.deviceId) : undefined;
  return device ? thrownBetween(device, a.terminal, b.terminal) : null;
}

/** Every terminal that a wire lands on. */
export function landedTerminals(wires: Iterable<Pick<Wire, 'from' | 'to'>>): Set<string> {
  const landed = new Set<string>();
  for (const { from, to } of wires) landed.add(terminalKey(from.deviceId, from.terminal)).add(terminalKey(to.deviceId, to.terminal));
  return landed;
}
