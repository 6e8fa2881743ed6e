import type { Analysis } from '../analysis/types';
import { recordsOf } from '../design/design';
import type { Device } from '../design/schema';
import { harnessOf } from '../harness/schedule';
import { formatNumber } from '../units/quantity';
import { handleName, positionWord, VEHICLE_WORDS } from '../wording/benchWords';
import { measurementWords } from '../wording/flawWords';
import { left, right, type ReportSection } from './reportSection';

/** What a meter read in the vehicle, the last first. Nothing where nobody has read anything. */
export function readingsTaken({ design, index, wiring }: Analysis): ReportSection {
  const numbers = new Map(harnessOf(index, wiring).wires.map(({ wire, number }) => [wire.id, number]));
  const readings = recordsOf(design, 'reading').sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0));
  return {
    title: 'Readings taken',
    text: 'Each in the state beside it; the battery’s volts are those of that moment.',
    columns: [...left('Day', 'Where', 'With'), ...right('Battery', 'Read')],
    rows: readings.map(({ on, what, moved, batteryV, value }) => [
      on,
      measurementWords(design, what, numbers),
      moved
        .map(({ mover, position }) => {
          if (mover.kind === 'vehicle') return `${VEHICLE_WORDS[mover.control]} ${String(position)}`;
          const device = design.records.get(mover.deviceId) as Device;
          return `${handleName(device, mover.control)} ${positionWord(device, mover.control, position)}`;
        })
        .join(', '),
      batteryV === null ? '' : `${formatNumber(batteryV, 2)} V`,
      `${formatNumber(value, 2)} ${what.kind === 'volts' ? 'V' : 'A'}`,
    ]),
  };
}
