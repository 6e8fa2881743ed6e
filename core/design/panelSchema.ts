import { z } from 'zod';
import { CUT_OUT_IDS } from '../catalog/cutOuts';
import { LIMITS, PANEL_USES } from '../catalog/vocabulary';
import { id, name } from '../devices/fields';

/** Across a panel, mm. */
const sheetMm = z.number().min(0).max(LIMITS.panelMm);
const across = z.number().int().min(1).max(LIMITS.panelAcross);

/** A panel, dash, relay housing or fob, with positions in columns and rows: numbered from 1, row by row from the top left, seen from the front. */
export const panel = z.strictObject({
  id,
  type: z.literal('panel'),
  name,
  use: z.enum(PANEL_USES),
  columns: across,
  rows: across,
  /** Where it is fixed. */
  placeId: id.nullable(),
  /** Its outline; absent: as large as what sits in it asks for. */
  widthMm: sheetMm.optional(),
  heightMm: sheetMm.optional(),
  /** From its lower edge up to a line of sight that nothing of it may stand in; absent: nobody has said. */
  sightMm: sheetMm.optional(),
});

/** What sits in one position of a panel. */
export const panelPart = z.strictObject({
  id,
  type: z.literal('panelPart'),
  panelId: id,
  position: z
    .number()
    .int()
    .min(1)
    .max(LIMITS.panelAcross ** 2),
  deviceId: id,
  /** Which of the device's controls, where it has several, as the channels of a radio; absent: the device itself. */
  control: z.string().min(1).max(20).optional(),
  /** What is written beside it; absent: its device's name. */
  legend: name.optional(),
  /** The hole it needs; absent: its kind's usual one. */
  cutOut: z.enum(CUT_OUT_IDS).optional(),
  /** Its middle from the panel's left and top edge, where somebody moved it; absent: in line with its column and row. */
  xMm: sheetMm.optional(),
  yMm: sheetMm.optional(),
});

export type Panel = z.infer<typeof panel>;
export type PanelPart = z.infer<typeof panelPart>;
