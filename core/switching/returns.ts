import type { ReturnKind } from '../catalog/vocabulary';
import type { Change } from '../design/change';
import { deviceOf, devicesOfKind, recordOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { BusBar, TerminalRef } from '../design/schema';
import { traceWiring } from '../network/traceWiring';
import { terminalKey } from '../network/wiring';
import { indexDesign } from '../rig/designIndex';
import { nearestFirst, whereIs, type Whereabouts } from './fuseBerth';
import { addWire } from './wires';

/** Where a circuit’s current comes home: by cable to a bar, or by the chassis. */

/** A chassis joint as found on a clean, tight bolt, milliohm. Common practice. */
const CHASSIS_JOINT_MILLIOHM = 5;

/** Brings a circuit's return home by cable to the bus bar, or to a chassis ground point near its loads. */
export function setReturn(design: Design, circuitId: string, kind: ReturnKind, returnWireIds: readonly string[]): Change {
  const edit = new Edit(design);
  for (const id of returnWireIds) {
    const wire = recordOf(design, id, 'wire');
    if (!wire) continue;
    for (const side of ['from', 'to'] as const) {
      const device = recordOf(design, wire[side].deviceId, 'device');
      const near = recordOf(design, wire[side === 'from' ? 'to' : 'from'].deviceId, 'device');
      const isEnd = device?.kind === 'busBar' || device?.kind === 'groundPoint' || device?.kind === 'battery';
      if (isEnd && (kind === 'chassis') !== (device.kind === 'groundPoint')) {
        const target = returnTarget(edit, kind, near?.id ?? null);
        const lengthMm = kind === 'chassis' ? Math.min(wire.lengthMm, 500) : supplyLength(design, circuitId);
        edit.set(id, { [side]: target, lengthMm });
      }
    }
  }
  return edit.change;
}

function supplyLength(design: Design, circuitId: string): number {
  const { supply } = traceWiring(indexDesign(design));
  const wires = supply.nodes.filter((node) => node.circuitId === circuitId && node.wire);
  return Math.min(
    100_000,
    wires.reduce((sum, { wire }) => sum + wire!.lengthMm, 0),
  );
}

export function returnTarget(edit: Edit, kind: ReturnKind, fromId: string | null): TerminalRef {
  const { design } = edit;
  const near = fromId === null ? { placeId: null, zoneId: null } : whereIs(indexDesign(design), fromId);
  const { zoneId } = near;
  const bar = returnBar(design, near);
  const battery = devicesOfKind(design, 'battery')[0];
  if (kind === 'chassis') return { deviceId: groundPoint(edit, zoneId, bar?.id ?? battery?.id ?? null), terminal: 'stud' };
  if (bar) return { deviceId: bar.id, terminal: 'bar' };
  if (battery) return { deviceId: battery.id, terminal: 'minus' };
  return { deviceId: addBar(edit), terminal: 'bar' };
}

/** Where a cable of its own brings a device’s current home: the nearest return bar, else the battery’s minus. */
export function homeward(edit: Edit, deviceId: string): TerminalRef {
  return returnTarget(edit, 'dedicated', deviceId);
}

/** The nearest bus bar already tied to the battery's negative, else one that is on no positive. */
function returnBar(design: Design, near: Whereabouts): BusBar | null {
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  const bars = nearestFirst(index, devicesOfKind(design, 'busBar'), near);
  const onReturn = bars.find(({ id }) => wiring.return.at.has(terminalKey(id, 'bar')));
  return onReturn ?? bars.find(({ id }) => !wiring.supply.at.has(terminalKey(id, 'bar'))) ?? null;
}

/** A ground point in the zone, and one that ties the chassis to the battery's negative if there is none yet. */
function groundPoint(edit: Edit, zoneId: string | null, negativeId: string | null): string {
  const points = devicesOfKind(edit.design, 'groundPoint');
  if (points.length === 0 && negativeId !== null) {
    const strap = addGroundPoint(edit, 'Battery to chassis', deviceZone(edit.design, negativeId));
    const terminal = deviceOf(edit.design, negativeId, 'busBar') ? 'bar' : 'minus';
    const thick = Array.from(edit.design.records.values()).find((record) => record.type === 'wire' && record.from.deviceId === negativeId);
    const conductor = thick?.type === 'wire' ? thick.conductor : 'mm2:25';
    addWire(edit, 'return', { deviceId: strap, terminal: 'stud' }, { deviceId: negativeId, terminal }, 500, conductor);
    if (deviceZone(edit.design, strap) === zoneId) return strap;
  }
  const here = points.find((point) => point.zoneId === zoneId);
  if (here) return here.id;
  const zone = recordOf(edit.design, zoneId, 'zone');
  return addGroundPoint(edit, zone ? `${zone.name} ground point` : 'Ground point', zoneId);
}

function addGroundPoint(edit: Edit, name: string, zoneId: string | null): string {
  const jointMilliohm = CHASSIS_JOINT_MILLIOHM;
  return edit.add({ id: newId('gnd'), type: 'device', kind: 'groundPoint', name, zoneId, jointMilliohm }).id;
}

function addBar(edit: Edit): string {
  return edit.add({ id: newId('bar'), type: 'device', kind: 'busBar', name: 'Return bus bar', zoneId: null, ratingA: 150 }).id;
}

function deviceZone(design: Design, id: string): string | null {
  return recordOf(design, id, 'device')?.zoneId ?? null;
}
