import { isFitting, progressOf, type Fitting } from '../design/asBuilt';
import { recordOf } from '../design/design';
import { nameOf } from '../design/names';
import type { Device } from '../design/schema';
import type { Analysis } from './types';

/** Devices and wires one fits together. */
export interface FittingGroup {
  /** A circuit's id, or what the others have in common. */
  id: string;
  name: string;
  fittings: Fitting[];
}

/** What circuits share, which is fitted with the main path. */
const SHARED: ReadonlySet<Device['kind']> = new Set(['battery', 'busBar', 'fuseBlock', 'groundPoint', 'isolator', 'shunt']);

/**
 * Every device and wire of a whole design once: what is planned or fitted by its circuit in their order, a fuse first, then the main path
 * and the rest; what is there for now; what was taken out. A group with nothing in it is left out.
 * @param all the whole design analysed, whatever state its things are in: a circuit’s things stay its own while one of them is out
 */
export function fittingGroups(all: Analysis): FittingGroup[] {
  const whole = all.design;
  const left = new Map(Array.from(whole.records.values()).filter(isFitting).map((fitting) => [fitting.id, fitting])); // prettier-ignore
  const take = (ids: Iterable<string>) =>
    Array.from(new Set(ids)).flatMap((id) => {
      const fitting = left.get(id);
      left.delete(id);
      return fitting ? [fitting] : [];
    });
  const inState = (state: string) => Array.from(left.values()).filter((fitting) => progressOf(fitting) === state).map(({ id }) => id); // prettier-ignore
  const temporary = take(inState('temporary'));
  const removed = take(inState('removed'));
  const circuits = all.circuits.map((circuit) => {
    const wireIds = [...circuit.supplyWireIds, ...circuit.returnWireIds];
    const deviceIds = wireIds.flatMap((id) => endsOf(all, id)).filter((id) => !isShared(all, id));
    return {
      id: circuit.id,
      name: nameOf(whole, circuit.id),
      fittings: take([circuit.protectionId, ...deviceIds, ...circuit.loadIds, ...circuit.partIds, ...wireIds]),
    };
  });
  const groups = [
    ...circuits,
    { id: 'main', name: 'Main path, sources and the rest', fittings: Array.from(left.values()) },
    { id: 'temporary', name: 'There for now', fittings: temporary },
    { id: 'removed', name: 'Taken out', fittings: removed },
  ];
  return groups.filter(({ fittings }) => fittings.length > 0);
}

function endsOf({ design }: Analysis, wireId: string): string[] {
  const wire = recordOf(design, wireId, 'wire');
  return wire ? [wire.from.deviceId, wire.to.deviceId] : [];
}

function isShared({ index }: Analysis, id: string): boolean {
  const device = index.devices.get(id);
  return device !== undefined && SHARED.has(device.kind);
}
