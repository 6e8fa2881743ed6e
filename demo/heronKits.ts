import { recordsOf, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { Lead } from '../core/design/schema';
import { setKitDevices } from '../core/harness/editLeads';

/**
 * Two kits that Heron's people bought: white is what the dimmer gives out and what the reversing lamps come home by. One lead of the dimmer
 * nobody has metered, and one legend is wrong.
 */
export function kitsOfHeron(design: Design): Design {
  const edit = new Edit(design);
  const idOf = (name: string) => recordsOf(design, 'device').find((device) => device.name === name)!.id;
  const kit = (id: string, name: string, parts: readonly string[], lacks: string[], leftOver: string[]) => {
    const record = edit.add({ id, type: 'kit', name, lacks, leftOver });
    setKitDevices(edit, record, parts.map(idOf));
  };
  let count = 0;
  const lead = (device: string, colour: Lead['colour'], terminal: string | undefined, proved: boolean) =>
    edit.add({
      ...{ id: `lead_${String(++count).padStart(2, '0')}`, type: 'lead', deviceId: idOf(device), colour },
      says: terminal === undefined ? [] : [{ by: 'its sheet', terminal }],
      ...(proved && terminal !== undefined && { proved: terminal }),
    });
  kit('kit_dimmer', 'Bench dimmer set', ['Bench dimmer'], ['blanking plate'], ['its own switch']);
  lead('Bench dimmer', 'RD', 'in', true);
  lead('Bench dimmer', 'WH', 'out', true);
  lead('Bench dimmer', 'BK', 'minus', true);
  lead('Bench dimmer', 'YE', undefined, false);
  kit('kit_reverse', 'Reversing lamp set', ['Reversing lamp'], [], ['its relay harness']);
  lead('Reversing lamp', 'RD', 'plus', true);
  lead('Reversing lamp', 'WH', 'minus', true);
  const part = recordsOf(design, 'panelPart').find(({ deviceId }) => deviceId === idOf('Hide bench lights switch'))!;
  edit.set(part, { legend: 'Work light' });
  return edit.design;
}
