import type { LoadBehaviour } from '../core/devices/load';
import type { ConductorSize } from '../core/catalog/conductorSizes';
import { applyChange } from '../core/design/change';
import { makeDesign, recordsOf, type Design } from '../core/design/design';
import { PARTS, type Part } from '../core/devices/parts';
import { putIntoRun } from '../core/switching/partsByHand';
import { addWire } from '../core/switching/wires';
import { Edit } from '../core/design/edit';
import type { DesignRecord, Draw, Load, MeasuredDraw, Wire } from '../core/design/schema';
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
  /** The second load is another function of the first one's body: a changeover with off, so far from the fuse, chooses between them. */
  chosenBy?: { name: string; ratingA: number; atMm: number };
  /** Parts in the run, each in the wire that leads to a load, so far along it. */
  parts?: { id: string; name: string; before: string; atMm: number; ratingA?: number }[];
}

export const watts = (value: number, atV = 12): Draw => ({ kind: 'watts', watts: value, atV });
export const amps = (value: number, atV = 12): Draw => ({ kind: 'amps', amps: value, atV });

/** A design from its first records and its circuits. */
export function buildDemo(records: DesignRecord[], circuits: DemoCircuit[]): Design {
  let edit = new Edit(makeDesign(records));
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
    if (circuit.chosenBy) edit = withChoice(edit.design, circuit, loadIds);
    else loadIds.slice(1).forEach((id, at) => attachLoad(edit, id, made.id, undefined, circuit.loads[at + 1]!.hopMm));
    for (const part of circuit.parts ?? [])
      edit = withPart(edit.design, part, loadIds[circuit.loads.findIndex(({ name }) => name === part.before)]!);
  }
  return { records: edit.design.records };
}

const partOf = (id: string): Part => PARTS.find((part) => part.id === id)!;

/** A changeover switch, one throw to each of a lamp's two functions. */
function withChoice(design: Design, { chosenBy, conductor }: DemoCircuit, [firstId, secondId]: readonly string[]): Edit {
  const feed = wireTo(design, firstId!);
  const { name, ratingA, atMm } = chosenBy!;
  const put = putIntoRun(design, feed.id, partOf('changeoverOff'), atMm)!;
  const edit = new Edit(applyChange(design, put.change));
  edit.set(put.deviceId, { name, ratingA });
  const [taken] = wiresFrom(edit.design, put.deviceId);
  const other = taken!.from.terminal === 'up' ? 'down' : 'up';
  edit.set(secondId!, { partOf: { loadId: firstId!, shares: 'minus' } });
  const { lengthMm } = taken!;
  addWire(edit, 'supply', { deviceId: put.deviceId, terminal: other }, { deviceId: secondId!, terminal: 'plus' }, lengthMm, conductor);
  return edit;
}

function withPart(design: Design, { id, name, atMm, ratingA }: NonNullable<DemoCircuit['parts']>[number], loadId: string): Edit {
  const put = putIntoRun(design, wireTo(design, loadId).id, partOf(id), atMm)!;
  const edit = new Edit(applyChange(design, put.change));
  edit.set(put.deviceId, { name, ...(ratingA !== undefined && { ratingA }) });
  return edit;
}

const wiresFrom = (design: Design, deviceId: string) => recordsOf(design, 'wire').filter(({ from }) => from.deviceId === deviceId);

function wireTo(design: Design, loadId: string): Wire {
  return recordsOf(design, 'wire').find(({ to }) => to.deviceId === loadId && to.terminal === 'plus')!;
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
