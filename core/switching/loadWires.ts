import type { ConductorSize } from '../catalog/conductorSizes';
import type { ReturnKind } from '../catalog/vocabulary';
import type { Change } from '../design/change';
import { deviceOf, recordOf, recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { DesignError } from '../design/problems';
import type { Load, Wire } from '../design/schema';
import { isLamp, landingOf } from '../devices/load';
import { traceWiring } from '../network/traceWiring';
import { terminalKey, type Wiring } from '../network/wiring';
import { indexDesign } from '../rig/designIndex';
import { returnTarget } from './returns';
import { DEFAULT_FEED_MM, usualScheme } from './usualScheme';
import { addWire, wiresAt } from './wires';

/** Loads hung on circuits and taken off them, the gaps closed. */

const DEFAULT_HOP_MM = 1000;
/** Between two leads of one lamp, mm. */
const WITHIN_MM = 100;

type Pole = 'plus' | 'minus';
const POLES: readonly Pole[] = ['plus', 'minus'];

interface FirstFeed {
  lengthMm: number;
  conductor: ConductorSize;
  return: ReturnKind;
}

/**
 * Hangs a load on a circuit: on its last load by a short hop, or, as its first, on its switch or fuse.
 * @throws DesignError when the load or the circuit is not in the design.
 */
export function attachLoad(edit: Edit, loadId: string, circuitId: string, first?: FirstFeed, hopMm = DEFAULT_HOP_MM): void {
  const { design } = edit;
  const load = mustBe(deviceOf(design, loadId, 'load'), loadId);
  const circuit = mustBe(recordOf(design, circuitId, 'circuit'), circuitId);
  const wiring = traceWiring(indexDesign(design));
  const nodes = wiring.supply.nodes.filter((node) => node.circuitId === circuitId);
  const out = landingOf(load, 'plus');
  const home = isLanded(edit, load, 'minus') ? null : landingOf(load, 'minus');
  const isFed = isLanded(edit, load, 'plus');
  // With the plus in common it is switched on its way home, which is therefore its own.
  const isOwnReturn = load.partOf?.shares === 'plus';
  const isOther = ({ deviceId, terminal }: (typeof nodes)[number]) =>
    terminal === 'plus' && deviceId !== loadId && deviceOf(design, deviceId, 'load') !== null;
  const lastNode = isOwnReturn ? undefined : nodes.findLast(isOther);
  const last = lastNode && deviceOf(design, lastNode.deviceId, 'load');
  if (lastNode && last) {
    const minus = wiring.return.nodes[wiring.return.at.get(terminalKey(last.id, 'minus')) ?? -1];
    const conductor = lastNode.wire?.conductor ?? usualScheme(design, '', null).conductor;
    const lengthMm = lampOf(last) === lampOf(load) ? WITHIN_MM : hopMm;
    if (!isFed) addWire(edit, 'supply', landingOf(last, 'plus'), out, lengthMm, conductor);
    if (home) addWire(edit, 'return', home, landingOf(last, 'minus'), lengthMm, minus?.wire?.conductor ?? conductor);
    return;
  }
  // The first lamp makes it a lighting circuit, unless somebody has said how it is judged, as a scheme does.
  if (!first && circuit.dropClass === 'general' && circuit.targetPercent === null && isLamp(load))
    edit.set(circuit, { dropClass: 'critical' });
  const start = mustBe(nodes.at(-1) ?? null, circuitId);
  const usual = usualScheme(design, '', null);
  const feed = first ?? { lengthMm: DEFAULT_FEED_MM, conductor: start.wire?.conductor ?? usual.conductor, return: usual.return };
  // A function may have its plus in common with its lamp: the wire lands where that has one.
  const hangs = deviceOf(design, start.deviceId, 'load');
  const from = hangs ? landingOf(hangs, 'plus') : { deviceId: start.deviceId, terminal: start.terminal };
  if (!isFed) addWire(edit, 'supply', from, out, feed.lengthMm, feed.conductor);
  if (!home) return;
  const wayIn = lengthFromFuse(wiring, start) + (isFed ? 0 : feed.lengthMm);
  const lengthMm = feed.return === 'chassis' ? 500 : wayIn;
  addWire(edit, 'return', home, returnTarget(edit, feed.return, loadId), lengthMm, feed.conductor);
}

/**
 * Takes a load off its circuit and closes the gap: what hung on it now hangs where it hung, the lengths added. What a lamp's other
 * functions still need stays.
 */
export function detachLoad(edit: Edit, loadId: string): void {
  const load = deviceOf(edit.design, loadId, 'load');
  if (!load) return;
  const wiring = traceWiring(indexDesign(edit.design));
  for (const pole of POLES) if (!isNeeded(edit.design, load, pole)) detachPole(edit, landingOf(load, pole), wiring);
}

/** Takes the wires off one terminal of a load and closes the gap. */
export function detachPole(edit: Edit, { deviceId, terminal }: ReturnType<typeof landingOf>, wiring: Wiring): void {
  const tree = terminal === 'plus' ? wiring.supply : wiring.return;
  const node = tree.nodes[tree.at.get(terminalKey(deviceId, terminal)) ?? -1];
  const upstream = node?.wire ?? null;
  const parent = node && upstream ? tree.nodes[node.parent]! : null;
  for (const wire of wiresAt(edit.design, deviceId, terminal)) {
    if (wire.id === upstream?.id || !parent || !upstream) edit.remove(wire.id);
    else {
      const end = { deviceId: parent.deviceId, terminal: parent.terminal };
      const isFrom = wire.from.deviceId === deviceId && wire.from.terminal === terminal;
      edit.set(wire, { ...(isFrom ? { from: end } : { to: end }), lengthMm: wire.lengthMm + upstream.lengthMm });
    }
  }
}

/** Takes every wire off loads but what a lamp's other functions still need. */
export function cutLoose(edit: Edit, loads: readonly Load[]): void {
  for (const load of loads)
    for (const pole of POLES) {
      const { deviceId, terminal } = landingOf(load, pole);
      if (!isNeeded(edit.design, load, pole)) for (const { id } of wiresAt(edit.design, deviceId, terminal)) edit.remove(id);
    }
}

/** Whether a function's common terminal has its wire already. */
function isLanded(edit: Edit, load: Load, pole: Pole): boolean {
  const { deviceId, terminal } = landingOf(load, pole);
  return (deviceId !== load.id || functionsOf(edit.design, load.id).length > 0) && wiresAt(edit.design, deviceId, terminal).length > 0;
}

/** Whether another of a lamp's functions, which is wired, has a terminal of a load in common with it. */
function isNeeded(design: Design, load: Load, pole: Pole): boolean {
  const at = landingOf(load, pole);
  const lamp = deviceOf(design, lampOf(load), 'load');
  const other: Pole = pole === 'plus' ? 'minus' : 'plus';
  return [...(lamp ? [lamp] : []), ...functionsOf(design, lampOf(load))].some(
    (one) => one.id !== load.id && landingOf(one, pole).deviceId === at.deviceId && wiresAt(design, one.id, other).length > 0,
  );
}

/** The functions of a lamp beside its own first one. */
export function functionsOf(design: Design, loadId: string): Load[] {
  return recordsOf(design, 'device').filter((device): device is Load => device.kind === 'load' && device.partOf?.loadId === loadId);
}

/** The lamp whose body a load is part of: itself, where it is no function of another. */
export function lampOf({ id, partOf }: Load): string {
  return partOf?.loadId ?? id;
}

/** Moves a load to another circuit, or off every circuit. */
export function moveLoad(design: Design, loadId: string, circuitId: string | null): Change {
  const edit = new Edit(design);
  detachLoad(edit, loadId);
  if (circuitId !== null) attachLoad(edit, loadId, circuitId);
  return edit.change;
}

/** Removes loads with their wires and duties, closing the gaps they leave; a lamp with all its functions. */
export function removeLoads(design: Design, loadIds: readonly string[]): Change {
  const edit = new Edit(design);
  const whole = loadIds.flatMap((id) => [...functionsOf(design, id).map((one) => one.id), id]);
  for (const loadId of new Set(whole)) {
    detachLoad(edit, loadId);
    for (const record of design.records.values()) if (record.type === 'duty' && record.loadId === loadId) edit.remove(record.id);
    edit.remove(loadId);
  }
  return edit.change;
}

function lengthFromFuse(wiring: Wiring, node: { wire: Wire | null; parent: number; circuitId: string | null }): number {
  let sum = 0;
  for (let step = node; step.circuitId !== null && step.parent >= 0; step = wiring.supply.nodes[step.parent]!)
    sum += step.wire?.lengthMm ?? 0;
  return sum;
}

export function mustBe<T>(found: T | null, id: string): T {
  if (found === null) throw new DesignError([{ code: 'missingRecord', id }]);
  return found;
}
