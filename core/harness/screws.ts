import type { Device } from '../design/schema';
import type { DesignIndex } from '../rig/designIndex';
import type { PinCard } from './pinCards';
import type { HarnessWire } from './harnessWire';

/** One end to be landed: which device, which terminal, which wire. */
export interface Screw {
  device: Device;
  terminal: string;
  line: HarnessWire;
  far: HarnessWire['from'];
  /** Of its device, counted from 1. */
  at: number;
  of: number;
}

/**
 * What is landed when: loads and what switches first, then bars home, fuse blocks after them, what leads to the battery last and its plus
 * the very last. Common practice.
 */
const ORDER: readonly (readonly Device['kind'][])[] = [
  ['load'],
  [
    'switch',
    'microSwitch',
    'doorSwitch',
    'motionSwitch',
    'dimmer',
    'receiver',
    'ruleHub',
    'relay',
    'diode',
    'plug',
    'splice',
    'signalSource',
    'vehicleFeed',
  ],
  ['groundPoint', 'busBar'],
  ['fuseBlock'],
  ['solarPanel', 'solarController', 'dcDcCharger', 'charger', 'splitRelay', 'alternator', 'cutOut', 'shunt', 'isolator', 'protection'],
  ['battery'],
];

/** Every end in the order it is landed, a device at a time, from what is furthest from the battery to its plus. */
export function screwsOf({ layout }: DesignIndex, cards: readonly PinCard[]): Screw[] {
  const rank = ({ kind }: Device) => ORDER.findIndex((kinds) => kinds.includes(kind));
  const place = ({ placeId }: Device) => (placeId ? (layout.places.get(placeId)?.name ?? '') : '');
  const inOrder = [...cards].sort(
    (a, b) =>
      rank(a.device) - rank(b.device) ||
      place(a.device).localeCompare(place(b.device)) ||
      a.device.name.localeCompare(b.device.name) ||
      (a.device.id < b.device.id ? -1 : 1),
  );
  return inOrder.flatMap(({ device, pins }) => {
    const isPlus = (terminal: string) => device.kind === 'battery' && terminal === 'plus';
    const own = pins.flatMap(({ terminal, lands }) => lands.map((land) => ({ device, terminal, ...land })));
    const last = [...own.filter(({ terminal }) => !isPlus(terminal)), ...own.filter(({ terminal }) => isPlus(terminal))];
    return last.map((screw, at) => ({ ...screw, at: at + 1, of: own.length }));
  });
}
