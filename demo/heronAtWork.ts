import { recordsOf, type Design } from '../core/design/design';
import type { Flaw } from '../core/diagnosis/flaws';
import { builtUpTo, joinedForNow, marked, metered, type Stage } from './built';
import { heron } from './heron';
import { HERON_AT_WORK, logged } from './logbook';
import { photographed } from './photos';

/** What is in the vehicle by now; the rest is not begun. */
const STAGES: Record<string, Stage> = {
  ...{ 'Galley lights': 'powered', Fridge: 'powered', 'Water pump': 'powered', 'Galley sockets': 'powered' },
  ...{ 'Bunk reading lights': 'powered', 'Diesel heater': 'powered', 'Roof fan': 'powered', 'Water sensor and alarms': 'powered' },
  ...{ 'Hide bench lights': 'powered', 'Awning light': 'powered', 'Camera chargers': 'landed', 'Cab radio': 'landed' },
  ...{ 'Driving lamps': 'made', 'Reversing lamps': 'made' },
};

/** Heron half built, one day of November: a joint made for now, a dimmer that gives nothing, a joint that loses too much. */
export function heronAtWork(): Design {
  const joined = joinedForNow(heron(), 'Awning light switch', 'the glue sleeves had run out', '2026-12-05');
  const built = builtUpTo(marked(joined), '2026-11-21', (circuit) => STAGES[circuit] ?? null);
  const powered = Object.entries(STAGES).flatMap(([name, stage]) => (stage === 'powered' ? [name] : []));
  return photographed(logged(metered(built, '2026-11-22', powered, flawsIn(built), 4), HERON_AT_WORK), 'heron');
}

/** The faults that are in it: nobody has found them yet. */
function flawsIn(design: Design): Flaw[] {
  const named = (name: string) => recordsOf(design, 'device').find((device) => device.name === name)!.id;
  const strip = named('Galley light strip');
  const home = recordsOf(design, 'wire').find(({ role, from, to }) => role === 'return' && [from, to].some(({ deviceId }) => deviceId === strip))!; // prettier-ignore
  return [
    { kind: 'dudDimmer', deviceId: named('Bench dimmer'), gives: 'none' },
    { kind: 'highJoint', wireId: home.id, ohm: 0.9 },
  ];
}
