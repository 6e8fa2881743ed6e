import { RATINGS_A } from '../catalog/fuses';
import { goesByGauge, type ProtectionFamily } from '../catalog/vocabulary';
import type { Change } from '../design/change';
import { settingsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Protection } from '../design/schema';
import type { VehicleFeed } from '../devices/vehicleFeed';
import { homeward } from './returns';
import { nextCircuitNumber } from './schemes';
import { addWire } from './wires';

/** From a tap to the fuse in its own holder, mm: within every school's limit for a bare lead. Common practice. */
const HOLDER_MM = 80;

/** What is known of a place in the vehicle's own wiring when a circuit is taken from it. */
export type VehicleSource = Pick<VehicleFeed, 'signal' | 'from' | 'leg' | 'ownFuseA' | 'drawnA' | 'serves'>;

/**
 * A circuit fed by the vehicle's own fuse box or one of its wires: the feed, a fuse of the circuit's own right beside it, and the way home of the vehicle's battery. Loads
 * hang on it as on any other.
 */
export function addVehicleCircuit(
  design: Design,
  name: string,
  zoneId: string | null,
  source: VehicleSource,
  ratingA: number,
  family: ProtectionFamily = 'blade',
): { change: Change; circuitId: string } {
  const edit = new Edit(design);
  const device = { type: 'device' as const, zoneId: null };
  const feed = edit.add<VehicleFeed>({
    ...device,
    id: newId('part'),
    kind: 'vehicleFeed',
    name: `${name}, from the vehicle`,
    polarity: 'live',
    ...source,
  });
  const fits = RATINGS_A[family].includes(ratingA) ? ratingA : RATINGS_A[family][0]!;
  const fuse = edit.add<Protection>({
    ...device,
    id: newId('fuse'),
    kind: 'protection',
    name: `${name} fuse`,
    family,
    ratingA: fits,
    mount: null,
  });
  const conductor = goesByGauge(settingsOf(design).conductorStandard) ? 'awg:14' : 'mm2:2.5';
  const lead = addWire(edit, 'supply', { deviceId: feed.id, terminal: 'out' }, { deviceId: fuse.id, terminal: 'in' }, HOLDER_MM, conductor);
  edit.set(lead.id, { lengthMeasured: true });
  addWire(edit, 'return', { deviceId: feed.id, terminal: 'minus' }, homeward(edit, feed.id), 500, conductor);
  const circuit = edit.add({
    ...{ id: newId('cir'), type: 'circuit' as const, number: nextCircuitNumber(design), name, zoneId, protectionId: fuse.id },
    ...{ dropClass: 'general' as const, targetPercent: null, note: '' },
  });
  return { change: edit.change, circuitId: circuit.id };
}
