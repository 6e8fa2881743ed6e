import type { Change } from '../design/change';
import type { Design } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { VehicleFeed } from '../devices/vehicleFeed';
import { homeward } from './returns';
import { addCircuit } from './schemes';
import { usualScheme } from './usualScheme';
import { addWire } from './wires';

/** From a tap to the fuse in its own holder, mm: within every school's limit for a bare lead. Common practice. */
const HOLDER_MM = 80;

/** What is known of a place in the vehicle's own wiring when a circuit is taken from it. */
export type VehicleSource = Pick<VehicleFeed, 'signal' | 'from' | 'leg' | 'ownFuseA' | 'drawnA' | 'serves'>;

/**
 * A circuit fed by the vehicle's own fuse box or one of its wires: the feed, a fuse of the circuit's own right beside it, and the way home
 * of the vehicle's battery. Loads hang on it as on any other.
 */
export function addVehicleCircuit(
  design: Design,
  name: string,
  zoneId: string | null,
  source: VehicleSource,
  ratingA: number,
): { change: Change; circuitId: string } {
  const edit = new Edit(design);
  const scheme = { ...usualScheme(design, name, zoneId), ratingA, mount: null };
  const { id: circuitId, protectionId } = addCircuit(edit, scheme);
  const feed = edit.add<VehicleFeed>({
    ...{ id: newId('part'), type: 'device', kind: 'vehicleFeed', name: `${name}, from the vehicle`, zoneId: null },
    ...{ polarity: 'live', ...source },
  });
  const end = (deviceId: string, terminal: string) => ({ deviceId, terminal });
  const lead = addWire(edit, 'supply', end(feed.id, 'out'), end(protectionId, 'in'), HOLDER_MM, scheme.conductor);
  edit.set(lead, { lengthMeasured: true });
  addWire(edit, 'return', end(feed.id, 'minus'), homeward(edit, feed.id), 500, scheme.conductor);
  return { change: edit.change, circuitId };
}
