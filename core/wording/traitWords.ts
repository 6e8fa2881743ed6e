import type { AskingTrait } from '../rig/traitAdvice';

/** What a zone's nature asks of the wiring in it. Common practice. */
const ADVICE: Record<AskingTrait, string> = {
  wet: 'sealed splices and sealed crimps with adhesive sleeve, drip loop below every entry',
  splashed: 'adhesive sleeve on every joint, drip loop below every entry',
  sun: 'sleeve or conduit that stands sunlight; cable ties too',
  vibration: 'crimped and strain-relieved within 100 mm of every end, no solder as the only hold, plugs that lock',
  moving: 'finely stranded cable with strain relief at both ends and a loop that no opening stretches',
};

/** The advice of several in one line; empty where none asks anything. */
export function adviceWords(traits: readonly AskingTrait[]): string {
  return traits.map((trait) => ADVICE[trait]).join('; ');
}
