import { NetworkError } from '../network/networkError';
import type { Blows, Hunt } from './hunt';
import { HuntBench } from './huntBench';

/**
 * The one fuse that what is wrong takes with it, as soon as it is put in or as something is switched on; null where none goes, or more than
 * one.
 */
export function blowsOf(hunt: Hunt): Blows | null {
  const [complaint] = hunt.complaints;
  if (!complaint) return null;
  const gone = (moved: typeof complaint.moved) => [...new HuntBench({ ...hunt, complaints: [{ ...complaint, moved }] }).blown];
  try {
    const atOnce = gone([]);
    const blown = atOnce.length > 0 ? atOnce : gone(complaint.moved);
    if (blown.length !== 1) return null;
    return { fuseId: blown[0]!, when: atOnce.length > 0 ? 'atOnce' : 'switchedOn' };
  } catch (error) {
    if (error instanceof NetworkError) return null;
    throw error;
  }
}
