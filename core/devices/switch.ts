import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { deviceBase } from './fields';
import { constantCurrentLaw } from './laws';
import type { DeviceKind, Path } from './kind';
import { carries, oneOf } from './settings';

export const SWITCH_FORMS = ['single', 'changeover', 'changeoverOff', 'doublePole', 'doublePoleChangeover'] as const;
type SwitchForm = (typeof SWITCH_FORMS)[number];

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('switch'),
  ratingA: numberIn(0.1, 500),
  /** Which current its rating is printed for; absent: direct. */
  ratedFor: z.optional(z.enum(['dc', 'ac'])),
  /** Poles and throws; absent: single pole, single throw. */
  form: z.optional(z.enum(SWITCH_FORMS)),
  /** Springs back to its first position. */
  momentary: z.optional(z.boolean()),
  /** Has a pilot lamp, on terminals of its own. */
  pilot: z.optional(z.boolean()),
});

export type Switch = z.infer<typeof schema>;

/** New panel contact, ohm. Common practice: 5 to 20 milliohm. */
const CONTACT_OHM = 0.01;
/** A light-emitting pilot lamp's current, A. Common practice: 8 to 20 mA. */
export const PILOT_A = 0.012;

/**
 * What a contact rated for alternating current only is taken for on direct current. Common practice: half, since its arc does not go out by
 * itself.
 */
const AC_SHARE = 0.5;

/** What each form closes in each position. */
const FORMS: Record<SwitchForm, Record<string, readonly Path[]>> = {
  single: { off: [], on: [{ from: 'in', to: 'out' }] },
  changeover: { down: [{ from: 'common', to: 'down' }], up: [{ from: 'common', to: 'up' }] },
  changeoverOff: { off: [], up: [{ from: 'common', to: 'up' }], down: [{ from: 'common', to: 'down' }] },
  doublePole: {
    off: [],
    on: [
      { from: 'in1', to: 'out1' },
      { from: 'in2', to: 'out2' },
    ],
  },
  doublePoleChangeover: {
    down: [
      { from: 'common1', to: 'down1' },
      { from: 'common2', to: 'down2' },
    ],
    up: [
      { from: 'common1', to: 'up1' },
      { from: 'common2', to: 'up2' },
    ],
  },
};

function pathsOf({ form = 'single' }: Switch): Path[] {
  return Object.values(FORMS[form]).flat();
}

/** A hand-worked switch of any usual form. Its pilot lamp is a part of its own: its terminals need their own supply and return. */
export const switchKind: DeviceKind<Switch> & { schema: typeof schema } = {
  schema,
  label: 'switch',
  symbol: ({ momentary, form = 'single' }) => (momentary ? 'button' : form === 'single' || form === 'doublePole' ? 'make' : 'changeover'),
  lands: 'receptacle',
  holds: 'blades',
  fitMinutes: 10,
  carriesA: ({ ratingA, ratedFor }, terminal) => (terminal.startsWith('lamp') ? null : ratingA * (ratedFor === 'ac' ? AC_SHARE : 1)),
  // Lit from its own outlet the pilot lamp burns with what it switches; fed from elsewhere it burns all day.
  own: ({ pilot }) => (pilot ? { ampsAt: () => PILOT_A, plus: 'lampPlus', minus: 'lampMinus', allDay: true } : null),
  hole: ({ momentary }) => (momentary ? 'round19' : 'rocker'),
  turn: ({ pilot }) => (pilot ? 'pilotFixed' : 'contactFree'),
  traits: ({ form = 'single', momentary, pilot, ratingA }) => [form, momentary === true, pilot === true, ratingA],
  settings: () => [
    carries(0.1, 500),
    oneOf('ratedFor', 'rated for', ['dc', 'DC'], ['ac', 'AC only']),
    oneOf('momentary', 'springs back', [false, 'no'], [true, 'yes']),
  ],
  isContact: true,
  terminals(device) {
    const contacts = new Set(pathsOf(device).flatMap(({ from, to }) => [from, to]));
    return device.pilot ? [...contacts, 'lampPlus', 'lampMinus'] : [...contacts];
  },
  paths: pathsOf,
  controls: ({ form = 'single' }) => ({ position: Object.keys(FORMS[form]) }),
  workedInUse: () => true,
  eitherOr({ form = 'single' }) {
    const positions = Object.entries(FORMS[form]).filter(([, closed]) => closed.length > 0);
    if (positions.length < 2) return [];
    return positions[0]![1].map(({ from: common }) => ({
      common,
      throws: positions.flatMap(([value, closed]) =>
        closed.flatMap(({ from, to }) => (from === common ? [{ terminal: to, by: { control: 'position', value } }] : [])),
      ),
    }));
  },
  stamp(device, net) {
    const { form = 'single', pilot } = device;
    for (const path of pathsOf(device)) {
      const closed = (position: string) => FORMS[form][position]?.some(({ from, to }) => from === path.from && to === path.to) ?? false;
      net.contact(`${path.from}-${path.to}`, path.from, path.to, ({ control }) => closed(String(control('position'))), CONTACT_OHM);
    }
    if (pilot) net.law('pilot', 'lampPlus', 'lampMinus', constantCurrentLaw(PILOT_A, net.nominalV / 2, net.nominalV));
  },
};
