import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { RATINGS_A } from '../catalog/fuses';
import type { Change } from '../design/change';
import { deviceOf, indexDesign, settingsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import type { Load } from '../design/schema';
import { loadDraw } from '../devices/load';
import { ampacity } from '../sizing/ampacity';
import { sizesLike } from '../sizing/conductorChoice';
import { leastFuseA } from '../sizing/fuse';
import { fuseAtBar, nearestSlot, whereIs } from './fuseBerth';
import { addCircuit, detachLoad, usualScheme, type CircuitScheme } from './schemes';
import { dropClassOf } from './newLoad';

/** A fuse stands at least so much more than all at once. Common practice: none is run at its rating. */
export const HEADROOM = 1.1;
/** The smallest fuse a new circuit gets, A: smaller ones are for what is known to need them. Common practice. */
const LEAST_FUSE_A = 5;

/**
 * A circuit of its own for a load: a fuse that suits what it draws, in the nearest slot that takes it, or beside the nearest bar where no slot
 * does; wire that carries that fuse. Null where nothing in the design can feed it.
 */
export function ownCircuit(design: Design, load: Load): CircuitScheme | null {
  const index = indexDesign(design);
  const near = whereIs(index, load.id);
  const { amps } = loadDraw(load);
  const leastA = Math.max(leastFuseA(load.continuous ? amps : 0, amps), amps * HEADROOM, LEAST_FUSE_A);
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
