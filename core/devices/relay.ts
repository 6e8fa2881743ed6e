import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { deviceBase, milliohm, seconds } from './fields';
import { diodeLaw } from './laws';
import type { DeviceKind, Memory, Throw } from './kind';
import { carries, oneOf, quantity } from './settings';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('relay'),
  /** Four: make contact only. Five: with the break contact 87a. */
  pins: z.union([z.literal(4), z.literal(5)]),
  coilOhm: numberIn(5, 5000),
  pullInV: numberIn(1, 40),
  dropOutV: numberIn(0.1, 40),
  /** What quenches the coil. With a diode, 86 must be the positive side. */
  suppression: z.enum(['none', 'resistor', 'diode']),
  contactMilliohm: milliohm,
  ratingA: numberIn(0.5, 500),
  /** Turns over at each pulse and stays so without current; absent: it follows its coil. */
  latching: z.optional(z.boolean()),
  /** How long it stays pulled in once its coil has let go, s; absent: not at all. */
  holdS: z.optional(seconds),
});

export type Relay = z.infer<typeof schema>;

/** Usual quenching resistor for a 12 V coil, ohm. Common practice: 470 to 1000. */
const QUENCH_OHM = 680;
/** A quenching diode of the one-ampere rectifier kind. From memory. */
const QUENCH_DIODE = diodeLaw(2.55e-9, 1.75);

/** What its coil takes with what quenches it, A: Ohm's law at the system's nominal volts. */
export function coilAmps({ coilOhm, suppression }: Relay, nominalV: number): number {
  return nominalV / coilOhm + (suppression === 'resistor' ? nominalV / QUENCH_OHM : 0);
}

const COIL: readonly string[] = ['85', '86'];

const pulledIn = (terminal: string, value: boolean): Throw => ({ terminal, by: { memory: 'pulledIn', value } });

/**
 * Terminals by ISO 7588's pattern and DIN 72552's names: 85 and 86 the coil, 30 the common contact, 87 made while pulled
 * in, 87a while not. Pulls in at one voltage and lets go at a lower one.
 */
export const relay: DeviceKind<Relay> & { schema: typeof schema } = {
  schema,
  label: 'relay',
  symbol: 'relay',
  lands: 'receptacle',
  holds: 'blades',
  fitMinutes: 10,
  carriesA: ({ ratingA }, terminal) => (COIL.includes(terminal) ? null : ratingA),
  own: (device) => ({ ampsAt: (nominalV) => coilAmps(device, nominalV), plus: '86', minus: '85', allDay: false }),
  turn: ({ suppression }) => (suppression === 'diode' ? 'coilDiode' : 'coilFree'),
  traits: ({ ratingA, pins, suppression, latching, holdS }) => [ratingA, pins, suppression, latching === true, holdS ?? 0],
  stateWord: (memory) => (memory.pulledIn === true ? 'pulled in' : 'at rest'),
  settings: ({ holdS }) => [
    carries(0.5, 500),
    quantity('coilOhm', 'coil', 'Ω', 0, 5, 5000),
    oneOf('suppression', 'coil quenched by', ['none', 'nothing'], ['resistor', 'a resistor'], ['diode', 'a diode']),
    ...(holdS === undefined ? [] : [quantity('holdS', 'lets go after', 's', 0, 1, 100_000)]),
  ],
  isContact: true,
  terminals: ({ pins }) => (pins === 5 ? ['85', '86', '30', '87', '87a'] : ['85', '86', '30', '87']),
  paths: ({ pins }) => [{ from: '30', to: '87' }, ...(pins === 5 ? [{ from: '30', to: '87a' }] : [])],
  eitherOr: ({ pins }) => (pins === 5 ? [{ common: '30', throws: [pulledIn('87', true), pulledIn('87a', false)] }] : []),
  deciding: (device, terminal) => (COIL.includes(terminal) ? COIL : relay.terminals(device)),
  stamp({ pins, coilOhm, suppression, contactMilliohm }, net) {
    const closedOhm = Math.max(1e-4, contactMilliohm / 1000);
    net.resistor('coil', '86', '85', coilOhm);
    if (suppression === 'resistor') net.resistor('quench', '86', '85', QUENCH_OHM);
    if (suppression === 'diode') net.law('quench', '85', '86', QUENCH_DIODE);
    net.contact('make', '30', '87', ({ memory }) => memory.pulledIn === true, closedOhm);
    if (pins === 5) net.contact('break', '30', '87a', ({ memory }) => memory.pulledIn !== true, closedOhm);
  },
  times: ({ holdS }) => (holdS === undefined ? [] : [holdS]),
  step({ pullInV, dropOutV, latching, holdS }, { across, memory, timeS }) {
    const volts = Math.abs(across('86', '85'));
    if (latching) return turnedOver(memory, memory.driven === true ? volts > dropOutV : volts >= pullInV);
    const pulledIn = memory.pulledIn === true;
    if (pulledIn ? volts > dropOutV : volts < pullInV) return memory.untilS === undefined ? memory : { pulledIn };
    if (!pulledIn || holdS === undefined) return { pulledIn: !pulledIn };
    // Its coil has let go: it waits.
    if (memory.untilS === undefined) return { pulledIn, untilS: timeS + holdS };
    return timeS >= Number(memory.untilS) ? { pulledIn: false } : memory;
  },
};

/** A latching relay at the beginning of a pulse turns over, at its end it stays. */
function turnedOver(memory: Memory, driven: boolean): Memory {
  if (driven === (memory.driven === true)) return memory;
  return { driven, pulledIn: driven ? memory.pulledIn !== true : memory.pulledIn === true };
}
