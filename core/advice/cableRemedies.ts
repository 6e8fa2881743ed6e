import type { Finding } from '../analysis/finding';
import type { Analysis } from '../analysis/types';
import { WIRE_COLOURS, type WireColour } from '../catalog/wireColours';
import { updateRecords } from '../design/change';
import { recordOf } from '../design/design';
import { Edit } from '../design/edit';
import { takeOut } from '../harness/editCables';
import { SCHOOLS } from '../harness/schools';
import { formatConductor } from '../units/quantity';
import type { Remedy } from './remedy';

/** Remedies for cores, leads and legends. */
export function cableRemedies({ design, index }: Analysis, { rule, subjects, numbers }: Finding): Remedy[] {
  const [first = '', second = ''] = subjects;
  const school = SCHOOLS[index.settings.colourSchool ?? 'pole'];
  const sleeved = (id: string, isReturn: boolean): Remedy => {
    const sleeve = isReturn ? school.return[0]! : school.live[0]!;
    return { label: sleeveLabel(sleeve), change: updateRecords(design, [{ id, set: { sleeve } }]) };
  };
  switch (rule) {
    case 'harness.returnColour':
      return recordOf(design, first, 'wire') ? [sleeved(first, numbers.isReturn)] : [];
    case 'harness.leadColour':
      return [sleeved(second, numbers.isReturn)];
    case 'harness.leadsDiffer': {
      const [live, home] = [school.live[0]!, school.return[0]!];
      const over = (id: string, sleeve: WireColour): Remedy => ({ label: sleeveLabel(sleeve), change: updateRecords(design, [{ id, set: { sleeve } }]) }); // prettier-ignore
      return [over(subjects[3] ?? '', home), over(subjects[2] ?? '', live)];
    }
    case 'harness.coreThin':
    case 'harness.coreOther': {
      const wire = recordOf(design, first, 'wire');
      const cable = recordOf(design, second, 'cable');
      const core = wire?.core && cable?.cores[wire.core.at - 1];
      if (!wire || !core || !cable) return [];
      const { conductor } = wire;
      const all = { cores: cable.cores.map((one) => ({ ...one, conductor })) };
      const asIs = { label: `Reckon with ${formatConductor(core.conductor)}`, change: updateRecords(design, [{ id: first, set: { conductor: core.conductor } }]) }; // prettier-ignore
      const thicker = { label: `Take the cable with cores of ${formatConductor(conductor)}`, change: updateRecords(design, [{ id: second, set: all }]) }; // prettier-ignore
      return rule === 'harness.coreOther' ? [asIs] : [thicker, ownWire(design, first)];
    }
    case 'harness.coreAstray':
      return [ownWire(design, first)];
    case 'harness.legend': {
      const device = index.devices.get(subjects[2] ?? '');
      return device ? [{ label: 'Write the name of what sits there', change: updateRecords(design, [{ id: first, set: { legend: undefined } }]) }] : []; // prettier-ignore
    }
    default:
      return [];
  }
}

const sleeveLabel = (colour: WireColour) => `Put a ${WIRE_COLOURS[colour].word} sleeve over both its ends`;

function ownWire(design: Analysis['design'], wireId: string): Remedy {
  const edit = new Edit(design);
  takeOut(edit, wireId);
  return { label: 'Make it a wire of its own', change: edit.change };
}
