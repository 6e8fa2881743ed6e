import type { Drawn } from '../design/schema';
import { recordsOf, type Design } from '../design/design';
import type { Edit } from '../design/edit';
import { newId } from '../design/ids';

/** Where a hand put parts of a sheet, by their ids on it. */
type Place = Pick<Drawn, 'x' | 'y'>;
export type PutByHand = ReadonlyMap<string, Place>;

/** A part of a sheet, as its record names it. */
export interface PartOnSheet {
  circuitId: string | null;
  /** Its id on the sheet. */
  partId: string;
}

/** The id a part has on its sheet. */
export function partIdOf({ deviceId, isHome }: Pick<Drawn, 'deviceId' | 'isHome'>): string {
  return isHome ? `${deviceId}${HOME}` : deviceId;
}
export const HOME = '/home';

/** The device a part of a sheet is. */
function deviceOn(partId: string): string {
  return partId.endsWith(HOME) ? partId.slice(0, -HOME.length) : partId;
}

export function putByHand(design: Design, circuitId: string | null): PutByHand {
  const mine = recordsOf(design, 'drawn').filter((drawn) => drawn.circuitId === circuitId);
  return new Map(mine.map((drawn) => [partIdOf(drawn), { x: drawn.x, y: drawn.y }]));
}

/** Puts a part somewhere on its sheet. */
export function putPart(edit: Edit, { circuitId, partId }: PartOnSheet, { x, y }: Place): void {
  const at = { x: Math.max(0, Math.round(x)), y: Math.max(0, Math.round(y)) };
  const known = recordsOf(edit.design, 'drawn').find((drawn) => drawn.circuitId === circuitId && partIdOf(drawn) === partId);
  if (known) return edit.set(known, at);
  const isHome = partId.endsWith(HOME);
  edit.add({ id: newId('drawn'), type: 'drawn', circuitId, deviceId: deviceOn(partId), ...(isHome && { isHome }), ...at });
}

/** Lets a sheet draw itself again. */
export function letDraw(edit: Edit, circuitId: string | null): void {
  for (const { id, circuitId: on } of recordsOf(edit.design, 'drawn')) if (on === circuitId) edit.remove(id);
}
