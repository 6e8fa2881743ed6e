import { applyChange } from '../design/change';
import { isFitting, seenAs } from '../design/asBuilt';
import { recordsOf, type Design } from '../design/design';
import { recordKindOf } from '../design/recordKinds';
import type { Lead } from '../design/schema';
import { indexDesign } from '../rig/designIndex';
import { Edit } from '../design/edit';
import { SETTINGS_ID } from '../catalog/vocabulary';
import { removeLoads } from './loadWires';
import { removeCircuit } from './schemes';

/** What of a design a copy begins with: all of it; all but where it lies in its vehicle; what feeds it; what draws. */
export const COPY_PARTS = ['all', 'system', 'supply', 'loads'] as const;
export type CopyPart = (typeof COPY_PARTS)[number];

/**
 * A design to begin another one from. Without its vehicle its wires keep their lengths, as estimates; with only its supply or only its
 * loads the circuits go with what they fed or were fed by. It is for another vehicle, in which nothing is fitted yet.
 */
export function copyParts(design: Design, part: CopyPart, name: string): Design {
  let copy = unbuilt(design, name);
  if (part === 'all') return copy;
  copy = withoutVehicle(withoutChoices(copy));
  if (part === 'system') return copy;
  for (const { id } of recordsOf(copy, 'circuit')) copy = applyChange(copy, removeCircuit(copy, id));
  if (part === 'loads') return copy;
  const loads = recordsOf(copy, 'device').filter(({ kind }) => kind === 'load');
  return applyChange(
    copy,
    removeLoads(
      copy,
      loads.map(({ id }) => id),
    ),
  );
}

/** What is planned of a design under another name, none of it in place: nothing is made, read, ticked or at hand. */
function unbuilt(design: Design, name: string): Design {
  const planned = seenAs(design, 'planned');
  const edit = new Edit(planned);
  edit.set(SETTINGS_ID, { name });
  for (const record of planned.records.values()) {
    if (recordKindOf(record).of === 'vehicle') edit.remove(record.id);
    if (isFitting(record) && record.work) edit.set(record, { work: undefined });
    if (record.type === 'wire' && record.made) edit.set(record, { made: undefined });
    if (record.type === 'stock') edit.set(record, { have: undefined, ordered: undefined });
    if (record.type === 'lead' && record.proved !== undefined) edit.set(record, asSaid(record));
    if (record.type === 'device' && record.kind === 'protection' && record.fittedA !== undefined) edit.set(record, { fittedA: undefined });
  }
  return applyChange(planned, edit.change);
}

/** What a meter proved of another part is only said of this one. */
function asSaid({ says, proved }: Lead): Pick<Lead, 'says'> & { proved: undefined } {
  const isSaid = proved === undefined || says.some(({ terminal }) => terminal === proved);
  return { says: isSaid || says.length >= 4 ? says : [...says, { by: 'metered before', terminal: proved }], proved: undefined };
}

/** The same with what stands of each choice alone: its other options are of the whole. */
function withoutChoices(design: Design): Design {
  const edit = new Edit(design);
  for (const { id } of recordsOf(design, 'choice')) edit.remove(id);
  return applyChange(design, edit.change);
}

/** The same with no vehicle laid out: nothing has a place or a way any more, and no length was measured in the new one. */
function withoutVehicle(design: Design): Design {
  const edit = new Edit(design);
  for (const record of design.records.values()) {
    if (record.type === 'place' || record.type === 'route' || record.type === 'keepClear' || record.type === 'rig') edit.remove(record.id);
    if (record.type === 'zone' && record.plan) edit.set(record, { plan: null });
    if ((record.type === 'device' || record.type === 'panel') && record.placeId) edit.set(record, { placeId: null });
  }
  for (const { id, lengthMm, via } of indexDesign(design).wires) {
    edit.set(id, { lengthMm: Math.round(lengthMm), lengthMeasured: false, ...(via && { via: null }) });
  }
  return applyChange(design, edit.change);
}
