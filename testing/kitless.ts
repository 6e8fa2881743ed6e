import { recordsOf, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';

/** A design without the kits and leads somebody bought, and with every position of its panels called as what sits there. */
export function kitless(design: Design): Design {
  const edit = new Edit(design);
  for (const { id } of [...recordsOf(design, 'lead'), ...recordsOf(design, 'kit')]) edit.remove(id);
  for (const { id } of recordsOf(design, 'panelPart')) edit.set(id, { legend: undefined });
  return edit.design;
}
