import type { DropClass } from '../catalog/vocabulary';
import type { Draw, Load, LoadBehaviour } from './load';

/** What a load's name says about it. */
export interface LoadKind {
  id: string;
  label: string;
  /** Words that name one, in several languages of the trade's catalogues written out in English ones. */
  words: RegExp;
  behaviour: LoadBehaviour;
  /** Whether it runs for hours. */
  continuous: boolean;
  /** How its circuit is judged: lights and what must not fail closely, the rest as most things. */
  dropClass: DropClass;
  /** Its usual draw, where there is one. */
  usual?: Draw;
  more?: Partial<Pick<Load, 'standbyA' | 'startFactor' | 'startMs' | 'thermostat' | 'cutOutV' | 'critical'>>;
}

const watts = (value: number): Draw => ({ kind: 'watts', watts: value, atV: 12 });

/**
 * Kinds by their usual words, the narrower first. Behaviour, start and draw: the middle of the trade's ranges, from memory; where a name
 * could mean two, the heavier start and the longer run.
 */
export const LOAD_KINDS: readonly LoadKind[] = [
  {
    ...{ id: 'fridge', label: 'compressor fridge', words: /fridge|freezer|refrigerator|cool ?box|cooler/, behaviour: 'converter' },
    ...{ continuous: true, dropClass: 'general', usual: watts(50) },
    more: {
      startFactor: 2.5,
      startMs: 300,
      cutOutV: 10.4,
      thermostat: { mode: 'cools', setC: 4, sharePercent: 33, atC: 25, whPerOpening: 1.5 },
    },
  },
  {
    ...{ id: 'inverter', label: 'inverter', words: /inverter/, behaviour: 'converter', continuous: true, dropClass: 'general' },
    more: { startFactor: 2, startMs: 200, standbyA: 0.6, cutOutV: 10.5 },
  },
  {
    ...{
      id: 'strip',
      label: 'LED strip',
      words: /\b(led )?(strip|tape|rope)s?\b/,
      behaviour: 'ledStrip',
      continuous: true,
      dropClass: 'critical',
    },
    usual: { kind: 'strip', wattsPerM: 9.6, lengthMm: 1000, pieces: 1, join: 'endToEnd', atV: 12 },
  },
  {
    ...{ id: 'filament', label: 'filament lamp', words: /halogen|filament|incandescent|bulb/, behaviour: 'filament', continuous: true },
    ...{ dropClass: 'critical', usual: watts(10) },
  },
  {
    ...{
      id: 'workLamp',
      label: 'work or driving lamp',
      words: /\b(work|driving|spot|flood|scene|reversing|fog|ditch|beam)[ -]?(lamp|light)s?\b|light ?bar|flood ?light/,
    },
    ...{ behaviour: 'ledConstantPower', continuous: true, dropClass: 'critical', usual: watts(20) },
  },
  {
    ...{
      id: 'lamp',
      label: 'LED lamp',
      words: /lights?\b|lamps?\b|\bleds?\b|pucks?\b|spots?\b|lantern|downlight|lighting/,
      behaviour: 'ledConstantCurrent',
    },
    ...{ continuous: true, dropClass: 'critical', usual: watts(3) },
  },
  {
    ...{
      id: 'airHeater',
      label: 'fuel-burning heater',
      words: /(diesel|petrol|gas|air|parking|night|fuel).?heater|heater.*(diesel|petrol|gas)/,
      behaviour: 'resistive',
    },
    ...{ continuous: true, dropClass: 'general', usual: watts(110), more: { startFactor: 1.2, startMs: 3000 } },
  },
  {
    ...{
      id: 'heater',
      label: 'electric heater',
      words: /heat|blanket|kettle|coffee|boiler|hot plate|defrost/,
      behaviour: 'resistive',
      continuous: true,
    },
    dropClass: 'general',
  },
  {
    ...{
      id: 'winch',
      label: 'winch or heavy motor',
      words: /winch|hoist|compressor|bow thruster/,
      behaviour: 'motor',
      continuous: false,
      dropClass: 'general',
    },
    more: { startFactor: 6, startMs: 300 },
  },
  {
    ...{
      id: 'pump',
      label: 'pump',
      words: /pump|shower|macerator|bilge|toilet|washer/,
      behaviour: 'motor',
      continuous: false,
      dropClass: 'general',
    },
    ...{ usual: watts(60), more: { startFactor: 5, startMs: 150 } },
  },
  {
    ...{
      id: 'fan',
      label: 'fan',
      words: /\bfans?\b|blower|ventilat|extractor|vent\b/,
      behaviour: 'motor',
      continuous: true,
      dropClass: 'general',
    },
    ...{ usual: watts(24), more: { startFactor: 4, startMs: 100 } },
  },
  {
    ...{
      id: 'motor',
      label: 'motor',
      words: /motor|actuator|\bstep\b|lift|slide|awning|lock(er)?s?\b|jack/,
      behaviour: 'motor',
      continuous: false,
    },
    ...{ dropClass: 'general', more: { startFactor: 5, startMs: 200 } },
  },
  {
    ...{
      id: 'alarm',
      label: 'alarm or detector',
      words: /alarm|detector|monitor|tracker|sensor/,
      behaviour: 'ledConstantCurrent',
      continuous: true,
    },
    ...{ dropClass: 'critical', usual: { kind: 'amps', amps: 0.08, atV: 12 }, more: { critical: true } },
  },
  {
    ...{
      id: 'charger',
      label: 'charger',
      words: /charg|usb|socket|outlet|12 ?v (plug|port)|laptop/,
      behaviour: 'converter',
      continuous: true,
    },
    ...{ dropClass: 'general', usual: watts(28), more: { standbyA: 0.01 } },
  },
  {
    ...{
      id: 'electronics',
      label: 'electronics',
      words:
        /radio|router|modem|computer|screen|\btv\b|telly|television|satellite|terminal|gps|nav|camera|stereo|amplifier|phone|display|plotter/,
    },
    ...{ behaviour: 'converter', continuous: true, dropClass: 'critical', usual: watts(10) },
  },
];

/** Every kind a name may mean, the narrowest first; none where it says nothing. */
export function kindsNamed(name: string): LoadKind[] {
  const plain = name.toLowerCase();
  const found = LOAD_KINDS.filter(({ words }) => words.test(plain));
  // A work lamp, a strip or a bulb is a lamp besides, and a diesel heater a heater: the narrower stands alone.
  return found.filter(
    ({ id }) =>
      !(id === 'lamp' && found.some((other) => LAMPS.has(other.id))) &&
      !(id === 'heater' && found.some((other) => other.id === 'airHeater')),
  );
}

const LAMPS = new Set(['strip', 'filament', 'workLamp']);

export function kindById(id: string): LoadKind | null {
  return LOAD_KINDS.find((kind) => kind.id === id) ?? null;
}

/** The fields of a load that its kind settles. */
export function fieldsOfKind({ behaviour, continuous, more }: LoadKind): Partial<Load> {
  return { behaviour, continuous, ...more };
}
