import type { Design } from '../design/design';
import { deviceOf } from '../design/design';
import { nameOf } from '../design/names';
import type { BlowCause, NextTest } from '../diagnosis/blows';
import { pointWords, wireWords, type FlawSaid, type WireNumbers } from './flawWords';

const PROOF = 'The lamp stays dark with everything joined and the wires shaken; then a fuse of the planned rating holds.';

/** Why a fuse blows, in words: what it is, where, what mends it and what proves it mended. */
export function blowWords(design: Design, cause: BlowCause, fuseId: string, numbers: WireNumbers): FlawSaid {
  switch (cause.kind) {
    case 'wire':
      return {
        ...{ fault: 'worn through to metal or to a return', where: wireWords(design, cause.wireId, numbers) },
        cure: 'Isolate, follow it to every edge, clamp and screw. Replace the piece, and cover what it rubbed on: tape alone does not last.',
        proof: PROOF,
      };
    case 'part':
      return {
        ...{ fault: 'burnt through inside, or its poles exchanged', where: nameOf(design, cause.deviceId) },
        cure:
          deviceOf(design, cause.deviceId, 'relay') !== null
            ? 'Hold its pins against the pin card: a coil with a diode turned round is a dead short. Else replace it.'
            : 'Unplugged, ohms from its plus to its minus: next to nothing is a short. Look whether its leads are exchanged; else replace it.',
        proof: PROOF,
      };
    case 'tooMuch':
      return {
        ...{ fault: 'nothing touches: more is drawn than the fuse holds', where: nameOf(design, fuseId) },
        cure: 'Clamp what flows with everything on. Fewer loads at once, or the circuit sized anew, wire and fuse together: never a larger fuse alone.',
        proof: 'With everything on for ten minutes it holds and can be touched.',
      };
    case 'start':
      return {
        ...{ fault: 'nothing touches: something takes too much as it starts', where: nameOf(design, fuseId) },
        cure: 'Look whether a motor is blocked. A slow fuse of the same rating, or a soft start: never a larger one alone.',
        proof: 'Started ten times one after another, it holds.',
      };
  }
}

/** What to do with the lamp. */
export function partingWords(design: Design, { parting, at }: Pick<NextTest, 'parting' | 'at'>, numbers: WireNumbers): string {
  if (!parting || !at) return 'everything joined';
  return `${wireWords(design, parting.wireId, numbers)} lifted off ${pointWords(design, at)}`;
}
