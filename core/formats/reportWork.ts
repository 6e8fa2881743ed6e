import { countProgress, isFitting } from '../design/asBuilt';
import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import { left, type ReportSection } from './reportSection';

/** How far the work has come: what is not as planned, thing by thing. Nothing where nobody has marked anything. */
export function howFar(whole: Design): ReportSection {
  const counts = countProgress(whole);
  const rows = Array.from(whole.records.values()).flatMap((record) => {
    if (!isFitting(record) || !record.work || record.work.state === 'fitted') return [];
    const { state, why = '', due = '' } = record.work;
    return [[nameOf(whole, record.id), state === 'temporary' ? 'there for now' : 'taken out', why, due]];
  });
  const isBegun = counts.fitted > 0 || rows.length > 0;
  return {
    title: 'How far it has come',
    text: 'Devices and wires. What is there for now is no part of the plan; what was taken out counts nowhere.',
    columns: left('What', 'State', 'Why', 'Come back by'),
    rows: isBegun ? [[`${counts.fitted} of ${counts.fitted + counts.planned}`, 'fitted', '', ''], ...rows] : [],
  };
}
