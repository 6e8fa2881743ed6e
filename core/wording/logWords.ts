import type { EventKind, Inspection, UnitSystem } from '../catalog/vocabulary';
import type { InspectionDue } from '../logbook/inspections';
import { formatRoad } from '../units/quantity';

/** What the logbook says. */

export const EVENT_WORDS: Record<EventKind, string> = {
  note: 'Note',
  inspection: 'Inspection',
  repair: 'Repair',
  replaced: 'Part replaced',
  change: 'Change',
};

export const INSPECTION_WORDS: Record<Inspection, { name: string; how: string }> = {
  bolts: { name: 'Bolted connections', how: 'tightened to their torque: lugs on battery, bars, fuses and isolator' },
  joints: { name: 'Joints', how: 'pulled by hand and felt under load: none loose, none warm, none green' },
  battery: { name: 'Battery', how: 'held down, posts clean and covered, vent free, nothing swollen' },
  chafe: { name: 'Chafe points', how: 'grommets seated, cable clear of edges, hinges, exhaust and moving parts' },
  fuses: { name: 'Fuses', how: 'each as the map says, none discoloured, spares aboard' },
  extinguisher: { name: 'Fire extinguisher', how: 'gauge in the green, tag in date, within reach' },
  alarms: { name: 'Alarms', how: 'gas and smoke alarms tested by their button' },
};

/** When an inspection is due, in words. */
export function dueWords({ lastOn, dueOn, dueKm, isOver }: InspectionDue, units: UnitSystem): string {
  const last = lastOn === null ? 'never written down' : `last ${lastOn}`;
  if (dueOn === null) return `${last}; counted from the day the battery is connected`;
  const when = dueKm === null ? dueOn : `${dueOn} or at ${formatRoad(dueKm, units)}`;
  return isOver ? `${last}; due since ${when}` : `${last}; due ${when}`;
}
