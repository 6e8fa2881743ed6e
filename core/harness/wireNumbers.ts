import type { Wire } from '../design/schema';
import type { Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import type { WireRole } from './wireRoles';

/** A wire's number: the one that was given, or the one it would get. */
export interface WireNumber {
  number: string;
  isGiven: boolean;
}

/**
 * A number for every wire. Those given stand; the rest get what is free: the circuit's number and a letter in the order of the run, out and
 * home (07a, 07b); M with a number for leads that circuits share, G for returns they share, C for what only works something.
 */
export function numberWires(index: DesignIndex, wiring: Wiring, roles: ReadonlyMap<string, WireRole>): Map<string, WireNumber> {
  const numbers = new Map<string, WireNumber>();
  const taken = new Set<string>();
  for (const { id, number } of index.wires) {
    if (number === undefined) continue;
    numbers.set(id, { number, isGiven: true });
    taken.add(number);
  }
  const circuits = new Map(index.circuits.map(({ id, number }) => [id, String(number).padStart(2, '0')]));
  for (const wire of inOrder(index, wiring)) {
    if (numbers.has(wire.id)) continue;
    const role = roles.get(wire.id)!;
    const circuit = role.circuitId === null ? undefined : circuits.get(role.circuitId);
    const number = circuit === undefined ? nextNumber(PREFIX[role.duty], taken) : nextLetter(circuit, taken);
    taken.add(number);
    numbers.set(wire.id, { number, isGiven: false });
  }
  return numbers;
}

const PREFIX: Record<WireRole['duty'], string> = { live: 'M', keyed: 'M', switched: 'M', return: 'G', signal: 'C' };

/** Wires in the order current takes: out, then home, then what hangs beside. */
function inOrder({ wires }: DesignIndex, { supply, return: returns }: Wiring): Wire[] {
  const byId = new Map(wires.map((wire) => [wire.id, wire]));
  const ids = [...supply.nodes, ...returns.nodes].flatMap(({ wire }) => (wire ? [wire.id] : []));
  return [...new Set([...ids, ...byId.keys()])].flatMap((id) => byId.get(id) ?? []);
}

function nextNumber(prefix: string, taken: ReadonlySet<string>): string {
  for (let at = 1; ; at++) if (!taken.has(`${prefix}${at}`)) return `${prefix}${at}`;
}

/** a to z, then aa, ab and so on. */
function nextLetter(circuit: string, taken: ReadonlySet<string>): string {
  for (let at = 0; ; at++) {
    const letters = at < 26 ? LETTERS[at]! : `${LETTERS[Math.floor(at / 26) - 1]!}${LETTERS[at % 26]!}`;
    if (!taken.has(`${circuit}${letters}`)) return `${circuit}${letters}`;
  }
}

const LETTERS = 'abcdefghijklmnopqrstuvwxyz';
