import type { DesignIndex } from './designIndex';
import type { Device } from '../design/schema';
import { placeIdOf } from './layout';

/** A way back for a zone's current: where to, how far, and the joint it meets. */
export interface ReturnOption {
  kind: 'busBar' | 'chassis' | 'battery';
  deviceId: string;
  name: string;
  /** One way from the zone's place through the vehicle, slack at both ends counted; null where no route leads there. */
  lengthMm: number | null;
  /** Resistance of the joint at the chassis, milliohm. */
  jointMilliohm: number;
}

/**
 * The ways back from a place: every bus bar and ground point and the battery's own minus, the nearest first. What is not
 * placed, or not joined by routes, comes last.
 */
export function returnOptions({ devices, layout }: DesignIndex, fromPlaceId: string): ReturnOption[] {
  const options = Array.from(devices.values()).flatMap((device): ReturnOption[] => {
    const kind = returnKind(device);
    if (!kind) return [];
    const placeId = placeIdOf(devices, device.id);
    const run = placeId === null ? null : layout.ways.run(fromPlaceId, placeId, null);
    const lengthMm = run && run.routeIds !== null ? run.routedMm + run.slackMm : null;
    const jointMilliohm = device.kind === 'groundPoint' ? device.jointMilliohm : 0;
    return [{ kind, deviceId: device.id, name: device.name, lengthMm, jointMilliohm }];
  });
  return options.sort((a, b) => (a.lengthMm ?? Infinity) - (b.lengthMm ?? Infinity));
}

function returnKind(device: Device): ReturnOption['kind'] | null {
  if (device.kind === 'busBar') return 'busBar';
  if (device.kind === 'groundPoint') return 'chassis';
  return device.kind === 'battery' ? 'battery' : null;
}
