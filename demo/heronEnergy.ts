import type { Use } from '../core/design/schema';
import { hours, type DemoEnergy } from './energyBuilder';
import { STORED, WINTER, WORK } from './heronCircuits';

const evening: Use = { rule: 'dark', untilMin: 22 * 60 + 30 };
const during = (...spans: [from: number, to: number][]): Use => ({ rule: 'hours', spans: spans.map(([from, to]) => hours(from, to)) });
const at = (id: string, name: string, zoneId: string) => ({ id, type: 'device' as const, name, zoneId });

/** Heron through a winter weekend, a working week in May and two months in a shed, with made-up sources. */
export const HERON_ENERGY: DemoEnergy = {
  scenarios: {
    [WINTER]: {
      ...{ latitudeDeg: 52.8, longitudeDeg: 0.5, headingDeg: 90, climate: 'maritime', startDay: 24, days: 3 },
      ...{ driving: [hours(9, 11.5)], drivingEveryDays: 1 },
    },
    [WORK]: {
      ...{ latitudeDeg: 52.8, longitudeDeg: 0.5, headingDeg: 200, climate: 'maritime', startDay: 125, days: 7 },
      ...{ driving: [hours(6, 6.75), hours(19, 19.5)], drivingEveryDays: 2, occupied: [hours(17, 8)] },
      shadePercent: [0, 0, 0, 0, 0, 60, 60, 40, 20, 0, 0, 0, 0, 0, 0, 0, 0, 20, 40, 60, 60, 0, 0, 0],
    },
    [STORED]: {
      ...{ latitudeDeg: 52.8, longitudeDeg: 0.5, climate: 'maritime', startDay: 320, days: 60, occupied: [] },
      shadePercent: new Array<number>(24).fill(100),
    },
  },
  uses: {
    'Galley light strip': { [WINTER]: during([7, 8.5], [17, 21]), [WORK]: during([19.5, 22]) },
    'Reading light': { [WINTER]: during([20.5, 23]), [WORK]: during([21.5, 23]) },
    'Diesel heater': { [WINTER]: during([6, 9], [16, 23]), [WORK]: during([5, 7], [21, 23]) },
    'Roof fan': { [WINTER]: during([8, 8.5], [18, 19]), [WORK]: during([12, 20]) },
    'Bench puck': { [WINTER]: during([6.5, 8], [16, 18.5]), [WORK]: during([4.5, 6], [18, 22]) },
    'Small computer with screen': { [WINTER]: during([18, 21]), [WORK]: during([9, 12], [17, 21]) },
    'Camera charger': { [WINTER]: during([17, 22]), [WORK]: during([17, 23]) },
    'Driving lamp, low': { [WINTER]: { rule: 'driving' }, [WORK]: { rule: 'driving' } },
    'Awning strip': { [WINTER]: evening },
    'Step light': { [WINTER]: { rule: 'motion', timesPerNight: 20, holdS: 60 }, [WORK]: { rule: 'motion', timesPerNight: 20, holdS: 60 } },
    'USB pair': { [WINTER]: { rule: 'occupied' }, [WORK]: { rule: 'occupied' } },
    'Gas and smoke alarm': { [WINTER]: { rule: 'leftOn' }, [WORK]: { rule: 'leftOn' }, [STORED]: { rule: 'leftOn' } },
  },
  loads: {
    'Compressor fridge': {
      thermostat: { mode: 'cools', setC: 4, sharePercent: 32, atC: 25, whPerOpening: 1.5 },
      ...{ startFactor: 2.5, startMs: 300, critical: true },
    },
    'Gas and smoke alarm': { critical: true },
    'Diesel heater': { critical: true, startFactor: 1.2, startMs: 3000 },
  },
  duties: { 'Compressor fridge': { openingsPerDay: 18 }, 'USB pair': { sharePercent: 18 }, 'Awning strip': { levelPercent: 40 } },
  sources: [
    {
      ...at('sun_roof', 'Roof panels', 'zone_roof'),
      ...{ kind: 'solarPanel', watts: 175, bestV: 18.8, openV: 22.6, shortA: 9.9, count: 2, wired: 'parallel', tiltDeg: 0, facesDeg: 0 },
      ...{ regulated: false, controllerId: 'sun_controller', aired: true },
    },
    {
      ...at('sun_controller', 'Solar controller', 'zone_bunk'),
      kind: 'solarController',
      method: 'tracking',
      maxA: 30,
      maxPanelV: 75,
      outputV: 14.4,
      cable: { conductor: 'mm2:10', lengthMm: 1200, batteryFuseA: 40, sourceFuseA: null },
    },
    {
      ...at('alternator', 'Alternator', 'zone_engine'),
      ...{ kind: 'alternator', ratedA: 160, outputV: 14.2, idlePercent: 45, hotPercent: 75, vehicleA: 35, idlingPercent: 15 },
    },
    {
      ...at('dcdc', 'DC-DC charger', 'zone_bunk'),
      ...{
        kind: 'dcDcCharger',
        outputV: 14.4,
        maxA: 30,
        efficiencyPercent: 92,
        inputConductor: 'mm2:16',
        inputLengthMm: 4200,
        inputFuseA: 50,
        cable: { conductor: 'mm2:10', lengthMm: 1400, batteryFuseA: 40, sourceFuseA: null },
      },
    },
  ],
};
