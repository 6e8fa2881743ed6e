import type { Analysis } from '../analysis/types';
import { updateRecords, type RecordFields } from '../design/change';
import { recordOf } from '../design/design';
import type { Passage } from '../design/schema';
import { putDevices } from '../rig/edits';
import { unseat } from '../switching/panels';
import { straightRoute } from '../rig/straightRoute';
import { PART_WORDS } from '../wording/rigWords';
import type { Remedy } from './remedy';
import { fittingFor, withPassage } from '../analysis/rules/rigRules';
import type { Finding } from '../analysis/finding';

/** Inside diameters conduit is sold in, mm. Common practice. */
const CONDUITS_MM = [8, 10, 13, 16, 20, 25, 32, 40, 50, 63, 80];
/** Drills and hole saws, mm. Common practice. */
const HOLES_MM = [8, 10, 12, 16, 20, 22, 25, 30, 32, 35, 40, 50, 60, 76];
/** Room a grommet takes in its hole, mm across. Common practice. */
const GROMMET_MM = 4;

/** Remedies for what is found in the vehicle. */
export function rigRemedies({ design, bundles }: Analysis, { rule, subjects, numbers }: Finding): (Remedy | null)[] {
  const [subject, from, to] = subjects;
  const set = (label: string, id: string, fields: RecordFields): Remedy => ({
    label,
    change: updateRecords(design, [{ id, set: fields }]),
  });
  const route = recordOf(design, subject ?? null, 'route');
  const setPassage = (label: string, place: number, fields: Partial<Passage>) =>
    route && set(label, route.id, { passes: withPassage(route, place, fields) });
  switch (rule) {
    case 'rig.bareHole':
    case 'rig.unsealed':
    case 'rig.hinge':
    case 'rig.exhaust':
    case 'rig.steering': {
      const fitting = fittingFor(numbers.what);
      return [setPassage(`Fit a ${PART_WORDS[fitting.part]}${fitting.sealed ? ', sealed' : ''}`, numbers.place, fitting)];
    }
    case 'rig.holeTooSmall': {
      const holeMm = HOLES_MM.find((hole) => hole >= numbers.bundleMm + GROMMET_MM);
      return [holeMm === undefined ? null : setPassage(`Make it a ${holeMm} mm hole`, numbers.place, { holeMm })];
    }
    case 'rig.conduitFull': {
      const insideMm = CONDUITS_MM.find((size) => size >= numbers.leastMm);
      const canSay = bundles.has(subject!) && insideMm !== undefined;
      return [canSay ? set(`Use a conduit of ${insideMm} mm inside`, subject!, { insideMm }) : null];
    }
    case 'rig.noWay':
      return [{ label: 'Join the two places', change: { added: [straightRoute(from!, to!)], updated: [], removed: [] } }];
    case 'rig.pathBroken':
      return [set('Take the shortest way', subject!, { via: null })];
    case 'rig.hingeTight':
      // What was measured tight says nothing of a cable that is to have its loop.
      return [
        route
          ? set('Go by the plan, its loop in it', subject!, { measuredMm: null, measuredOn: null })
          : set('Cut it by its way', subject!, { lengthMeasured: false }),
      ];
    case 'rig.measuredDiffers':
      return [set('Go by the plan', subject!, { measuredMm: null, measuredOn: null })];
    case 'rig.wireDiffers':
      return [set('Go by the plan', subject!, { lengthMeasured: false })];
    case 'rig.panelElsewhere':
      return [
        { label: 'Put it where its panel is', change: putDevices(design, [subject!], to!) },
        { label: 'Take it out of the panel', change: unseat(design, subjects[4]!) },
      ];
    default:
      return [];
  }
}
