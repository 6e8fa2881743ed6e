import { LIMITS, SETTINGS_ID } from '../catalog/vocabulary';
import type { Design } from './design';
import type { Problem } from './problems';
import { recordKindOf, type Reference, type Sole } from './recordKinds';
import type { DesignRecord } from './schema';

/** Every id a record refers to, with what it must find there. */
export function referencesOf(record: DesignRecord): readonly Reference[] {
  return recordKindOf(record).refersTo?.(record) ?? [];
}

/** Checks a whole design: references, terminals, slots and what may exist only once. Returns every problem found. */
export function checkReferences(design: Design): Problem[] {
  const problems = checkFrame(design);
  for (const record of design.records.values()) checkOwnReferences(design, record, problems);
  checkUniqueness(design, problems);
  return problems;
}

/**
 * The same for a design that was whole before these records were added, changed or removed: it looks only where a problem
 * can have come in. What others refer to is looked at when a record went away or a device lost terminals or slots.
 */
export function checkAround(design: Design, changed: readonly DesignRecord[], reshaped: ReadonlySet<string>): Problem[] {
  const problems = checkFrame(design);
  for (const record of changed) checkOwnReferences(design, record, problems);
  if (reshaped.size > 0) {
    const own = new Set(changed);
    for (const record of design.records.values()) {
      if (!own.has(record) && referencesOf(record).some(({ id }) => reshaped.has(id))) checkOwnReferences(design, record, problems);
    }
  }
  if (changed.some((record) => solesOf(record).length > 0)) checkUniqueness(design, problems);
  return problems;
}

function checkFrame(design: Design): Problem[] {
  const problems: Problem[] = [];
  if (design.records.get(SETTINGS_ID)?.type !== 'settings') problems.push({ code: 'settingsMissing', id: SETTINGS_ID });
  if (design.records.size > LIMITS.recordsPerDesign) {
    problems.push({ code: 'tooManyRecords', id: SETTINGS_ID, other: String(design.records.size) });
  }
  return problems;
}

function checkOwnReferences(design: Design, record: DesignRecord, problems: Problem[]): void {
  for (const ref of referencesOf(record)) {
    const found = design.records.get(ref.id);
    const fits = found?.type === ref.type && (!ref.kind || (found.type === 'device' && found.kind === ref.kind));
    if (!fits) problems.push({ code: 'danglingReference', id: record.id, field: ref.field, other: ref.id });
  }
  problems.push(...(recordKindOf(record).wrong?.(record, design) ?? []));
}

const solesOf = (record: DesignRecord): readonly Sole[] => recordKindOf(record).soles?.(record) ?? [];

function checkUniqueness(design: Design, problems: Problem[]): void {
  const said = new Set<string>();
  for (const record of design.records.values())
    for (const { key, ...problem } of solesOf(record)) {
      if (said.has(key)) problems.push({ ...problem, id: record.id });
      said.add(key);
    }
}
