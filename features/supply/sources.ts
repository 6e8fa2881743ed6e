import type { Change } from '@/core/design/change';
import { devicesOfKind, settingsOf, type Design } from '@/core/design/design';
import { newId } from '@/core/design/ids';
import type { Device } from '@/core/design/schema';
import type { Vehicle } from '@/core/catalog/vocabulary';
import { usualAlternator } from '@/core/devices/alternator';

export type SourceKind = 'solarPanel' | 'foldingPanel' | 'solarController' | 'alternator' | 'dcDcCharger' | 'splitRelay' | 'charger';
export type Source = Extract<Device, { kind: Exclude<SourceKind, 'foldingPanel'> }>;

export const SOURCE_KINDS: { key: SourceKind; label: string }[] = [
  { key: 'solarPanel', label: 'Roof panel and controller' },
  { key: 'foldingPanel', label: 'Folding panel' },
  { key: 'solarController', label: 'Solar controller' },
  { key: 'alternator', label: 'Alternator' },
  { key: 'dcDcCharger', label: 'DC-DC charger' },
  { key: 'splitRelay', label: 'Split-charge relay' },
  { key: 'charger', label: 'Hookup charger' },
];

/** Vehicles that usually have one battery for everything. */
const ONE_BATTERY = new Set<Vehicle>(['openFrame', 'motorcycle', 'pickUp']);

/** Puts a usual source of a kind into the design; a roof panel brings a controller when there is none. */
export function addSource(design: Design, kind: SourceKind): Change {
  const chargeV = settingsOf(design).nominalV === 24 ? 28.8 : 14.4;
  const own = (name: string) => ({ id: newId('src'), type: 'device' as const, name, zoneId: null });
  const controller = (): Source => ({
    ...own('Solar controller'),
    kind: 'solarController',
    method: 'tracking',
    maxA: 20,
    maxPanelV: 75,
    outputV: chargeV,
  });
  const added: Source[] = [];
  switch (kind) {
    case 'solarPanel': {
      const known = devicesOfKind(design, 'solarController')[0];
      if (!known) added.push(controller());
      added.unshift({
        ...own('Roof panel'),
        ...{ kind: 'solarPanel', watts: 100, bestV: 18, openV: 22, shortA: 6, count: 1, wired: 'parallel', tiltDeg: 0, facesDeg: 0 },
        ...{ regulated: false, controllerId: known?.id ?? added[0]!.id },
      });
      break;
    }
    case 'foldingPanel':
      added.push({
        ...own('Folding panel'),
        ...{ kind: 'solarPanel', watts: 100, bestV: 18, openV: 22, shortA: 6, count: 1, wired: 'parallel', tiltDeg: 35, facesDeg: 0 },
        ...{ regulated: true, controllerId: null, turned: true, aired: true },
      });
      break;
    case 'solarController':
      added.push(controller());
      break;
    case 'alternator':
      added.push({
        ...own('Alternator'),
        ...usualAlternator(settingsOf(design).nominalV),
        // With one battery and nothing between it and the engine, the alternator charges that one.
        ...(devicesOfKind(design, 'dcDcCharger').length + devicesOfKind(design, 'splitRelay').length === 0 &&
          ONE_BATTERY.has(settingsOf(design).vehicle) && { direct: true }),
      });
      break;
    case 'dcDcCharger':
      added.push({
        ...own('DC-DC charger'),
        ...{
          kind: 'dcDcCharger',
          outputV: chargeV,
          maxA: 20,
          efficiencyPercent: 90,
          inputConductor: null,
          inputLengthMm: 4000,
          inputFuseA: null,
        },
      });
      break;
    case 'splitRelay':
      added.push({ ...own('Split-charge relay'), kind: 'splitRelay', ratingA: 140 });
      break;
    case 'charger':
      added.push({ ...own('Hookup charger'), kind: 'charger', outputV: chargeV, maxA: 15 });
      break;
  }
  return { added, updated: [], removed: [] };
}
