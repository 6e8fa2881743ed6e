import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { RATINGS_A } from '../catalog/fuses';
import type { Change } from '../design/change';
import { deviceOf, settingsOf, type Design } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import { Edit } from '../design/edit';
import type { Load } from '../design/schema';
import { loadDraw } from '../devices/load';
import { ampacity } from '../sizing/ampacity';
import { sizesLike } from '../sizing/conductorChoice';
import { leastFuseA } from '../sizing/fuse';
import { formatRating } from '../units/quantity';
import { fuseAtBar, nearestSlot, whereIs } from './fuseBerth';
import { detachLoad } from './loadWires';
import { addCircuit } from './schemes';
import { usualScheme, type CircuitScheme } from './usualScheme';
import { dropClassOf } from './newLoad';

/** A fuse stands at least so much more than all at once. Common practice: none is run at its rating. */
export const HEADROOM = 1.1;
/** The smallest fuse a new circuit gets, A: smaller ones are for what is known to need them. Common practice. */
const LEAST_FUSE_A = 5;

/**
 * A circuit of its own for a load: a fuse that suits what it draws, in the nearest slot that takes it, or beside the nearest bar where no
 * slot does; wire that carries that fuse. Null where nothing in the design can feed it.
 */
export function ownCircuit(design: Design, load: Load): CircuitScheme | null {
  const index = indexDesign(design);
  const near = whereIs(index, load.id);
  const leastA = leastRatingOf(load);
  const mostA = load.maxFuseA ?? Infinity;
  const scheme = usualScheme(design, load.name, load.zoneId);
  const blade = RATINGS_A.blade.find((rating) => rating >= leastA);
  const mount = blade === undefined ? null : nearestSlot(design, near, blade);
  const atBar = mount ? null : fuseAtBar(design, near, leastA);
  const ratingA = mount ? blade! : atBar && RATINGS_A[atBar.family].find((rating) => rating >= leastA);
  if (!ratingA || ratingA > mostA) return null;
  const conductor = carrying(design, scheme.conductor, ratingA);
  if (!conductor) return null;
  return { ...scheme, dropClass: dropClassOf(load), ratingA, conductor, mount, ...(atBar && { atBar }), loadIds: [load.id] };
}

/** The least a load's own fuse may be rated, A. */
function leastRatingOf(load: Load): number {
  const { amps } = loadDraw(load);
  return Math.max(leastFuseA(load.continuous ? amps : 0, amps), amps * HEADROOM, LEAST_FUSE_A);
}

/** Why a load can get no circuit of its own, and what would let it, in words; null where it can. */
export function whyNoCircuit(design: Design, load: Load): string | null {
  if (ownCircuit(design, load)) return null;
  const leastA = leastRatingOf(load);
  const near = whereIs(indexDesign(design), load.id);
  if (load.maxFuseA !== undefined && load.maxFuseA < leastA)
    return `it needs a fuse of ${formatRating(leastA)} and allows no more than ${formatRating(load.maxFuseA)}: correct its draw or its largest fuse`;
  if (!fuseAtBar(design, near, LEAST_FUSE_A) && !nearestSlot(design, near, LEAST_FUSE_A))
    return 'no fuse block has a free slot and nothing can be fused beside a bar: add a fuse block in Supply';
  return `it needs a fuse of ${formatRating(leastA)}: no free slot takes that, and no single fuse or wire there is so large`;
}

/** A circuit of its own for each of some loads, one after the other, each in the nearest slot left; those that can get none, with why. */
export function giveLoadsCircuits(design: Design, loads: readonly Load[]): { change: Change; left: { load: Load; why: string }[] } {
  const edit = new Edit(design);
  const left: { load: Load; why: string }[] = [];
  for (const load of loads) {
    const scheme = ownCircuit(edit.design, load);
    if (scheme) addCircuit(edit, scheme);
    else left.push({ load, why: whyNoCircuit(edit.design, load)! });
  }
  return { change: edit.change, left };
}

/** The first size from a usual one up that carries a rating in the open. */
function carrying(design: Design, usual: ConductorSize, ratingA: number): ConductorSize | null {
  const { conductorStandard: standard, insulationC } = settingsOf(design);
  const conditions = { standard, insulationC, ambientC: 30, engineSpace: false };
  const sizes = sizesLike(standard, usual).filter((size) => areaMm2(size) >= areaMm2(usual));
  return sizes.find((size) => ampacity(size, conditions).amps >= ratingA) ?? null;
}

/** Takes a load off whatever it hangs on and gives it a circuit of its own; null where nothing can feed it. */
export function giveLoadItsCircuit(design: Design, loadId: string): Change | null {
  const load = deviceOf(design, loadId, 'load');
  if (!load) return null;
  const edit = new Edit(design);
  detachLoad(edit, loadId);
  const scheme = ownCircuit(edit.design, load);
  if (!scheme) return null;
  addCircuit(edit, scheme);
  return edit.change;
}
