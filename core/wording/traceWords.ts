import { LIMITS } from '../catalog/vocabulary';
import type { NoOutline, NoPicture } from '../rig/traceOutline';

/** Why what was drawn over a picture is no outline, and what to do. */
export function noOutlineWords(why: NoOutline): string {
  switch (why.code) {
    case 'oneSpot':
      return 'the two points for the scale are at one spot';
    case 'noLength':
      return 'the length between the two points must be more than nothing';
    case 'fewCorners':
      return 'an outline needs three corners or more';
    case 'manyCorners':
      return `an outline has at most ${LIMITS.outlinePoints} corners`;
    case 'size':
      return `that would be ${why.lengthMm} mm long and ${why.widthMm} mm wide; check the length between the two points`;
  }
}

/** Why a picture cannot be traced over, and what to do. */
export function noPictureWords(why: NoPicture, bytes: number): string {
  switch (why) {
    case 'type':
      return 'a picture is a PNG, JPEG, WebP or SVG file';
    case 'bytes':
      return `the picture has ${(bytes / 1_000_000).toFixed(1)} MB; ${LIMITS.pictureBytes / 1_000_000} MB are allowed. Make it smaller and try again`;
    case 'noSvg':
      return 'the file is called SVG but holds none';
    case 'script':
      return 'the SVG carries a script; save it without and try again';
    case 'reachesOut':
      return 'the SVG reaches for other files; save it with everything inside and try again';
  }
}
