import type { PanelUse } from '../catalog/vocabulary';
import { composeChanges, NO_CHANGE, type Change } from '../design/change';
import { recordOf, recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Device, Panel, PanelPart, Place } from '../design/schema';
import { kindOf } from '../devices';
import { isLamp } from '../devices/load';

/** Something that can sit in a position: a device, or one control of several that it has. */
export interface Seatable {
  device: Device;
  control?: string;
}

/** What a panel of each use carries. */
const CARRIES: Record<PanelUse, (device: Device) => boolean> = {
  panel: isAtHand,
  dash: isAtHand,
  hub: ({ kind }) => kind === 'relay' || kind === 'protection' || kind === 'splitRelay' || kind === 'diode',
  fob: ({ kind }) => kind === 'receiver',
};

/** What one reaches for or looks at: switches, dimmers, and of loads those that are let into a panel, as sockets and gauges. */
function isAtHand(device: Device): boolean {
  if (device.kind === 'load') return !isLamp(device) && device.partOf === undefined && (device.depthMm ?? 0) > 0;
  return device.kind === 'switch' || device.kind === 'dimmer' || device.kind === 'isolator' || isBreaker(device);
}

const isBreaker = (device: Device) => device.kind === 'protection' && device.family === 'breaker' && device.mount === null;

/** What may sit in a panel of this use, in the order of the design. A radio's channels sit one by one. */
export function seatables(design: Design, use: PanelUse): Seatable[] {
  return recordsOf(design, 'device')
    .filter(CARRIES[use])
    .flatMap((device) => (use === 'fob' ? channelsOf(device).map((control) => ({ device, control })) : [{ device }]));
}

function channelsOf(device: Device): string[] {
  return Object.keys(kindOf(device).controls?.(device) ?? {});
}

/** What sits in each position of a panel, the first being number 1. */
export function positionsOf(design: Design, { id, columns, rows }: Panel): (PanelPart | null)[] {
  const parts = new Map(
    recordsOf(design, 'panelPart')
      .filter(({ panelId }) => panelId === id)
      .map((part) => [part.position, part]),
  );
  return Array.from({ length: columns * rows }, (_, at) => parts.get(at + 1) ?? null);
}

/** Where a thing sits, if it sits anywhere. */
export function seatOf(design: Design, deviceId: string, control?: string): PanelPart | null {
  return recordsOf(design, 'panelPart').find((part) => part.deviceId === deviceId && part.control === control) ?? null;
}

/** What may sit in a panel of this use and sits nowhere. */
export function unseated(design: Design, use: PanelUse): Seatable[] {
  const taken = new Set(recordsOf(design, 'panelPart').map(({ deviceId, control }) => `${deviceId}/${control ?? ''}`));
  return seatables(design, use).filter(({ device, control }) => !taken.has(`${device.id}/${control ?? ''}`));
}

/**
 * A thing put in a position: from where it sat, where it sat. What is there goes to where the other came from, or out. It moves to the
 * panel's place.
 */
export function seat(design: Design, panelId: string, position: number, { device, control }: Seatable): Change {
  const edit = new Edit(design);
  const panel = recordOf(design, panelId, 'panel');
  if (!panel) return edit.change;
  const mine = seatOf(design, device.id, control);
  const there = positionsOf(design, panel)[position - 1] ?? null;
  if (mine && there === mine) return edit.change;
  if (there) {
    if (mine && fits(design, mine.panelId, there)) edit.set(there, { panelId: mine.panelId, position: mine.position });
    else edit.remove(there.id);
  }
  if (mine) edit.set(mine, { panelId, position });
  else edit.add({ id: newId('pos'), type: 'panelPart', panelId, position, deviceId: device.id, ...(control !== undefined && { control }) });
  for (const part of [mine, there]) if (part) followPanel(edit, part.id);
  if (!mine) toPlaceOf(edit, panel, device.id);
  return edit.change;
}

function fits(design: Design, panelId: string, { deviceId }: PanelPart): boolean {
  const panel = recordOf(design, panelId, 'panel');
  const device = recordOf(design, deviceId, 'device');
  return panel !== null && device !== null && CARRIES[panel.use](device);
}

function followPanel(edit: Edit, partId: string): void {
  const part = recordOf(edit.design, partId, 'panelPart');
  const panel = part && recordOf(edit.design, part.panelId, 'panel');
  if (panel) toPlaceOf(edit, panel, part.deviceId);
}

/** What sits in a panel is where the panel is; a fob is carried about. */
function toPlaceOf(edit: Edit, { use, placeId }: Panel, deviceId: string): void {
  if (use === 'fob' || placeId === null) return;
  const zoneId = recordOf(edit.design, placeId, 'place')?.zoneId ?? null;
  edit.set(deviceId, { placeId, ...(zoneId !== null && { zoneId }) });
}

/** Takes a thing out of its position; it stays in the design. */
export function unseat(design: Design, partId: string): Change {
  const edit = new Edit(design);
  edit.remove(partId);
  return edit.change;
}

/** A panel with other columns and rows: what sits in a column and row that are still there stays in them, the rest comes out. */
export function reshapePanel(design: Design, panelId: string, columns: number, rows: number): Change {
  const edit = new Edit(design);
  const panel = recordOf(design, panelId, 'panel');
  if (!panel) return edit.change;
  positionsOf(design, panel).forEach((part, at) => {
    if (!part) return;
    const [column, row] = [at % panel.columns, Math.floor(at / panel.columns)];
    if (column < columns && row < rows) edit.set(part, { position: row * columns + column + 1 });
    else edit.remove(part.id);
  });
  edit.set(panelId, { columns, rows });
  return edit.change;
}

/** A panel fixed elsewhere, with all that sits in it. */
export function movePanel(design: Design, panelId: string, placeId: string | null): Change {
  const edit = new Edit(design);
  edit.set(panelId, { placeId });
  const panel = recordOf(edit.design, panelId, 'panel');
  if (panel) for (const part of positionsOf(design, panel)) if (part) toPlaceOf(edit, panel, part.deviceId);
  return edit.change;
}

/** A new panel, for what sits at one place or on no panel yet. */
export interface PanelOffer {
  use: PanelUse;
  name: string;
  place: Place | null;
  things: Seatable[];
}

/**
 * Panels a design asks for: one for every place with two controls or more that sit on none, one for each radio's fob, a housing for relays
 * at one place.
 */
export function panelsOffered(design: Design): PanelOffer[] {
  const offers: PanelOffer[] = [];
  const loose = unseated(design, 'panel').filter(({ device }) => device.kind !== 'load');
  for (const place of recordsOf(design, 'place')) {
    const here = (things: Seatable[]) => things.filter(({ device }) => device.placeId === place.id);
    const [controls, relays] = [here(loose), here(unseated(design, 'hub').filter(({ device }) => device.kind === 'relay'))];
    if (controls.length >= 2) offers.push({ use: 'panel', name: place.name, place, things: controls });
    if (relays.length >= 2) offers.push({ use: 'hub', name: `Relays, ${place.name}`, place, things: relays });
  }
  for (const device of recordsOf(design, 'device')) {
    const channels = unseated(design, 'fob').filter((one) => one.device.id === device.id);
    if (channels.length > 0) offers.push({ use: 'fob', name: `Fob of ${device.name}`, place: null, things: channels });
  }
  return offers;
}

/** How many columns a panel of so many has at first: two rows from six on. */
function columnsFor(count: number): number {
  return count < 6 ? count : Math.ceil(count / 2);
}

/** A panel with these things in it from position 1 on. */
export function addPanel(design: Design, { use, name, place, things }: PanelOffer): { change: Change; panelId: string } {
  const edit = new Edit(design);
  const columns = Math.min(12, Math.max(1, columnsFor(things.length)));
  const rows = Math.min(12, Math.max(1, Math.ceil(things.length / columns)));
  const panel = { id: newId('panel'), type: 'panel' as const, name: name.slice(0, 80), use, columns, rows, placeId: place?.id ?? null };
  edit.add(panel);
  things.slice(0, columns * rows).forEach(({ device, control }, at) => {
    edit.add({
      ...{ id: newId('pos'), type: 'panelPart', panelId: panel.id, position: at + 1, deviceId: device.id },
      ...(control !== undefined && { control }),
    });
    toPlaceOf(edit, panel, device.id);
  });
  return { change: edit.change, panelId: panel.id };
}

/** Where what works a group of loads sits: on a panel there is, or on a new one at a place. */
export type PanelFor = { panelId: string } | { placeId: string };

/**
 * Things that sit nowhere put in the free positions of a panel, or of a new one as large as they ask for. What finds none stays loose.
 * Returns the panel; null where none is to be.
 */
export function seatOn(design: Design, ids: ReadonlySet<string>, onto: PanelFor): { change: Change; panelId: string } | null {
  const mine = ({ device }: Seatable) => ids.has(device.id);
  if ('placeId' in onto) {
    const place = recordOf(design, onto.placeId, 'place');
    const things = unseated(design, 'panel').filter(mine);
    return place && things.length > 0 ? addPanel(design, { use: 'panel', name: place.name, place, things }) : null;
  }
  const panel = recordOf(design, onto.panelId, 'panel');
  if (!panel) return null;
  const free = positionsOf(design, panel).flatMap((part, at) => (part === null ? [at + 1] : []));
  const changes = unseated(design, panel.use).filter(mine).slice(0, free.length).map((thing, at) => seat(design, panel.id, free[at]!, thing)); // prettier-ignore
  return { change: changes.reduce(composeChanges, NO_CHANGE), panelId: panel.id };
}

/** How many of a panel's positions are taken. */
export function takenOn(design: Design, panelId: string): { taken: number; positions: number } | null {
  const panel = recordOf(design, panelId, 'panel');
  if (!panel) return null;
  const all = positionsOf(design, panel);
  return { taken: all.filter((part) => part !== null).length, positions: all.length };
}

/**
 * New controls put in positions: first in those that parts taken out have left, then in the first free one of a panel at their place. What
 * finds none stays loose.
 * @param before the design as it was
 */
export function seatNew(edit: Edit, before: Design): void {
  const left = recordsOf(before, 'panelPart').filter(({ id }) => !edit.design.records.has(id));
  const added = recordsOf(edit.design, 'device').filter((device) => !before.records.has(device.id) && device.kind !== 'load');
  for (const device of added) {
    const berth = left.find(({ panelId }) => canTake(edit.design, panelId, device)) ?? freePosition(edit.design, device);
    if (!berth) continue;
    const at = left.findIndex((part) => part === berth);
    const { legend } = at === -1 ? { legend: undefined } : left.splice(at, 1)[0]!;
    edit.add({
      ...{ id: newId('pos'), type: 'panelPart', panelId: berth.panelId, position: berth.position, deviceId: device.id },
      ...(legend !== undefined && { legend }),
    });
    const panel = recordOf(edit.design, berth.panelId, 'panel');
    if (panel) toPlaceOf(edit, panel, device.id);
  }
}

function canTake(design: Design, panelId: string, device: Device): boolean {
  const panel = recordOf(design, panelId, 'panel');
  return panel !== null && panel.use !== 'fob' && CARRIES[panel.use](device) && isThere(panel, device);
}

const isThere = ({ placeId }: Panel, device: Device) => !device.placeId || device.placeId === placeId;

function freePosition(design: Design, device: Device): Pick<PanelPart, 'panelId' | 'position'> | null {
  if (!device.placeId) return null;
  for (const panel of recordsOf(design, 'panel')) {
    if (panel.placeId !== device.placeId || !canTake(design, panel.id, device)) continue;
    const at = positionsOf(design, panel).indexOf(null);
    if (at !== -1) return { panelId: panel.id, position: at + 1 };
  }
  return null;
}
