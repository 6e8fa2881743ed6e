import { LIMITS } from '@/core/catalog/vocabulary';

/** Why a name is not taken as it stands: nothing of it is ever cut off. */
export function nameProblem(name: string, most: number = LIMITS.nameLength): string | null {
  const length = name.trim().length;
  return length > most ? `${length} characters; ${most} are the most` : null;
}
