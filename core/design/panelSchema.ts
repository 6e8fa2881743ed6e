import * as z from 'zod/mini';
import { numberIn, textOf, wholeIn } from '../units/schema';
import { CUT_OUT_IDS } from '../catalog/cutOuts';
import { LIMITS, PANEL_USES } from '../catalog/vocabulary';
import { id, name } from '../devices/fields';

/** Across a panel, mm. */
const sheetMm = numberIn(0, LIMITS.panelMm);
const across = wholeIn(1, LIMITS.panelAcross);

/**
 * A panel, dash, relay housing or fob, with positions in columns and rows: numbered from 1, row by row from the top left, seen from the
 * front.
 */
export const panel = z.strictObject({
  id,
  type: z.literal('panel'),
  name,
  use: z.enum(PANEL_USES),
  columns: across,
  rows: across,
  /** Where it is fixed. */
  placeId: z.nullable(id),
  /** Its outline; absent: as large as what sits in it asks for. */
  widthMm: z.optional(sheetMm),
  heightMm: z.optional(sheetMm),
  /** From its lower edge up to a line of sight that nothing of it may stand in; absent: nobody has said. */
  sightMm: z.optional(sheetMm),
});

/** What sits in one position of a panel. */
export const panelPart = z.strictObject({
  id,
  type: z.literal('panelPart'),
  panelId: id,
  position: wholeIn(1, LIMITS.panelAcross ** 2),
  deviceId: id,
  /** Which of the device's controls, where it has several, as the channels of a radio; absent: the device itself. */
  control: z.optional(textOf(1, 20)),
  /** What is written beside it; absent: its device's name. */
  legend: z.optional(name),
  /** The hole it needs; absent: its kind's usual one. */
  cutOut: z.optional(z.enum(CUT_OUT_IDS)),
  /** Its middle from the panel's left and top edge, where somebody moved it; absent: in line with its column and row. */
  xMm: z.optional(sheetMm),
  yMm: z.optional(sheetMm),
});

export type Panel = z.infer<typeof panel>;
export type PanelPart = z.infer<typeof panelPart>;
