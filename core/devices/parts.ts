import type { Device } from '.';
import { kindOf } from '.';
import type { Path } from './kind';

/**
 * Parts put in by hand: what a person asks for, by the trade's names, and the record a new one of its usual make is. Ratings are those sold
 * everywhere; common practice.
 */

/** What a device is besides its id, name and place. */
export type Make<D extends Device = Device> = D extends Device ? Omit<D, 'id' | 'type' | 'name' | 'zoneId' | 'placeId'> : never;

/** Where a part stands in a run: on the way from the source to the load, on the way back, or on neither, by wires of its own. */
export type RunSide = 'supply' | 'return';

export interface Part {
  id: string;
  label: string;
  /** Other words it goes by. */
  also: string;
  sides: readonly RunSide[];
  make(nominalV: number): Make;
}

const BOTH = ['supply', 'return'] as const;
const SUPPLY = ['supply'] as const;
const RETURN = ['return'] as const;
const NEITHER = [] as const;

/**
 * A relay's coil for the system's voltage: 12 V coils have 85 ohm, 24 V ones four times that. Common practice; pull-in and drop-out as ISO
 * 7588 has them, from memory.
 */
function coil(nominalV: number) {
  const times = nominalV / 12;
  return {
    coilOhm: 85 * times * times,
    pullInV: 7.2 * times,
    dropOutV: 1.2 * times,
    suppression: 'resistor' as const,
    contactMilliohm: 5,
    ratingA: 30,
  };
}

export const PARTS: readonly Part[] = [
  {
    ...{ id: 'switch', label: 'Panel switch', also: 'rocker toggle on off', sides: BOTH },
    make: () => ({ kind: 'switch', ratingA: 16, ratedFor: 'dc' }),
  },
  {
    ...{ id: 'pilotSwitch', label: 'Panel switch with pilot lamp', also: 'lit illuminated rocker', sides: SUPPLY },
    make: () => ({ kind: 'switch', ratingA: 16, ratedFor: 'dc', pilot: true }),
  },
  {
    ...{ id: 'pushButton', label: 'Push button', also: 'momentary', sides: BOTH },
    make: () => ({ kind: 'switch', ratingA: 10, ratedFor: 'dc', momentary: true }),
  },
  {
    ...{ id: 'changeover', label: 'Changeover switch', also: 'double throw two-way', sides: SUPPLY },
    make: () => ({ kind: 'switch', ratingA: 16, ratedFor: 'dc', form: 'changeover' }),
  },
  {
    ...{ id: 'changeoverOff', label: 'Changeover switch with off', also: 'double throw centre off follow', sides: SUPPLY },
    make: () => ({ kind: 'switch', ratingA: 16, ratedFor: 'dc', form: 'changeoverOff' }),
  },
  {
    ...{ id: 'doublePole', label: 'Double-pole switch', also: 'two poles', sides: SUPPLY },
    make: () => ({ kind: 'switch', ratingA: 16, ratedFor: 'dc', form: 'doublePole' }),
  },
  {
    ...{ id: 'relay', label: 'Relay, make contact', also: 'four pins 30 87 coil', sides: SUPPLY },
    make: (nominalV) => ({ kind: 'relay', pins: 4, ...coil(nominalV) }),
  },
  {
    ...{ id: 'changeoverRelay', label: 'Relay, changeover contact', also: 'five pins 87a coil', sides: SUPPLY },
    make: (nominalV) => ({ kind: 'relay', pins: 5, ...coil(nominalV) }),
  },
  {
    ...{ id: 'latchingRelay', label: 'Latching relay', also: 'impulse step bistable button', sides: SUPPLY },
    make: (nominalV) => ({ kind: 'relay', pins: 4, ...coil(nominalV), latching: true }),
  },
  {
    ...{ id: 'timerRelay', label: 'Relay that lets go late', also: 'timer delay off', sides: SUPPLY },
    make: (nominalV) => ({ kind: 'relay', pins: 4, ...coil(nominalV), holdS: 60 }),
  },
  { ...{ id: 'splice', label: 'Joint', also: 'splice three-way branch', sides: BOTH }, make: () => ({ kind: 'splice' }) },
  {
    ...{ id: 'plug', label: 'Plug and socket', also: 'connector pair', sides: BOTH },
    make: () => ({ kind: 'plug', pins: 2, contactMilliohm: 5, ratingA: 15 }),
  },
  {
    ...{ id: 'fuse', label: 'Inline fuse', also: 'holder blade protection', sides: SUPPLY },
    make: () => ({ kind: 'protection', family: 'blade', ratingA: 10, mount: null }),
  },
  {
    ...{ id: 'breaker', label: 'Circuit breaker', also: 'thermal reset protection', sides: SUPPLY },
    make: () => ({ kind: 'protection', family: 'breaker', ratingA: 15, mount: null }),
  },
  { ...{ id: 'diode', label: 'Diode', also: 'rectifier blocking', sides: BOTH }, make: () => ({ kind: 'diode', ratingA: 6 }) },
  {
    ...{ id: 'dimmer', label: 'Dimmer, positive side', also: 'pulse width brightness', sides: SUPPLY },
    make: () => ({ kind: 'dimmer', side: 'positive', ratingA: 8, standbyA: 0.005 }),
  },
  {
    ...{ id: 'returnDimmer', label: 'Dimmer, return side', also: 'pulse width brightness minus', sides: RETURN },
    make: () => ({ kind: 'dimmer', side: 'return', ratingA: 8, standbyA: 0.005 }),
  },
  {
    ...{ id: 'motion', label: 'Motion switch', also: 'sensor detector', sides: SUPPLY },
    make: () => ({ kind: 'motionSwitch', holdS: 60, ratingA: 5, standbyA: 0.001 }),
  },
  {
    ...{ id: 'door', label: 'Door switch', also: 'pillar body return', sides: RETURN },
    make: () => ({ kind: 'doorSwitch', ratingA: 5 }),
  },
  {
    ...{ id: 'roller', label: 'Roller switch', also: 'micro-switch lever hatch', sides: BOTH },
    make: () => ({ kind: 'microSwitch', actuator: 'roller', ratingA: 5 }),
  },
  {
    ...{ id: 'plunger', label: 'Plunger switch', also: 'micro-switch push hood bonnet', sides: BOTH },
    make: () => ({ kind: 'microSwitch', actuator: 'push', ratingA: 5 }),
  },
  {
    ...{ id: 'receiver', label: 'Radio receiver', also: 'remote fob wireless channel', sides: SUPPLY },
    make: () => ({ kind: 'receiver', channels: 1, mode: 'latching', channelMaxA: 10, standbyA: 0.006 }),
  },
  {
    ...{ id: 'hub', label: 'Rule hub', also: 'controller logic outputs', sides: SUPPLY },
    make: () => ({
      ...{ kind: 'ruleHub', inputs: 4, outputs: 4, outputMaxA: 10, standbyA: 0.01 },
      rules: [{ output: 1, all: [1], none: [], block: false }],
    }),
  },
  {
    ...{ id: 'isolator', label: 'Isolator', also: 'battery switch', sides: SUPPLY },
    make: () => ({ kind: 'isolator', ratingA: 275 }),
  },
  {
    ...{ id: 'cutOut', label: 'Low-voltage cut-off', also: 'disconnect battery saver', sides: SUPPLY },
    make: (nominalV) => ({ kind: 'cutOut', ratingA: 60, offV: (11.6 * nominalV) / 12, onV: (12.7 * nominalV) / 12 }),
  },
  {
    ...{ id: 'shunt', label: 'Shunt', also: 'ampere monitor', sides: RETURN },
    make: () => ({ kind: 'shunt', milliohm: 0.75, ratingA: 100 }),
  },
  { ...{ id: 'busBar', label: 'Bus bar', also: 'stud terminal block', sides: BOTH }, make: () => ({ kind: 'busBar', ratingA: 100 }) },
  {
    ...{ id: 'groundPoint', label: 'Ground point', also: 'chassis body bolt earth', sides: NEITHER },
    make: () => ({ kind: 'groundPoint', jointMilliohm: 5 }),
  },
  {
    ...{ id: 'signals', label: 'Vehicle signals', also: 'ignition accessory high beam reverse trigger lamp key', sides: NEITHER },
    make: () => ({ kind: 'signalSource', signals: ['ignition', 'highBeam', 'reverse'], maxA: 0.5 }),
  },
  {
    ...{
      id: 'vehicleFeed',
      label: 'Feed from the vehicle',
      also: 'fuse box tap accessory ignition key lamp wire add a circuit',
      sides: NEITHER,
    },
    make: () => ({ kind: 'vehicleFeed', signal: 'accessory', polarity: 'live', from: 'slot', serves: '' }),
  },
];

/**
 * The two terminals by which a part stands in a run, the first towards where the current comes from; null for one that stands in none of
 * that side.
 */
export function runPath(device: Device, side: RunSide): Path | null {
  if (device.kind === 'splice') return { from: 'joint', to: 'joint' };
  if (device.kind === 'busBar') return { from: 'bar', to: 'bar' };
  // Coming home, the system's side is the one the current comes from.
  if (device.kind === 'shunt') return side === 'return' ? { from: 'system', to: 'battery' } : null;
  return kindOf(device).paths(device)[0] ?? null;
}
