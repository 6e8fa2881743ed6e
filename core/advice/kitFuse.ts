import type { CircuitAnalysis, Analysis } from '../analysis/types';
import { applyUnchecked, NO_CHANGE, type Change } from '../design/change';
import { deviceOf } from '../design/design';
import { between, Edit } from '../design/edit';
import type { Protection } from '../design/schema';
import { PARTS } from '../devices/parts';
import { putIntoRun, removePart } from '../switching/partsByHand';

/** How far before the load a kit's own fuse holder usually sits, mm. Common practice. */
const BEFORE_LOAD_MM = 300;

/** A fuse in its holder, as any is put into a run. */
const FUSE = PARTS.find(({ id }) => id === 'fuse')!;

/** The fuse a kit's harness brings along: one within a circuit beside the circuit's own; null without one. */
export function kitFuseOf(
  { protections }: Pick<Analysis, 'protections'>,
  circuit: Pick<CircuitAnalysis, 'id' | 'protectionId'>,
): Protection | null {
  for (const { id, withinId, fuse } of protections.values()) if (withinId === circuit.id && id !== circuit.protectionId) return fuse;
  return null;
}

/** Puts a kit's own inline fuse into the wire that reaches a circuit's first load; with one there already it is given the rating. */
export function fitKitFuse(analysis: Analysis, circuit: CircuitAnalysis, ratingA: number): Change {
  const { design, wiring } = analysis;
  const edit = new Edit(design);
  const known = kitFuseOf(analysis, circuit);
  if (known) {
    edit.set(known, { ratingA });
    return edit.change;
  }
  const node = wiring.supply.nodes.find(
    ({ circuitId, terminal, wire }) => circuitId === circuit.id && terminal === 'plus' && wire !== null,
  );
  const wire = node?.wire;
  const load = node && deviceOf(design, node.deviceId, 'load');
  const put = wire && putIntoRun(design, wire.id, FUSE, wire.lengthMm - Math.min(BEFORE_LOAD_MM, wire.lengthMm / 2));
  if (!put || !load) return NO_CHANGE;
  const fitted = new Edit(applyUnchecked(design, put.change));
  fitted.set(put.deviceId, { name: `${load.name} kit fuse`, zoneId: load.zoneId, ...(load.placeId && { placeId: load.placeId }), ratingA });
  return between(design, fitted.design);
}

/** Takes a circuit's kit fuse out and joins its two wires into the first of them again. */
export function removeKitFuse(analysis: Analysis, circuit: CircuitAnalysis): Change {
  const fuse = kitFuseOf(analysis, circuit);
  return (fuse && removePart(analysis.design, fuse.id)) ?? NO_CHANGE;
}
