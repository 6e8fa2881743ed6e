import type { Analysis } from '../analysis/types';
import { lookCode } from '../catalog/wireColours';
import { CUT_OUTS } from '../catalog/cutOuts';
import { recordsOf } from '../design/design';
import { nameOf } from '../design/names';
import { cutPanel } from '../harness/panelFace';
import { boughtIn, partsList } from '../harness/partsList';
import type { HarnessEnd } from '../harness/harnessWire';
import { cutLots, harnessOf } from '../harness/schedule';
import { formatConductor, formatLength, MISSING } from '../units/quantity';
import { endWords, PART_GROUP_WORDS, partWords } from '../wording/harnessWords';
import { terminalName } from '../wording/terminalNames';
import { left, right, type ReportSection } from './reportSection';

/** The wire schedule, the panels with what sits in them, and the parts to have. */
export function harnessSections({ design, index, wiring }: Analysis): ReportSection[] {
  const { units } = index.settings;
  const harness = harnessOf(index, wiring);
  const end = ({ deviceId, terminal, ending }: HarnessEnd) => {
    const device = index.devices.get(deviceId);
    return `${nameOf(design, deviceId)}, ${device ? terminalName(device, terminal) : terminal} (${endWords(ending)})`;
  };
  const open = harness.wires.filter(({ isNumbered }) => !isNumbered).length;
  const schedule: ReportSection = {
    title: 'Wires',
    text: `Lengths as they are cut, slack at both ends in them. A question mark: nobody has said which stud it is.${open > 0 ? ` ${open} numbers in brackets are not fixed: an edit may still move them.` : ''}`,
    columns: [...left('No.', 'Colour', 'Size', 'From', 'To'), ...right('Cut')],
    rows: harness.wires.map(({ wire, number, isNumbered, look, from, to, lengthMm }) => [
      isNumbered ? number : `(${number})`,
      look ? lookCode(look) : MISSING,
      formatConductor(wire.conductor),
      end(from),
      end(to),
      formatLength(lengthMm, units),
    ]),
    ownPage: true,
  };
  const parts = partsList(index, harness, cutLots(harness, recordsOf(design, 'reel')), boughtIn(design));
  return [
    schedule,
    panels(design),
    {
      title: 'Parts to have',
      text: 'Counted from the design. What is to spare of wire is what stays on the reels.',
      columns: [...left('', 'What'), ...right('Needed', 'To spare')],
      rows: parts.map((line) => {
        const { what, count, spare } = partWords(line, units);
        return [PART_GROUP_WORDS[line.group], what, count, spare];
      }),
    },
  ];
}

/** What sits where in each panel, and the hole it needs. */
function panels(design: Analysis['design']): ReportSection {
  return {
    title: 'Panels',
    columns: [...left('Panel', 'Place'), ...right('No.'), ...left('Legend', 'What', 'Cut-out')],
    rows: recordsOf(design, 'panel').flatMap((panel) =>
      cutPanel(design, panel).holes.map(({ position, legend, part, cutOutId }) => [
        panel.name,
        nameOf(design, panel.placeId ?? undefined),
        String(position),
        legend,
        nameOf(design, part.deviceId),
        panel.use === 'panel' || panel.use === 'dash' ? CUT_OUTS[cutOutId].word : MISSING,
      ]),
    ),
  };
}
