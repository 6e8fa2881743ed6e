import type { WholeAnalysis } from '../analysis/rules/slowFindings';
import type { Analysis } from '../analysis/types';
import { isFitting, progressOf, type DesignView } from '../design/asBuilt';
import { recordsOf, type Design } from '../design/design';
import { nameOf } from '../design/names';
import type { Photo } from '../design/schema';
import { eventsOf, inspectionsDue } from '../logbook/inspections';
import { stillLive } from '../plan/stillLive';
import type { UnitSystem } from '../catalog/vocabulary';
import { formatRoad } from '../units/quantity';
import { dueWords, EVENT_WORDS, INSPECTION_WORDS } from '../wording/logWords';
import { LIVE_WORDS } from '../wording/planWords';
import { makeReport } from './report';
import { left, type Report, type ReportSection } from './reportSection';

/** Which view a book is of: as it is now, once anything is marked as fitted. */
export function bookView(whole: Design): DesignView {
  const isBegun = Array.from(whole.records.values()).some((record) => isFitting(record) && progressOf(record) === 'fitted');
  return isBegun ? 'now' : 'planned';
}

/** The book of the vehicle, for whoever owns it next: how to isolate, then all of the report, what is due and the logbook. */
export function makeBook(analysis: WholeAnalysis, view: DesignView, whole: Design, today: string): Report {
  const { units } = analysis.index.settings;
  const report = makeReport(analysis, view, whole);
  const sections = [howToIsolate(analysis), ...report.sections, due(whole, today, units), logbook(whole, units)];
  return {
    ...report,
    subject: view === 'now' ? 'Book of the vehicle, as built' : 'Book of the vehicle, nothing marked as fitted yet',
    sections: sections.filter(({ rows }) => rows.length > 0),
  };
}

/** A photo's words beneath it. */
export function photoWords({ caption, on }: Photo): string {
  return [on, caption].filter(Boolean).join(', ');
}

/** What to turn off, and what is live all the same. */
export function howToIsolate({ design, index, wiring }: Analysis): ReportSection {
  const isolators = Array.from(index.devices.values()).filter(({ kind }) => kind === 'isolator');
  const first =
    isolators.length > 0
      ? `Turn off ${isolators.map(({ name, placeId }) => (placeId ? `${name} (${nameOf(design, placeId)})` : name)).join(' and ')}, then take the battery’s minus off its post.`
      : 'There is no isolator: take the battery’s minus off its post.';
  return {
    title: 'How to isolate',
    text: `${first} Then meter before hands go in. These are not dead though it looks so:`,
    columns: left('What', 'Where', 'Why'),
    rows: stillLive(index, wiring).map(({ deviceId, by }) => {
      const device = index.devices.get(deviceId)!;
      return [device.name, device.placeId ? nameOf(design, device.placeId) : '', LIVE_WORDS[by]];
    }),
  };
}

function due(design: Design, today: string, units: UnitSystem): ReportSection {
  return {
    title: 'To be looked at',
    columns: left('What', 'How', 'When'),
    rows: inspectionsDue(design, today).map((one) => {
      const { name, how } = INSPECTION_WORDS[one.inspection];
      return [name, how, dueWords(one, units)];
    }),
  };
}

/** The lines of the logbook. */
export function logbook(design: Design, units: UnitSystem): ReportSection {
  const photos = recordsOf(design, 'photo');
  return {
    title: 'Logbook',
    columns: left('Day', 'Kind', 'What', 'About', 'Who', 'Odometer'),
    rows: eventsOf(design).map(({ id, on, kind, text, about = [], by = '', odometerKm }) => {
      const count = photos.filter(({ eventId }) => eventId === id).length;
      const words = count === 0 ? text : `${text} (${count === 1 ? 'a photo' : `${count} photos`} at the end)`;
      return [on, EVENT_WORDS[kind], words, about.map(({ name }) => name).join(', '), by, odometerKm === undefined ? '' : formatRoad(odometerKm, units)]; // prettier-ignore
    }),
  };
}
