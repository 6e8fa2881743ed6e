import type { LoadBehaviour } from '../core/devices/load';
import type { ConductorSize } from '../core/catalog/conductorSizes';
import { makeDesign, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { DesignRecord, Draw, Load, MeasuredDraw } from '../core/design/schema';
import { attachLoad } from '../core/switching/loadWires';
import { addCircuit } from '../core/switching/schemes';
import { newLoad } from '../core/switching/newLoad';

/** A load as a demo lists it. Daily use is given per scenario as hours, or hours and share of them. */
export interface DemoLoad {
  name: string;
  zone: string;
  rated: Draw;
  quantity?: number;
  spacingMm?: number;
  measured?: MeasuredDraw;
  continuous?: boolean;
  group?: string;
  /** How its current follows the voltage. */
  behaviour?: LoadBehaviour;
  standbyA?: number;
  /** Volts under which it stops, and from which it starts again. */
  cutOut?: [stopV: number, startV: number];
  hopMm?: number;
  use?: Record<string, number | [hours: number, sharePercent: number]>;
}

export interface DemoCircuit {
  name: string;
  zone: string;
  block: string;
  slot: number;
  ratingA: number;
  conductor: ConductorSize;
  feedMm: number;
  switched?: { ratingA: number; onwardMm: number };
  critical?: boolean;
  chassis?: boolean;
  loads: DemoLoad[];
}

export const watts = (value: number, atV = 12): Draw => ({ kind: 'watts', watts: value, atV });
export const amps = (value: number, atV = 12): Draw => ({ kind: 'amps', amps: value, atV });

/** A design from its first records and its circuits. */
export function buildDemo(records: DesignRecord[], circuits: DemoCircuit[]): Design {
  const edit = new Edit(makeDesign(records));
  for (const circuit of circuits) {
    const loadIds = circuit.loads.map((load) => addLoad(edit, load));
    const made = addCircuit(edit, {
      name: circuit.name,
      zoneId: circuit.zone,
      dropClass: circuit.critical ? 'critical' : 'general',
      ratingA: circuit.ratingA,
      conductor: circuit.conductor,
      feedMm: circuit.feedMm,
      panelSwitch: circuit.switched ? { name: `${circuit.name} switch`, ...circuit.switched } : null,
      return: circuit.chassis ? 'chassis' : 'dedicated',
      mount: { blockId: circuit.block, slot: circuit.slot },
      loadIds: loadIds.slice(0, 1),
    });
    loadIds.slice(1).forEach((id, at) => attachLoad(edit, id, made.id, undefined, circuit.loads[at + 1]!.hopMm));
  }
  return { records: edit.design.records };
}

function addLoad(edit: Edit, demo: DemoLoad): string {
  const load: Load = {
    ...newLoad(demo.name, demo.zone),
    rated: demo.rated,
    quantity: demo.quantity ?? 1,
    spacingMm: demo.spacingMm ?? 500,
    measured: demo.measured ?? null,
    continuous: demo.continuous ?? true,
    exclusiveGroup: demo.group ?? null,
    ...(demo.behaviour && { behaviour: demo.behaviour }),
    ...(demo.standbyA !== undefined && { standbyA: demo.standbyA }),
    ...(demo.cutOut && { cutOutV: demo.cutOut[0], restartV: demo.cutOut[1] }),
  };
  edit.add(load);
  for (const [scenarioId, use] of Object.entries(demo.use ?? {})) {
    const [hoursPerDay, sharePercent] = typeof use === 'number' ? [use, 100] : use;
    edit.add({ id: `duty_${load.id.slice(5)}_${scenarioId}`, type: 'duty', scenarioId, loadId: load.id, hoursPerDay, sharePercent });
  }
  return load.id;
}
