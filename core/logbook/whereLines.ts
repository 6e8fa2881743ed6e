import { recordsOf, type Design } from '../design/design';
import { placeIdOf } from '../rig/layout';
import type { DesignIndex } from '../rig/designIndex';
import { eventsOf } from './inspections';

/** What the logbook has of one place: its lines, the newest first, and how many photos go with them. */
export interface PlaceLines {
  placeId: string;
  eventIds: string[];
  photos: number;
}

/**
 * Lines of the logbook by where in the vehicle what they are about is: a part at its place, a circuit at its fuse. What has no place is in
 * none.
 */
export function linesByPlace(design: Design, { devices, places, circuits }: DesignIndex): PlaceLines[] {
  const known = new Set(places.map(({ id }) => id));
  const fuseOf = new Map(circuits.map(({ id, protectionId }) => [id, protectionId]));
  const placeOf = (id: string) => (known.has(id) ? id : placeIdOf(devices, fuseOf.get(id) ?? id));
  const photos = recordsOf(design, 'photo');
  const found = new Map<string, PlaceLines>();
  for (const { id, about = [] } of eventsOf(design)) {
    for (const placeId of new Set(about.map((one) => placeOf(one.id)))) {
      if (placeId === null || !known.has(placeId)) continue;
      const at = found.get(placeId) ?? { placeId, eventIds: [], photos: 0 };
      at.eventIds.push(id);
      at.photos += photos.filter(({ eventId }) => eventId === id).length;
      found.set(placeId, at);
    }
  }
  return Array.from(found.values());
}
