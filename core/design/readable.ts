import { makeDesign, type Design } from './design';
import { defaultSettings } from './defaultSettings';
import type { Problem } from './problems';
import { checkReferences } from './references';
import { recordSchema, type DesignRecord } from './schema';
import { SETTINGS_ID } from '../catalog/vocabulary';

/** A stored record that cannot be used, as it is stored, and why. */
export interface SetAside {
  id: string;
  text: string;
  why: Problem;
}

/**
 * The design that stored records make, with those that are broken, or stand on one that is, set aside: one bad record must not cost the
 * rest.
 * @param rows each record's id and its text as stored
 */
export function readableDesign(rows: readonly { id: string; text: string }[]): { design: Design; aside: SetAside[] } {
  const aside: SetAside[] = [];
  const texts = new Map(rows.map(({ id, text }) => [id, text]));
  let records = rows.flatMap(({ id, text }): DesignRecord[] => {
    const parsed = recordSchema.safeParse(parsedOr(text));
    if (parsed.success && parsed.data.id === id) return [parsed.data];
    const [issue] = parsed.success ? [] : parsed.error.issues;
    const field = issue?.path.join('.') || undefined;
    aside.push({
      id,
      text,
      why: issue ? { code: 'unreadable', id, ...(field && { field }), other: issue.message } : { code: 'storedElsewhere', id },
    });
    return [];
  });
  if (!records.some(({ id }) => id === SETTINGS_ID)) records.unshift(FALLBACK_SETTINGS);
  // What stands on a record set aside goes with it, and so on until the rest is whole.
  for (;;) {
    const problems = checkReferences(makeDesign(records)).filter(
      ({ id }) => id !== SETTINGS_ID && records.some((record) => record.id === id),
    );
    if (problems.length === 0) break;
    const broken = new Map(problems.map((problem) => [problem.id, problem]));
    for (const [id, why] of broken) aside.push({ id, text: texts.get(id) ?? '', why });
    records = records.filter(({ id }) => !broken.has(id));
  }
  const settings = records.find((record) => record.id === SETTINGS_ID);
  if (settings?.type === 'settings' && settings.scenarioId !== null && !records.some(({ id }) => id === settings.scenarioId))
    records = records.map((record) => (record === settings ? { ...settings, scenarioId: null } : record));
  return { design: makeDesign(records), aside };
}

const FALLBACK_SETTINGS = defaultSettings({
  ...{ name: 'Its settings cannot be read', vehicle: 'boxBody', units: 'metric', standard: 'iso-small-craft', defaultReturn: 'dedicated' },
});

function parsedOr(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
