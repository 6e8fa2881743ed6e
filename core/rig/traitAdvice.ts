import type { Zone } from '../design/schema';
import type { ZoneTrait } from '../catalog/vocabulary';

/** What of a zone's nature asks something of the wiring in it, in a settled order. */
const ASKING = ['wet', 'splashed', 'sun', 'vibration', 'moving'] as const satisfies readonly ZoneTrait[];
export type AskingTrait = (typeof ASKING)[number];

/** What asks something of a wire or a circuit in all the zones it meets, each once; `wording/traitWords.ts` says what. */
export function askingTraits(zones: Iterable<Pick<Zone, 'traits'>>): AskingTrait[] {
  const those = new Set<ZoneTrait>();
  for (const { traits } of zones) for (const trait of traits ?? []) those.add(trait);
  // What is wet is splashed as well.
  if (those.has('wet')) those.delete('splashed');
  return ASKING.filter((trait) => those.has(trait));
}
