import { recordsOf, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { Panel } from '../core/design/schema';

/** A panel as a demo lists it: what sits in its positions, by name, with what is written beside it; null for a free one. */
export interface DemoPanel extends Pick<Panel, 'id' | 'name' | 'use' | 'columns' | 'rows' | 'placeId'> {
  seats: readonly (readonly [device: string, legend?: string, control?: string] | null)[];
}

/** A demo with its panels. */
export function panelled(design: Design, panels: readonly DemoPanel[]): Design {
  const edit = new Edit(design);
  const idOf = (name: string) => recordsOf(design, 'device').find((device) => device.name === name)!.id;
  for (const { seats, ...panel } of panels) {
    edit.add({ ...panel, type: 'panel' });
    seats.forEach((seat, at) => {
      if (!seat) return;
      const [device, legend, control] = seat;
      edit.add({
        ...{ id: `${panel.id}_${at + 1}`, type: 'panelPart', panelId: panel.id, position: at + 1, deviceId: idOf(device) },
        ...(legend !== undefined && { legend }),
        ...(control !== undefined && { control }),
      });
    });
  }
  return edit.design;
}
