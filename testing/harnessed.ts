import { analyse } from '../core/analysis/analyse';
import { findHarness } from '../core/analysis/rules/harnessRules';
import { recordsOf, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { Device } from '../core/design/schema';
import { boughtIn, partsList, type PartLine } from '../core/harness/partsList';
import { cutLots, harnessOfDesign } from '../core/harness/schedule';
import { indexDesign } from '../core/rig/designIndex';

/** A design after some steps by hand. */
export function edited(design: Design, steps: (edit: Edit) => void): Design {
  const edit = new Edit(design);
  steps(edit);
  return edit.design;
}

/** What is found in a design’s harness, by the rules’ names. */
export const rulesOf = (design: Design): string[] => findHarness(analyse(design)).map(({ rule }) => rule);

/** Everything a design needs, as the parts list has it with nothing at hand. */
export function partsOf(design: Design): PartLine[] {
  const harness = harnessOfDesign(design);
  return partsList(indexDesign(design), harness, cutLots(harness, []), boughtIn(design));
}

export const deviceCalled = (design: Design, name: string): Device => recordsOf(design, 'device').find((device) => device.name === name)!;
