import type { Zone } from '../design/schema';
import type { ZoneTrait } from '../catalog/vocabulary';

/** What a zone's nature asks of the wiring in it. Common practice. */
const ADVICE: Partial<Record<ZoneTrait, string>> = {
  wet: 'sealed splices and sealed crimps with adhesive sleeve, drip loop below every entry',
  splashed: 'adhesive sleeve on every joint, drip loop below every entry',
  sun: 'sleeve or conduit that stands sunlight; cable ties too',
  vibration: 'crimped and strain-relieved within 100 mm of every end, no solder as the only hold, plugs that lock',
  moving: 'finely stranded cable with strain relief at both ends and a loop that no opening stretches',
};

/** The advice of all zones a wire or a circuit meets, each once, in a settled order. */
export function adviceFor(zones: Iterable<Pick<Zone, 'traits'>>): string[] {
  const those = new Set<ZoneTrait>();
  for (const { traits } of zones) for (const trait of traits ?? []) those.add(trait);
  // What is wet is splashed as well.
  if (those.has('wet')) those.delete('splashed');
  return (Object.keys(ADVICE) as ZoneTrait[]).flatMap((trait) => (those.has(trait) ? ADVICE[trait]! : []));
}
