import { recordsOf, type Design } from '../design/design';
import { isFitting } from '../design/asBuilt';

/** Something done for now, that has to be come back to. */
export interface ForNow {
  id: string;
  kind: 'temporary' | 'otherFuse';
  why: string | null;
  /** The day to come back to it. */
  due: string | null;
  isOver: boolean;
  /** In a fuse's holder, A. */
  fittedA?: number;
}

/** What was done for now: things in place that are no part of the plan, and fuses other than the planned ones, a test fuse left in among them. What is past its day first. */
export function doneForNow(design: Design, today: string): ForNow[] {
  const temporary = Array.from(design.records.values()).flatMap((record): ForNow[] => {
    if (!isFitting(record) || record.work?.state !== 'temporary') return [];
    const { why = null, due = null } = record.work;
    return [{ id: record.id, kind: 'temporary', why, due, isOver: due !== null && today > due }];
  });
  const fuses = recordsOf(design, 'device').flatMap((device): ForNow[] =>
    device.kind === 'protection' && device.fittedA !== undefined && device.fittedA !== device.ratingA
      ? [{ id: device.id, kind: 'otherFuse', why: null, due: null, isOver: false, fittedA: device.fittedA }]
      : [],
  );
  return [...temporary, ...fuses].sort((a, b) => Number(b.isOver) - Number(a.isOver) || (a.due ?? '9').localeCompare(b.due ?? '9'));
}
