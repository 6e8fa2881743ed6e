/** A photo as it is kept: its picture alone. */
export interface PlainJpeg {
  widthPx: number;
  heightPx: number;
  bytes: Uint8Array;
}

/**
 * Segments that a picture needs, or that tell how its colours are meant; all other markers of the application, and comments, are left out.
 * ITU-T T.81, table B.1.
 */
const START = 0xd8;
const SCAN = 0xda;
const END = 0xd9;
const COMMENT = 0xfe;
const isApplication = (marker: number) => marker >= 0xe0 && marker <= 0xef;
/** JFIF, and Adobe's note of the colour transform, without which colours are wrong. */
const KEPT = new Set([0xe0, 0xee]);
/** Start of frame, all kinds of coding. */
const isFrame = (marker: number) => marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;

/**
 * A JPEG without where and with what it was taken: place, camera and comments are left out, and whatever stands behind the picture, a
 * second one with its own among it.
 * @returns null for what is no JPEG, or is cut off before its end
 */
export function plainJpeg(bytes: Uint8Array): PlainJpeg | null {
  if (bytes[0] !== 0xff || bytes[1] !== START) return null;
  const kept: Uint8Array[] = [bytes.subarray(0, 2)];
  let size: { widthPx: number; heightPx: number } | null = null;
  let isDrawn = false;
  for (let at = 2; at + 1 < bytes.length;) {
    if (bytes[at] !== 0xff) return null;
    const marker = bytes[at + 1]!;
    if (marker === 0xff) {
      // Any number of fill bytes may stand before a marker.
      at += 1;
      continue;
    }
    if (marker === END) {
      if (!isDrawn || !size || size.widthPx === 0 || size.heightPx === 0) return null;
      return { ...size, bytes: joined([...kept, bytes.subarray(at, at + 2)]) };
    }
    const length = at + 3 < bytes.length ? bytes[at + 2]! * 256 + bytes[at + 3]! : 0;
    if (length < 2 || at + 2 + length > bytes.length || (isFrame(marker) && length < 8)) return null;
    if (isFrame(marker)) size = { heightPx: bytes[at + 5]! * 256 + bytes[at + 6]!, widthPx: bytes[at + 7]! * 256 + bytes[at + 8]! };
    isDrawn ||= marker === SCAN;
    const next = marker === SCAN ? pastScan(bytes, at + 2 + length) : at + 2 + length;
    if (marker !== COMMENT && (!isApplication(marker) || KEPT.has(marker))) kept.push(bytes.subarray(at, next));
    at = next;
  }
  return null;
}

/** Where coded data ends: at the first marker in it that is no restart and no stuffed byte. */
function pastScan(bytes: Uint8Array, from: number): number {
  for (let at = from; at + 1 < bytes.length; at++) {
    const marker = bytes[at + 1]!;
    if (bytes[at] === 0xff && marker !== 0 && marker !== 0xff && (marker < 0xd0 || marker > 0xd7)) return at;
  }
  return bytes.length;
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}
