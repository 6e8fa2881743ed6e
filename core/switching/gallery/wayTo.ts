import type { Change } from '../../design/change';
import { deviceOf, recordOf, type Design } from '../../design/design';
import { Edit } from '../../design/edit';
import type { Device, Load } from '../../design/schema';
import { seatNew } from '../panels';
import { THERE } from './spare';
import { straighten } from './straighten';
import { circuitWith, WayBuilder, type KeptSwitch } from './builder';
import { WAYS, type Way, type WayChoice } from './ways';

/** A load switched another way: the change, and what goes for it. */
export interface WayTaken {
  change: Change;
  /** Parts of the way it was switched before that go. */
  dropped: Device[];
}

/**
 * The change that has a load come on in one of the ways of the gallery. What switched it alone before goes; its fuse, its length and joints
 * stay, and a switch's name and place, on a panel too, go to the new one.
 * @returns null where the load has no circuit, or cannot be wired so
 */
export function wayTo(design: Design, loadId: string, way: Way, choice: WayChoice): WayTaken | null {
  const load = deviceOf(design, loadId, 'load');
  const other = choice.otherId === null ? null : deviceOf(design, choice.otherId, 'load');
  if (!load || (way.isFor && !choice.whole && !way.isFor(load)) || (way.asks === 'other' && (!other || other.id === load.id))) return null;
  const edit = new Edit(design);
  if (choice.whole) return wholeCircuit(edit, load, way, choice);
  const loads: Load[] = way.asks === 'other' && other ? [load, other] : [load];
  const dropped = straighten(edit, loads);
  if (!isThere(edit.design, way, choice)) return null;
  const kept = dropped.find(({ kind }) => kind === 'switch');
  const builder = WayBuilder.at(edit, load, way.id === 'direct' || !kept ? null : keptOf(kept, load));
  if (!builder || !way.build(builder, choice)) return null;
  seatNew(edit, design);
  return { change: edit.change, dropped };
}

/**
 * All loads of one's circuit switched one way, at its fuse: what switches all of them and nothing else goes, what switches some of them
 * stays.
 */
function wholeCircuit(edit: Edit, load: Load, way: Way, choice: WayChoice): WayTaken | null {
  const before = edit.design;
  const loads = circuitWith(before, load)?.loads ?? [];
  if (way.atLoad || loads.length === 0) return null;
  const dropped = straighten(edit, loads, true);
  if (!isThere(edit.design, way, choice)) return null;
  const kept = dropped.find(({ kind }) => kind === 'switch');
  const builder = WayBuilder.atCircuit(edit, load, way.id === 'direct' || !kept ? null : keptOf(kept, load));
  if (!builder || !way.build(builder, choice)) return null;
  seatNew(edit, before);
  return { change: edit.change, dropped };
}

/** Whether what the load is to be put on is still there: a receiver that had this load alone goes with the rest of what switched it. */
function isThere(design: Design, { asks }: Way, { onto }: WayChoice): boolean {
  return !THERE.some((what) => what === asks) || (onto !== undefined && recordOf(design, onto.deviceId, 'device') !== null);
}

/** What a new switch takes over from the one before: its place, and its name where somebody gave it one. */
function keptOf({ name, zoneId, placeId }: Device, load: Load): KeptSwitch {
  return { name: name.startsWith(load.name) ? null : name, zoneId, ...(placeId && { placeId }) };
}

/** Ways a load may be switched, or all of its circuit. */
export function waysFor(load: Load, whole = false): Way[] {
  return WAYS.filter(({ isFor, atLoad }) => (whole ? !atLoad : !isFor || isFor(load)));
}
