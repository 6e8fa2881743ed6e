import { areaMm2 } from '../catalog/conductorSizes';
import type { Change } from '../design/change';
import { devicesOfKind, recordsOf, settingsOf, type Design } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Device, TerminalRef, Wire } from '../design/schema';
import { traceWiring } from '../network/traceWiring';
import { endOfMain, wiresOn } from './mainPath';
import { addWire } from './wires';

/** What can stand in the main path by hand: all that is fed goes through it. */
export const MAIN_PARTS = ['isolator', 'cutOut', 'shunt'] as const;
export type MainPart = (typeof MAIN_PARTS)[number];

/** The short cable between two neighbours on the battery's side, mm. */
const LINK_MM = 150;
/** Ratings parts are sold in, A. Common practice. */
const RATINGS_A = [50, 100, 150, 200, 275, 300, 400, 500, 600];

/**
 * Puts a part into the main path: an isolator or a low-voltage cut-off right behind the main protection, or behind what stands there
 * already; a shunt between the battery's minus and everything that comes home to it. Null where there is no main protection, or no way
 * home.
 */
export function addMainPart(design: Design, part: MainPart, mostA: number): Change | null {
  const edit = new Edit(design);
  return (part === 'shunt' ? addShunt(edit, mostA) : addBehindMain(edit, part, mostA)) ? edit.change : null;
}

function ratingFor(mostA: number): number {
  return RATINGS_A.find((rating) => rating >= mostA) ?? RATINGS_A.at(-1)!;
}

function addBehindMain(edit: Edit, part: 'isolator' | 'cutOut', mostA: number): boolean {
  const from = endOfMain(edit.design);
  const leaving = from ? wiresOn(edit.design, from) : [];
  const [first] = leaving;
  if (!from || !first) return false;
  const before = edit.design.records.get(from.deviceId) as Device;
  const own = { id: newId(part === 'isolator' ? 'iso' : 'cut'), type: 'device' as const, zoneId: before.zoneId, ...(before.placeId ? { placeId: before.placeId } : {}) }; // prettier-ignore
  const inSeries = settingsOf(edit.design).nominalV / 12;
  const lithium = devicesOfKind(edit.design, 'battery')[0]?.chemistry === 'lithium';
  // Lead-acid off at 11.5 to 11.8 V and on again at 12.6 to 12.8; lithium 12.0 to 12.4 and 13.0 to 13.2. Common practice.
  const levels = lithium ? { offV: 12.0 * inSeries, onV: 13.1 * inSeries } : { offV: 11.6 * inSeries, onV: 12.7 * inSeries };
  const added =
    part === 'isolator'
      ? edit.add<Device>({ ...own, kind: 'isolator', name: 'Battery isolator', ratingA: ratingFor(mostA) })
      : edit.add<Device>({ ...own, kind: 'cutOut', name: 'Low-voltage cut-off', ratingA: ratingFor(mostA), ...levels });
  for (const wire of leaving) moveEnd(edit, wire, from, { deviceId: added.id, terminal: 'out' });
  link(edit, 'supply', from, { deviceId: added.id, terminal: 'in' }, thickest(leaving));
  const home = part === 'cutOut' ? returnPoint(edit.design) : null;
  if (home) {
    const sense = addWire(edit, 'return', { deviceId: added.id, terminal: 'minus' }, home, 500, first.conductor.startsWith('awg') ? 'awg:16' : 'mm2:1.5'); // prettier-ignore
    edit.set(sense, { lengthMeasured: false });
  }
  return true;
}

function addShunt(edit: Edit, mostA: number): boolean {
  const battery = devicesOfKind(edit.design, 'battery')[0];
  const minus = battery && { deviceId: battery.id, terminal: 'minus' };
  const homing = minus ? wiresOn(edit.design, minus) : [];
  if (!battery || !minus || homing.length === 0) return false;
  const shunt = edit.add<Device>({
    ...{
      id: newId('shunt'),
      type: 'device',
      kind: 'shunt',
      name: 'Shunt',
      zoneId: battery.zoneId,
      milliohm: 0.1,
      ratingA: ratingFor(Math.max(mostA, 500)),
    },
    ...(battery.placeId ? { placeId: battery.placeId } : {}),
  });
  for (const wire of homing) moveEnd(edit, wire, minus, { deviceId: shunt.id, terminal: 'system' });
  link(edit, 'return', { deviceId: shunt.id, terminal: 'battery' }, minus, thickest(homing));
  return true;
}

/** Takes a part out of the main path again and joins what it parted. */
export function removeMainPart(design: Design, id: string): Change | null {
  const device = design.records.get(id);
  if (device?.type !== 'device' || !MAIN_PARTS.includes(device.kind as MainPart)) return null;
  const edit = new Edit(design);
  const [near, far] = device.kind === 'shunt' ? ['battery', 'system'] : ['in', 'out'];
  const [before] = wiresOn(design, { deviceId: id, terminal: near! });
  const healed = before && (before.from.deviceId === id ? before.to : before.from);
  for (const wire of wiresOn(design, { deviceId: id, terminal: far! })) {
    if (healed) moveEnd(edit, wire, { deviceId: id, terminal: far! }, healed);
    else edit.remove(wire.id);
  }
  for (const wire of recordsOf(edit.design, 'wire')) if (wire.from.deviceId === id || wire.to.deviceId === id) edit.remove(wire.id);
  edit.remove(id);
  return edit.change;
}

function returnPoint(design: Design): TerminalRef | null {
  const index = indexDesign(design);
  const bar = traceWiring(index).return.nodes.find(({ deviceId }) => index.devices.get(deviceId)?.kind === 'busBar');
  if (bar) return { deviceId: bar.deviceId, terminal: bar.terminal };
  return index.battery ? { deviceId: index.battery.id, terminal: 'minus' } : null;
}

function moveEnd(edit: Edit, wire: Wire, from: TerminalRef, to: TerminalRef): void {
  const isFrom = wire.from.deviceId === from.deviceId && wire.from.terminal === from.terminal;
  edit.set(wire, isFrom ? { from: to } : { to });
}

function link(edit: Edit, role: Wire['role'], from: TerminalRef, to: TerminalRef, conductor: Wire['conductor']): void {
  const wire = addWire(edit, role, from, to, LINK_MM, conductor);
  edit.set(wire, { lengthMeasured: true });
}

function thickest(wires: readonly Wire[]): Wire['conductor'] {
  return wires.reduce((most, { conductor }) => (areaMm2(conductor) > areaMm2(most) ? conductor : most), wires[0]!.conductor);
}
