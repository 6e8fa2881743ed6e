import { INSPECTIONS, type Inspection } from '../catalog/vocabulary';
import { devicesOfKind, recordsOf, type Design } from '../design/design';
import { kindsNamed } from '../devices/loadKinds';
import type { LogEvent } from '../design/schema';
import { plusDays } from '../units/days';

/** When something is looked at again: after so many days, or so many kilometres driven, whichever is sooner. */
interface Interval {
  days: number;
  /** The first time after so many km; absent: by the calendar alone. */
  firstKm?: number;
}

/**
 * Common practice: bolted connections settle and are tightened after the first 100 km, then yearly; joints, chafe points and fuses are
 * looked at once a year; a battery's clamps and posts twice; an extinguisher yearly by its gauge and tag; gas and smoke alarms by their
 * test button monthly.
 */
export const INTERVALS: Record<Inspection, Interval> = {
  bolts: { days: 365, firstKm: 100 },
  joints: { days: 365 },
  battery: { days: 182 },
  chafe: { days: 365 },
  fuses: { days: 365 },
  extinguisher: { days: 365 },
  alarms: { days: 31 },
};

/** Where one inspection stands. */
export interface InspectionDue {
  inspection: Inspection;
  /** When it was done last; null: never. */
  lastOn: string | null;
  /** The day it is due by the calendar; null before anything was in use. */
  dueOn: string | null;
  /** The odometer it is due at, where the first kilometres decide and the odometer was written down; km. */
  dueKm: number | null;
  isOver: boolean;
}

/** The lines of the logbook, the newest first. */
export function eventsOf(design: Design): LogEvent[] {
  const at = new Map(recordsOf(design, 'event').map((event, place) => [event, place]));
  return [...at.keys()].sort((a, b) => (a.on === b.on ? at.get(b)! - at.get(a)! : a.on < b.on ? 1 : -1));
}

/** The day the battery was first connected; else the first line of the logbook; null where neither is known. */
export function inUseSince(design: Design): string | null {
  const connected = recordsOf(design, 'doneTask').find(({ task }) => task === 'connect');
  return connected?.on ?? eventsOf(design).at(-1)?.on ?? null;
}

/** Every inspection with when it is due, what is over first. */
export function inspectionsDue(design: Design, today: string): InspectionDue[] {
  const events = eventsOf(design);
  const since = inUseSince(design);
  const known = events.flatMap(({ odometerKm, on }) => (odometerKm === undefined ? [] : [{ odometerKm, on }]));
  const nowKm = known.length > 0 ? Math.max(...known.map(({ odometerKm }) => odometerKm)) : null;
  const startKm = since === null ? null : (known.findLast(({ on }) => on >= since)?.odometerKm ?? null);
  const hasAlarm = devicesOfKind(design, 'load').some(({ name }) => kindsNamed(name).some(({ id }) => id === 'alarm'));
  const due = INSPECTIONS.filter((one) => one !== 'alarms' || hasAlarm).map((inspection): InspectionDue => {
    const { days, firstKm } = INTERVALS[inspection];
    const lastOn = events.find(({ inspected }) => inspected?.includes(inspection))?.on ?? null;
    const from = lastOn ?? since;
    const dueOn = from === null ? null : plusDays(from, days);
    const dueKm = firstKm !== undefined && lastOn === null && startKm !== null ? startKm + firstKm : null;
    const isOver = (dueOn !== null && today > dueOn) || (dueKm !== null && nowKm !== null && nowKm >= dueKm);
    return { inspection, lastOn, dueOn, dueKm, isOver };
  });
  return due.sort((a, b) => Number(b.isOver) - Number(a.isOver));
}
