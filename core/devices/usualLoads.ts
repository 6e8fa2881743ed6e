import type { Draw, Load, LoadBehaviour } from './load';

/** A generic load to start from. */
export interface CatalogLoad {
  name: string;
  rated: Draw;
  behaviour: LoadBehaviour;
  continuous: boolean;
  more?: Partial<Pick<Load, 'standbyA' | 'startFactor' | 'startMs' | 'thermostat' | 'cutOutV' | 'critical'>>;
}

const watts = (value: number): Draw => ({ kind: 'watts', watts: value, atV: 12 });
const FRIDGE: Pick<Load, 'thermostat'> = { thermostat: { mode: 'cools', setC: 4, sharePercent: 33, atC: 25, whPerOpening: 1.5 } };

/** Typical draws of what goes into campers, in the middle of the trade's ranges; from memory: read the box, then measure. */
export const CATALOG_LOADS: readonly CatalogLoad[] = [
  { name: 'Puck light', rated: watts(3), behaviour: 'ledConstantCurrent', continuous: true },
  { name: 'Reading light', rated: watts(3), behaviour: 'ledConstantCurrent', continuous: true },
  { name: 'Light bar', rated: watts(9), behaviour: 'ledConstantCurrent', continuous: true },
  {
    name: 'Light strip, 1 m',
    rated: { kind: 'strip', wattsPerM: 9.6, lengthMm: 1000, pieces: 1, join: 'endToEnd', atV: 12 },
    behaviour: 'ledStrip',
    continuous: true,
  },
  { name: 'Work lamp', rated: watts(20), behaviour: 'ledConstantPower', continuous: true },
  { name: 'Driving lamp', rated: watts(60), behaviour: 'ledConstantPower', continuous: true },
  {
    name: 'Compressor fridge',
    rated: watts(50),
    behaviour: 'converter',
    continuous: true,
    more: { ...FRIDGE, startFactor: 2.5, startMs: 300, cutOutV: 10.4 },
  },
  { name: 'Diesel heater', rated: watts(110), behaviour: 'resistive', continuous: false, more: { startFactor: 1.2, startMs: 3000 } },
  { name: 'Water pump', rated: watts(60), behaviour: 'motor', continuous: false, more: { startFactor: 5, startMs: 150 } },
  { name: 'Roof fan', rated: watts(24), behaviour: 'motor', continuous: true, more: { startFactor: 4, startMs: 100 } },
  { name: 'USB pair', rated: watts(28), behaviour: 'converter', continuous: true, more: { standbyA: 0.01 } },
  { name: 'Fast USB socket', rated: watts(65), behaviour: 'converter', continuous: true, more: { standbyA: 0.015 } },
  { name: 'Router', rated: watts(10), behaviour: 'converter', continuous: true },
  { name: 'Small computer', rated: watts(10), behaviour: 'converter', continuous: true },
  { name: 'Screen', rated: watts(12), behaviour: 'converter', continuous: true },
  { name: 'Laptop charger', rated: watts(65), behaviour: 'converter', continuous: true, more: { standbyA: 0.02 } },
  { name: 'Satellite terminal', rated: watts(50), behaviour: 'converter', continuous: true },
  { name: 'Two-way radio, listening', rated: { kind: 'amps', amps: 0.4, atV: 12 }, behaviour: 'ledConstantCurrent', continuous: true },
  { name: 'Two-way radio, sending', rated: { kind: 'amps', amps: 5.5, atV: 12 }, behaviour: 'ledConstantCurrent', continuous: false },
  {
    name: 'Gas alarm',
    rated: { kind: 'amps', amps: 0.08, atV: 12 },
    behaviour: 'ledConstantCurrent',
    continuous: true,
    more: { critical: true },
  },
];
