import { kindOf } from '../devices';
import type { Throw } from '../devices/kind';
import { memoryOf, type ControlState } from '../network/controlState';
import { Reach } from '../network/reach';
import type { LiveDesign } from '../network/settle';
import { terminalKey } from '../network/wiring';
import type { Analysis } from './types';
import { wiredDrops, type WiredDrop } from './wiredDrops';

/** States that between them light every load that any state lights, and join every throw of every changeover contact. */
export interface Lighting {
  /** The one in which most flows first, then what that one leaves dark or open: the other throw of a changeover, a relay at rest. */
  states: readonly ControlState[];
  /** Loads that no state lights, all of them tried. */
  neverLit: readonly string[];
}

/** Share of the nominal voltage under which a load that is on is dark. */
const DARK_SHARE = 0.5;
/** States looked at in all: more changeover contacts than that are looked at in the first positions alone. */
const MOST_STATES = 24;

/** Finds them from a settled state in which some loads are on and everything is closed. The design is left in the first. */
export function lightingStates(analysis: Analysis, live: LiveDesign, from: ControlState): Lighting {
  const { index, wiring, circuits, loads } = analysis;
  const throws = wiredThrows(index);
  const fed = circuits.flatMap((circuit) => (circuit.fed ? circuit.loadIds : []));
  const asked = fed.filter((id) => from.controls[id]?.on === true && loads.get(id)!.returned);
  const isLit = (id: string) =>
    Math.abs((live.voltage({ deviceId: id, terminal: 'plus' }) ?? 0) - (live.voltage({ deviceId: id, terminal: 'minus' }) ?? 0)) >=
    DARK_SHARE * index.settings.nominalV;
  const flowing = () => asked.reduce((sum, id) => (isLit(id) ? sum + loads.get(id)!.draw.amps : sum), 0);
  const dark = new Set(asked.filter((id) => !isLit(id)));
  if (dark.size === 0 && throws.length === 0) return { states: [from], neverLit: [] };
  const reach = new Reach(index, wiring);
  const neverLit: string[] = [];
  const others: ControlState[] = [];
  let most = { state: from, amps: flowing() };
  /** Settles a state found in a part of the design in the whole of it; null where it never rests. */
  const settled = (found: ControlState) => {
    const outcome = live.settle(withSettings(most.state, found, index.loads));
    return outcome.kind === 'oscillating' ? null : outcome.state;
  };
  const keep = (state: ControlState) => {
    const amps = flowing();
    others.push(amps > most.amps ? most.state : state);
    if (amps > most.amps) most = { state, amps };
    for (const id of dark) if (isLit(id)) dark.delete(id);
  };
  for (const id of dark) {
    if (others.length >= MOST_STATES) break;
    const reached = reach.lit([id], most.state);
    if (reached.kind === 'never') neverLit.push(id);
    const state = reached.kind === 'found' ? settled(reached.state) : null;
    if (state && isLit(id)) keep(state);
  }
  for (const { deviceId, by } of throws) {
    const isJoined = (state: ControlState) =>
      'control' in by ? state.controls[deviceId]?.[by.control] === by.value : (memoryOf(state, deviceId)[by.memory] === true) === by.value;
    if (others.length >= MOST_STATES || [most.state, ...others].some(isJoined)) continue;
    if ('control' in by) {
      const state = settled({ ...most.state, controls: { [deviceId]: { [by.control]: by.value } }, memory: {} });
      if (state) keep(state);
      continue;
    }
    const reached = reach.remembering(deviceId, by.memory, by.value, most.state);
    const state = reached.kind === 'found' ? settled(reached.state) : null;
    if (state && isJoined(state)) keep(state);
  }
  live.settle(most.state);
  return { states: [most.state, ...others], neverLit };
}

/** The throws of changeover contacts that have a wire, contact by contact. */
function wiredThrows({ devices, wires }: Analysis['index']): { deviceId: string; by: Throw['by'] }[] {
  const contacts = [...devices.values()].flatMap((device) =>
    (kindOf(device).eitherOr?.(device) ?? []).map((contact) => ({ device, contact })),
  );
  if (contacts.length === 0) return [];
  const landed = new Set(wires.flatMap(({ from, to }) => [from, to].map((end) => terminalKey(end.deviceId, end.terminal))));
  return contacts.flatMap(({ device, contact }) =>
    contact.throws.flatMap(({ terminal, by }) => (landed.has(terminalKey(device.id, terminal)) ? [{ deviceId: device.id, by }] : [])),
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
