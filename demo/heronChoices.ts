import { applyChange, type Change } from '../core/design/change';
import { recordsOf, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import { keepAsOption } from '../core/design/options';
import type { Option } from '../core/design/schema';
import { wayCalled, type WayId } from '../core/switching/gallery/ways';
import { wayTo } from '../core/switching/gallery/wayTo';

const QUESTION = 'How does the locker light come on?';

/** What was held beside each other for the locker’s light: the roller stands. */
const WAYS: readonly { way: WayId | null; name: string; speaksFor: string; speaksAgainst: string }[] = [
  { way: null, name: 'Roller at the shutter', speaksFor: 'Nobody has to think of it: shut is dark.', speaksAgainst: 'Needs its place at the rail, and dirt gets there.' }, // prettier-ignore
  { way: 'twoPlaces', name: 'Switch at either end', speaksFor: 'Stays off by day with the shutter up.', speaksAgainst: 'Burns on behind a shut shutter and nobody sees it.' }, // prettier-ignore
  { way: 'motion', name: 'By motion', speaksFor: 'Comes on with both hands full.', speaksAgainst: 'Draws at rest, and goes dark on who stands still and reads.' }, // prettier-ignore
];

/** The choice with its options, decided. */
export function chooseOfHeron(design: Design): Design {
  const light = recordsOf(design, 'device').find(({ name }) => name === 'Locker light')!;
  const keep = (now: Design, change: Change, name: string) => applyChange(now, keepAsOption(now, QUESTION, name, change));
  let now = design;
  for (const { way, name } of WAYS)
    if (way) now = keep(now, wayTo(design, light.id, wayCalled(way), { signal: 'ignition', otherId: null })!.change, name);
  const [choice] = recordsOf(now, 'choice');
  const edit = new Edit(now);
  edit.set(choice!, { why: 'The light that was found burning after a week was the reason to begin this rig.', decidedOn: '2026-09-30' });
  for (const option of recordsOf(now, 'option')) edit.set(option, said(option, choice!.standingId));
  return edit.design;
}

function said(option: Option, standingId: string): Pick<Option, 'name' | 'speaksFor' | 'speaksAgainst'> {
  const { name, speaksFor, speaksAgainst } = WAYS.find(({ way, name }) =>
    option.id === standingId ? way === null : name === option.name,
  )!;
  return { name, speaksFor, speaksAgainst };
}
