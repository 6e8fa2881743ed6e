import { LIMITS, SCHEMA_VERSION } from '../catalog/vocabulary';

/** Takes records of one schema version to the next. Runs on plain data, before validation; returns new data, alters nothing. */
export type Migration = (records: unknown[]) => unknown[];

/** `MIGRATIONS[n]` takes version n + 1 to n + 2. Never edited once released; only added to. */
export const MIGRATIONS: readonly Migration[] = [
  // 2: the vehicle's places and routes, and more kinds of device. All of it is added; nothing old reads differently.
  (records) => records,
  // 3: when and where loads are used, batteries in more detail, and sources that charge. All of it is added.
  (records) => records,
  // 4: people, what a battery monitor read, and prices to choose by. All of it is added.
  (records) => records,
  // 5: a third kind of circuit for drop, the main feed's share, fuse taps, cables of what charges, another school. All of it is added.
  (records) => records,
  // 6: a vehicle with one battery, a folding panel's cable, isolators and cut-offs, level sweeps: added. A stretch measured as nothing was
  // not measured.
  (records) => records.map(withoutEmptyStretch),
  // 7: functions of a lamp are loads with terminals of their own. What was called so, draws on the same two wires, are its levels.
  (records) => records.map(withLevels),
  // 8: how far devices and wires have come, and the fuse in a holder now: added.
  (records) => records,
  // 9: what loads shall do, and wires of the vehicle as metered: added.
  (records) => records,
  // 10: panels and what sits in them, numbers, colours and ends of wires, reels: added.
  (records) => records,
  // 11: cables with cores, leads parts come with, kits, how far a wire is made, parts at hand, readings of a meter, tasks done: added.
  (records) => records,
  // 12: the logbook and its photos: added.
  (records) => records,
  // 13: what was done on the bench, kept: added.
  (records) => records,
  // 14: choices and their options, what a hand moved in the diagram: added.
  (records) => records,
  // 15: how joints are made, leads that are capped, what a hand changed of the work plan: added.
  (records) => records,
];

/** Records that a choice and its options hold come along: those not of an older version’s shape are found as any other broken record is. */
function withHeld(record: unknown, migrate: Migration): unknown {
  if (!isObject(record)) return record;
  if (record.type === 'choice' && isObject(record.apart) && Array.isArray(record.apart.parts))
    return { ...record, apart: { ...record.apart, parts: migrate(record.apart.parts) } };
  if (record.type !== 'option' || !isObject(record.way)) return record;
  const { added, updated, removed } = record.way;
  if (!Array.isArray(added) || !Array.isArray(updated) || !Array.isArray(removed) || !updated.every(isObject)) return record;
  const ends = migrate(updated.map(({ to }) => to));
  const turned = migrate(updated.map(({ from }) => from)).map((from, at) => ({ from, to: ends[at] }));
  return { ...record, way: { added: migrate(added), updated: turned, removed: migrate(removed) } };
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null;
}

function withLevels(record: unknown): unknown {
  if (typeof record !== 'object' || record === null || !('type' in record)) return record;
  const [was, is] = record.type === 'duty' ? ['function', 'level'] : ['functions', 'levels'];
  if (!(was in record) || !(record.type === 'duty' || ('kind' in record && record.kind === 'load'))) return record;
  const { [was]: said, ...others } = record as Record<string, unknown>;
  return { ...others, [is]: said };
}

function withoutEmptyStretch(record: unknown): unknown {
  const isRoute = typeof record === 'object' && record !== null && 'type' in record && record.type === 'route';
  if (!isRoute || !('measuredMm' in record) || typeof record.measuredMm !== 'number' || record.measuredMm >= LIMITS.stretchMm)
    return record;
  return { ...record, measuredMm: null, measuredOn: null };
}

/**
 * Brings records of an older schema version up to the present one.
 * @throws RangeError for a version this program does not know: older than 1, or newer than itself.
 */
export function migrateRecords(
  records: unknown[],
  fromVersion: number,
  migrations: readonly Migration[] = MIGRATIONS,
  toVersion = SCHEMA_VERSION,
): unknown[] {
  if (!Number.isInteger(fromVersion) || fromVersion < 1) throw new RangeError(`schema version ${fromVersion} does not exist`);
  if (fromVersion > toVersion)
    throw new RangeError(`schema version ${fromVersion} is newer than ${toVersion}, the newest this program reads`);
  return migrations
    .slice(fromVersion - 1, toVersion - 1)
    .reduce((current, migrate) => migrate(current).map((record) => withHeld(record, migrate)), records);
}
