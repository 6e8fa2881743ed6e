import type { PlanPoint } from '../design/schema';
import { LIMITS } from '../catalog/vocabulary';

/** What was drawn over a picture: pixels. */
export interface Pixel {
  x: number;
  y: number;
}

export type NoOutline =
  { code: 'oneSpot' | 'noLength' | 'fewCorners' | 'manyCorners' } | { code: 'size'; lengthMm: number; widthMm: number };

/** A traced outline at its true size, moved so that it begins at the front left corner, or why it cannot be one. */
export type Traced = { ok: true; outline: PlanPoint[]; lengthMm: number; widthMm: number } | { ok: false; why: NoOutline };

/**
 * Turns corners in a picture into an outline in millimetres: the distance between two points of the picture gives the scale.
 * @param knownMm true distance between the two points of `scale`, mm.
 */
export function traceOutline(corners: readonly Pixel[], scale: readonly [Pixel, Pixel], knownMm: number): Traced {
  const pixels = Math.hypot(scale[0].x - scale[1].x, scale[0].y - scale[1].y);
  if (!(pixels >= 2)) return { ok: false, why: { code: 'oneSpot' } };
  if (!(knownMm > 0)) return { ok: false, why: { code: 'noLength' } };
  if (corners.length < 3) return { ok: false, why: { code: 'fewCorners' } };
  if (corners.length > LIMITS.outlinePoints) return { ok: false, why: { code: 'manyCorners' } };
  const mmPerPixel = knownMm / pixels;
  const left = Math.min(...corners.map(({ x }) => x));
  const top = Math.min(...corners.map(({ y }) => y));
  const outline = corners.map(({ x, y }) => ({ xMm: Math.round((x - left) * mmPerPixel), yMm: Math.round((y - top) * mmPerPixel) }));
  const lengthMm = Math.max(...outline.map(({ xMm }) => xMm));
  const widthMm = Math.max(...outline.map(({ yMm }) => yMm));
  if (lengthMm < 100 || widthMm < 100 || lengthMm > LIMITS.vehicleMm || widthMm > LIMITS.vehicleMm) {
    return { ok: false, why: { code: 'size', lengthMm, widthMm } };
  }
  return { ok: true, outline, lengthMm, widthMm };
}

/** Kinds of picture that can be traced over. */
export const PICTURE_TYPES = ['image/png', 'image/jpeg', 'image/webp', 'image/svg+xml'];

export type NoPicture = 'type' | 'bytes' | 'noSvg' | 'script' | 'reachesOut';

/**
 * Why a picture cannot be traced over, or null. An SVG is only ever shown as a picture, never as part of the page; one that
 * carries scripts or reaches elsewhere is refused all the same.
 * @param text the file's text when it is an SVG.
 */
export function refusePicture({ type, size }: { type: string; size: number }, text: string | null): NoPicture | null {
  if (!PICTURE_TYPES.includes(type)) return 'type';
  if (size > LIMITS.pictureBytes) return 'bytes';
  if (text === null) return null;
  if (!/<svg[\s>]/i.test(text)) return 'noSvg';
  if (/<\s*script|<\s*foreignObject|\son[a-z]+\s*=|javascript:|<!ENTITY/i.test(text)) return 'script';
  if (/(?:href|src)\s*=\s*["'](?!#|data:image\/)/i.test(text) || /url\(\s*["']?(?!#)/i.test(text)) return 'reachesOut';
  return null;
}
