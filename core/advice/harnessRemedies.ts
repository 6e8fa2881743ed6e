import type { Finding } from '../analysis/finding';
import type { Analysis } from '../analysis/types';
import { applyChange, composeChanges, setting, updateRecords } from '../design/change';
import { recordOf, recordsOf, type Design } from '../design/design';
import { colourWires } from '../harness/colourWires';
import { bareWire, colourAll, fixNumbers } from '../harness/editWires';
import { harnessOfDesign } from '../harness/schedule';
import { indexDesign } from '../rig/designIndex';
import { lookWords } from '../catalog/wireColours';
import type { Remedy } from './remedy';

/** Remedies for wires that are taken for each other, or for the other pole. */
export function harnessRemedies({ design, index }: Analysis, { rule, subjects }: Finding): Remedy[] {
  switch (rule) {
    case 'harness.alike':
    case 'harness.returnColour':
      return subjects.slice(0, 2).reverse().flatMap((id) => recoloured(design, index, id)).slice(0, 1); // prettier-ignore
    case 'harness.holeAtEdge': {
      const panel = recordOf(design, subjects[0]!, 'panel');
      const isSet = panel?.widthMm !== undefined || panel?.heightMm !== undefined;
      const larger = { widthMm: undefined, heightMm: undefined };
      return panel && isSet
        ? [{ label: 'As large as it asks for', change: updateRecords(design, [setting(panel, larger)]) }]
        : inLine(design, subjects.slice(1));
    }
    case 'harness.holesMeet':
      return inLine(design, subjects.slice(1));
    case 'harness.endMisfit':
    case 'harness.bareEnd': {
      const wire = recordOf(design, subjects[0]!, 'wire');
      if (!wire) return [];
      const side = wire.from.deviceId === subjects[1] ? { fromEnd: undefined } : { toEnd: undefined };
      return [{ label: 'Give it the end that fits', change: updateRecords(design, [setting(wire, side)]) }];
    }
    case 'harness.leadOpen': {
      const lead = recordOf(design, subjects[1]!, 'lead');
      return lead ? [{ label: 'It is capped', change: updateRecords(design, [setting(lead, { capped: true })]) }] : [];
    }
    case 'harness.numberTwice': {
      const free = recordOf(design, subjects[0]!, 'wire');
      return free ? [{ label: 'Give it the next free number', change: updateRecords(design, [setting(free, { number: undefined })]) }] : [];
    }
    case 'harness.unfinished': {
      const numbered = fixNumbers(design);
      const coloured = colourAll(applyChange(design, numbered), false);
      return [{ label: 'Number and colour what is left', change: composeChanges(numbered, coloured) }];
    }
    default:
      return [];
  }
}

/** Parts of a panel that somebody moved, back in line with their columns and rows. */
function inLine(design: Design, partIds: readonly string[]): Remedy[] {
  const moved = partIds.filter((id) => recordOf(design, id, 'panelPart')?.xMm !== undefined);
  const updates = moved.map((id) => ({ id, set: { xMm: undefined, yMm: undefined } }));
  return moved.length > 0 ? [{ label: 'Put it back in line', change: updateRecords(design, updates) }] : [];
}

/** One wire coloured anew, all others as they are. */
function recoloured(design: Design, index: Analysis['index'], wireId: string): Remedy[] {
  const wire = recordOf(design, wireId, 'wire');
  // A core has its cable's colour.
  if (!wire || wire.core) return [];
  const without: Design = { records: new Map(design.records).set(wireId, bareWire(wire)) };
  const { roles } = harnessOfDesign(without);
  const look = colourWires(indexDesign(without), roles, index.settings.colourSchool ?? 'pole', recordsOf(design, 'reel')).get(wireId);
  if (!look) return [];
  const change = updateRecords(design, [{ id: wireId, set: { colour: look.colour, stripe: look.stripe } }]);
  return [{ label: `Make it ${lookWords(look)}`, change }];
}
