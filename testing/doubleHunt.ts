import type { Finder } from '../core/diagnosis/diagnose';
import { sameRepair, type Flaw } from '../core/diagnosis/flaws';
import type { Moved } from '../core/diagnosis/foresee';
import type { DesignIndex } from '../core/rig/designIndex';
import { DOES, isSameEverywhere, nameOne, Vehicle } from './faultHunt';

/** How a hunt for two faults at once went. */
export interface DoubleHunt {
  /** Measurements taken until all was right again. */
  measured: number;
  /** Whether nothing sound was taken apart: each thing named was wrong, or no meter tells the vehicle from one in which it is. */
  isFound: boolean;
}

/**
 * Hunts two faults as one does in a vehicle: what is named is mended and proved, and where all is not right yet one begins again with what
 * is left.
 * @returns null where either shows in nothing by itself, or both together: nobody would look for it
 */
export function huntTwo(
  index: DesignIndex,
  finder: Finder,
  moved: readonly Moved[],
  flaws: readonly [Flaw, Flaw],
  noise: () => number,
): DoubleHunt | null {
  const seenOf = (vehicle: Vehicle) => finder.loadIds.map((id) => ({ loadId: id, does: DOES(vehicle.level(id)) }) as const);
  const doing = (seen: ReturnType<typeof seenOf>) => seen.map(({ does }) => does).join();
  const doneBy = (wrong: readonly Flaw[]) => doing(seenOf(new Vehicle(index, wrong, moved, () => 0)));
  const sound = doneBy([]);
  if (flaws.some((flaw) => doneBy([flaw]) === sound)) return null;
  let measured = 0;
  for (let left: readonly Flaw[] = flaws; left.length > 0;) {
    const vehicle = new Vehicle(index, left, moved, noise);
    const seen = seenOf(vehicle);
    // One may hide the other: two that are swapped twice.
    if (doing(seen) === sound) return null;
    const one = nameOne(finder, vehicle, seen);
    measured += one.measured;
    const mended = left.filter((flaw) => sameRepair(flaw) !== sameRepair(one.named));
    if (mended.length === left.length) return { measured, isFound: isSameEverywhere(index, moved, [one.named], left) };
    left = mended;
  }
  return { measured, isFound: true };
}

/** A flaw out of some, a joint with some resistance that nobody knows. */
export function anyOf(flaws: readonly Flaw[], random: () => number): Flaw {
  const flaw = flaws[Math.floor(random() * flaws.length)]!;
  return flaw.kind === 'highJoint' ? { ...flaw, ohm: someOhm(random) } : flaw;
}

/** From half an ohm to seventy, by shares. */
export const someOhm = (random: () => number) => 6 * Math.exp(random() * 5 - 2.5);
