import type { Analysis } from '../analysis/types';
import { readingsInOrder } from '../diagnosis/readings';
import { harnessOf, wireNumbersOf } from '../harness/schedule';
import { formatAmps, formatVolts } from '../units/quantity';
import { movesWords } from '../wording/benchWords';
import { measurementWords } from '../wording/flawWords';
import { left, right, type ReportSection } from './reportSection';

/** What a meter read in the vehicle, the last first. Nothing where nobody has read anything. */
export function readingsTaken({ design, index, wiring }: Analysis): ReportSection {
  const numbers = wireNumbersOf(harnessOf(index, wiring));
  const readings = readingsInOrder(design).reverse();
  return {
    title: 'Readings taken',
    text: 'Each in the state beside it; the battery’s volts are those of that moment.',
    columns: [...left('Day', 'Where', 'With'), ...right('Battery', 'Read')],
    rows: readings.map(({ on, what, moved, batteryV, value }) => [
      on,
      measurementWords(design, what, numbers),
      movesWords(design, moved),
      batteryV === null ? '' : formatVolts(batteryV),
      what.kind === 'volts' ? formatVolts(value) : formatAmps(value),
    ]),
  };
}
