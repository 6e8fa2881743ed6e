import { kindOf } from '../devices';
import type { Throw } from '../devices/kind';
import { memoryOf, type ControlState } from '../network/controlState';
import { isLit, Reach, type Reached } from '../network/reach';
import type { LiveDesign } from '../network/settle';
import { landedTerminals, terminalKey } from '../network/wiring';
import { contactsAtMeeting } from '../network/longerWay';
import { pathTo } from '../network/ways';
import type { Analysis } from './types';
import { wiredDrops, type WiredDrop } from './wiredDrops';

/** States that between them light every load that any state lights, and join every throw of every changeover contact. */
export interface Lighting {
  /** The one in which most flows first, then what that one leaves dark or open: the other throw of a changeover, a relay at rest. */
  states: readonly ControlState[];
  /** Where two fuses feed a load, or either of two contacts lights it, each way by itself: a state without the other. */
  ways: readonly ControlState[];
  /** Loads that no state lights, all of them tried. */
  neverLit: readonly string[];
}

/** States looked at in all: more changeover contacts than that are looked at in the first positions alone. */
const MOST_STATES = 24;

/** Finds them from a settled state in which some loads are on and everything is closed. The design is left in the first. */
export function lightingStates(analysis: Analysis, live: LiveDesign, from: ControlState): Lighting {
  const { index, wiring, circuits, loads } = analysis;
  const throws = wiredThrows(analysis);
  const fed = circuits.flatMap((circuit) => (circuit.fed ? circuit.loadIds : []));
  const asked = fed.filter((id) => from.controls[id]?.on === true && loads.get(id)!.returned);
  const seenNow = (state: ControlState): Seen => {
    const lit = new Set(asked.filter((id) => isLit(live, id, index.settings.nominalV)));
    return { state, lit, amps: [...lit].reduce((sum, id) => sum + loads.get(id)!.draw.amps, 0) };
  };
  let most = seenNow(from);
  const dark = new Set(asked.filter((id) => !most.lit.has(id)));
  if (dark.size === 0 && throws.length === 0) return { states: [from], ways: waysApart(analysis, live, from), neverLit: [] };
  const reach = new Reach(index, wiring);
  const neverLit: string[] = [];
  const others: Seen[] = [];
  /** Looks at a state found in a part of the design in the whole of it, and keeps it where it is what was looked for. */
  const keep = (found: ControlState | null, isIt: (seen: Seen) => boolean): boolean => {
    if (!found || others.length >= MOST_STATES) return false;
    const outcome = live.settle(withSettings(most.state, found, index.loads));
    const seen = seenNow(outcome.state);
    if (outcome.kind === 'oscillating' || !isIt(seen)) return false;
    others.push(seen.amps > most.amps ? most : seen);
    if (seen.amps > most.amps) most = seen;
    for (const id of seen.lit) dark.delete(id);
    return true;
  };
  const stateOf = (reached: Reached) => (reached.kind === 'found' ? reached.state : null);
  for (const id of dark) {
    const reached = reach.lit([id], most.state);
    if (reached.kind === 'never') neverLit.push(id);
    keep(stateOf(reached), ({ lit }) => lit.has(id));
  }
  for (const one of throws) {
    // Joined and in use, where anything behind it can be lit; else joined at all.
    const behind = asked.filter((id) => loads.get(id)!.circuitId === one.circuitId);
    const seen = [most, ...others];
    const isUsed = ({ state, lit }: Seen) => isJoined(one, state) && behind.some((id) => lit.has(id));
    if (seen.some(isUsed)) continue;
    if (behind.length > 0 && keep(stateOf(reach.through(one.deviceId, (state) => isJoined(one, state), behind, most.state)), isUsed))
      continue;
    if (seen.some(({ state }) => isJoined(one, state))) continue;
    keep(stateOf(reach.through(one.deviceId, (state) => isJoined(one, state), [], most.state)), ({ state }) => isJoined(one, state));
  }
  live.settle(most.state);
  return { states: [most, ...others].map(({ state }) => state), ways: waysApart(analysis, live, most.state), neverLit };
}

/** A state as it was seen: what was lit in it, and what that draws. */
interface Seen {
  state: ControlState;
  lit: ReadonlySet<string>;
  amps: number;
}

/** One throw of a changeover contact, with the circuit it lies in. */
interface WiredThrow {
  deviceId: string;
  circuitId: string | null;
  by: Throw['by'];
}

function isJoined({ deviceId, by }: WiredThrow, state: ControlState): boolean {
  if ('control' in by) return state.controls[deviceId]?.[by.control] === by.value;
  return (memoryOf(state, deviceId)[by.memory] === true) === by.value;
}

/** Each of two ways to a load by itself. The design is left in the state begun from. */
function waysApart(analysis: Analysis, live: LiveDesign, from: ControlState): ControlState[] {
  return [...fusesApart(analysis, live, from), ...contactsApart(analysis, live, from)];
}

/** Each of two contacts side by side behind one fuse, closed while the other way carries nothing. */
function contactsApart({ index, wiring }: Analysis, live: LiveDesign, from: ControlState): ControlState[] {
  const { supply, rings } = wiring;
  const { nodes } = supply;
  const closed = rings.filter(({ side, neverClosed }) => side === 'supply' && !neverClosed);
  if (closed.length === 0) return [];
  const reach = new Reach(index, wiring);
  const states = closed.slice(0, MOST_STATES).flatMap(({ ends, wireId }) => {
    const ways = contactsAtMeeting(supply, index.devices, ends);
    if (!ways) return [];
    const round = new Set(ways.flat());
    const load = index.loads.find(({ id }) => pathTo(supply, supply.at.get(terminalKey(id, 'plus')) ?? -1).some((at) => round.has(at)));
    if (!load) return [];
    const firstWire = (way: readonly number[]) => way.map((at) => nodes[at]!.wire?.id).find((id) => id !== undefined) ?? wireId;
    // What its contact brings goes through the wire behind it, in the tree or closing the ring.
    const behind = ways.map((way, which) => firstWire(way.length > 0 ? [...way].reverse().slice(1) : ways[1 - which]!));
    return behind.flatMap((id) => (id === null ? [] : [reach.litWithout(load.id, id, from)]));
  });
  const apart = states.flatMap((reached) =>
    reached.kind === 'found' ? [live.settle(withSettings(from, reached.state, index.loads))] : [],
  );
  live.settle(from);
  return apart.flatMap(({ kind, state }) => (kind === 'settled' ? [state] : []));
}

/** Each way to a load that several fuses feed, by itself. */
function fusesApart({ feeders }: Analysis, live: LiveDesign, from: ControlState): ControlState[] {
  if (feeders.loads.size === 0) return [];
  const sets = new Map([...feeders.loads.values()].map((fuseIds) => [fuseIds.join(' '), fuseIds]));
  const ways = [...sets.values()].slice(0, MOST_STATES).flatMap((fuseIds) =>
    fuseIds.map((kept) => {
      const out = fuseIds.filter((id) => id !== kept).map((id) => [id, { ...from.controls[id], fitted: false }]);
      return live.settle({ ...from, controls: { ...from.controls, ...Object.fromEntries(out) } });
    }),
  );
  live.settle(from);
  return ways.flatMap(({ kind, state }) => (kind === 'settled' ? [state] : []));
}

/** The throws of changeover contacts that have a wire, contact by contact. */
function wiredThrows({ index: { devices, wires }, wiring: { supply } }: Analysis): WiredThrow[] {
  const contacts = [...devices.values()].flatMap((device) =>
    (kindOf(device).eitherOr?.(device) ?? []).map((contact) => ({ device, contact })),
  );
  if (contacts.length === 0) return [];
  const landed = landedTerminals(wires);
  return contacts.flatMap(({ device, contact }) =>
    contact.throws.flatMap(({ terminal, by }) => {
      const key = terminalKey(device.id, terminal);
      const circuitId = supply.nodes[supply.at.get(key) ?? -1]?.circuitId ?? null;
      return landed.has(key) ? [{ deviceId: device.id, circuitId, by }] : [];
    }),
  );
}

/** A state with what another one sets and remembers, but for loads. */
function withSettings(state: ControlState, other: ControlState, loads: readonly { id: string }[]): ControlState {
  const isLoad = new Set(loads.map(({ id }) => id));
  const set = Object.entries(other.controls).filter(([id]) => !isLoad.has(id));
  const controls = { ...state.controls };
  for (const [id, values] of set) controls[id] = { ...controls[id], ...values };
  const remembered = Object.keys(other.memory).map((id) => [id, memoryOf(other, id)]);
  return { ...state, controls, memory: { ...state.memory, ...Object.fromEntries(remembered) } };
}

/** Of each circuit the worst drop over a set of states, each load counted where it is lit. The design is left in the first. */
export function worstDrops(analysis: Analysis, live: LiveDesign, states: readonly ControlState[]): Map<string, WiredDrop> {
  const worst = new Map<string, WiredDrop>();
  for (const state of states) {
    live.settle(state);
    for (const [circuitId, drop] of wiredDrops(analysis, live, state))
      if (drop.dropV > (worst.get(circuitId)?.dropV ?? 0)) worst.set(circuitId, drop);
  }
  if (states.length > 1) live.settle(states[0]!);
  return worst;
}
