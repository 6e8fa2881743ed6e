import type { CircuitAnalysis } from '@/core/analysis/types';
import type { ConductorSize } from '@/core/catalog/conductorSizes';
import { NO_CHANGE, setting, updateRecords, type Change, type RecordFields } from '@/core/design/change';
import { deviceOf, recordOf, settingsOf, type Design } from '@/core/design/design';
import { sizesLike } from '@/core/sizing/conductorChoice';
import { stepRating } from '@/core/switching/schemes';

/** The edits a run strip makes, each as a change to the design it is given. */

export function stepFuse(design: Design, circuit: CircuitAnalysis, by: 1 | -1): Change {
  const fuse = deviceOf(design, circuit.protectionId, 'protection');
  return fuse ? updateRecords(design, [setting(fuse, { ratingA: stepRating(fuse, by) })]) : NO_CHANGE;
}

/** The sizes a conductor of this family steps through. */
export function sizesFor(design: Design, conductor: ConductorSize): ConductorSize[] {
  return sizesLike(settingsOf(design).conductorStandard, conductor);
}

/** Steps some wires to the next size from the thinnest of them, all to the same. */
export function stepConductor(design: Design, wireIds: readonly string[], from: ConductorSize, by: 1 | -1): Change {
  const sizes = sizesFor(design, from);
  const at = sizes.indexOf(from);
  const next = sizes[Math.min(sizes.length - 1, Math.max(0, at + by))];
  return next
    ? updateRecords(
        design,
        wireIds.map((id) => ({ id, set: { conductor: next } })),
      )
    : NO_CHANGE;
}

/** Sets a wire's length, and with it the return that runs beside it if that was just as long. */
export function setLength(design: Design, circuit: CircuitAnalysis, wireId: string, lengthMm: number, measured: boolean): Change {
  const wire = recordOf(design, wireId, 'wire');
  if (!wire) return NO_CHANGE;
  const added = lengthMm - wire.lengthMm;
  const updates = [{ id: wireId, set: { lengthMm, lengthMeasured: measured } as object }];
  const [onlyReturn] = circuit.returnWireIds;
  const back = recordOf(design, onlyReturn ?? null, 'wire');
  const supplyMm = circuit.supplyWireIds.reduce((sum, id) => sum + (recordOf(design, id, 'wire')?.lengthMm ?? 0), 0);
  const besideEachOther = wire.role === 'supply' && circuit.returnWireIds.length === 1 && back && Math.abs(back.lengthMm - supplyMm) < 1;
  if (besideEachOther) updates.push(setting(back, { lengthMm: Math.max(0, back.lengthMm + added) }));
  return updateRecords(design, updates);
}

export function setCircuit(design: Design, id: string, fields: RecordFields): Change {
  return updateRecords(design, [{ id, set: fields }]);
}
