import { recordsOf, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { LogEvent } from '../core/design/schema';

/** A line of a demo's logbook; what it is about by name. */
export type DemoLine = Pick<LogEvent, 'kind' | 'on' | 'text' | 'by' | 'odometerKm' | 'inspected'> & { about?: readonly string[] };

/** A demo with its logbook. All of it is made up. */
export function logged(design: Design, lines: readonly DemoLine[]): Design {
  const edit = new Edit(design);
  const idOf = (name: string) => recordsOf(design, 'device').find((device) => device.name === name)!.id;
  const before = recordsOf(design, 'event').length;
  lines.forEach(({ about, ...line }, at) =>
    edit.add<LogEvent>({
      ...{ id: `event_${String(before + at + 1).padStart(2, '0')}`, type: 'event' },
      ...line,
      ...(about && { about: about.map((name) => ({ id: idOf(name), name })) }),
    }),
  );
  return edit.design;
}

/** Pip's first year. */
export const PIP_YEAR: readonly DemoLine[] = [
  { kind: 'note', on: '2025-10-11', by: 'Workshop', odometerKm: 0, text: 'First power. Every circuit through a test fuse, then its own; all read as they should.' }, // prettier-ignore
  { kind: 'inspection', on: '2025-10-19', by: 'Workshop', odometerKm: 140, text: 'After the first trip. The lug on the positive bar took an eighth of a turn.', inspected: ['bolts'] }, // prettier-ignore
  { kind: 'repair', on: '2026-01-24', odometerKm: 610, text: 'Pump dead: its return was loose in the bar. Stripped anew, new ferrule, pulled, read: as it should be.', about: ['Water pump'] }, // prettier-ignore
  { kind: 'inspection', on: '2026-04-12', odometerKm: 880, text: 'Before the season. Posts cleaned and greased.', inspected: ['battery', 'chafe', 'fuses', 'joints', 'extinguisher'] }, // prettier-ignore
  { kind: 'replaced', on: '2026-07-03', odometerKm: 1930, text: 'Fan blade cracked by a branch. Same kind again; draw read, as before.', about: ['Roof fan'] }, // prettier-ignore
  {
    kind: 'note',
    on: '2026-09-20',
    odometerKm: 2740,
    text: 'Laid up for the winter: battery charged, isolated, extinguisher taken indoors.',
  },
];

/** Heron while it is built. */
export const HERON_BUILD: readonly DemoLine[] = [
  { kind: 'change', on: '2026-10-18', by: 'Workshop', text: 'Hide computer draws more than its plate says: 4.4 A read at work. Its fuse has to be looked at again.', about: ['Small computer with screen'] }, // prettier-ignore
  { kind: 'note', on: '2026-11-14', by: 'Workshop', text: 'White on the dimmer is its output, on the reversing lamps it is the return. Sleeves put on before either is landed.', about: ['Bench dimmer', 'Reversing lamp'] }, // prettier-ignore
];

/** What was written once it was under power. */
export const HERON_AT_WORK: readonly DemoLine[] = [
  { kind: 'note', on: '2026-11-21', by: 'Workshop', text: 'First power to ten circuits, each through its test fuse. Hide bench lights stay dark: to be looked for.' }, // prettier-ignore
  { kind: 'note', on: '2026-11-22', by: 'Workshop', text: 'Awning light joined by a twist behind the panel, for now.', about: ['Awning light switch'] }, // prettier-ignore
];
