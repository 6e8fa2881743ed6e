import { recordsOf, type Design } from '../core/design/design';
import { builtUpTo, marked, metered, tried } from './built';
import { photographed } from './photos';
import { pip } from './pip';

/** Pip finished and a year on the road: all of it fitted, read at first power and before the next season. */
export function pipInUse(): Design {
  const built = builtUpTo(marked(pip()), '2025-10-11', () => 'powered', true);
  const circuits = recordsOf(built, 'circuit').map(({ name }) => name);
  const first = metered(built, '2025-10-11', circuits, [], 1);
  return photographed(metered(tried(first, '2025-10-11'), '2026-04-12', circuits, [], 2), 'pip');
}
