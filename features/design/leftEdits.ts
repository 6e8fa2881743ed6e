import { SCHEMA_VERSION } from '@/core/catalog/vocabulary';
import type { Change } from '@/core/design/change';
import type { Pending } from './api';
import { outbox } from './outbox';

/**
 * Takes over the edits earlier pages of a design left unsent, brought up to the present schema version. What is then no change of a design
 * is set aside. Says so as soon as there are any. The checks are only fetched when there is something to check.
 */
export async function leftEdits(designId: string, onFound: () => void = () => undefined): Promise<Pending[]> {
  const taken = outbox.take(designId);
  const left = await outbox.takeDurable(designId, taken);
  if (left.length === 0) return [];
  onFound();
  const [{ changeSchema }, { migrateRecords }] = await Promise.all([import('@/core/design/schema'), import('@/core/design/migrations')]);
  const bad: Pending[] = [];
  const good = left.flatMap(({ version = SCHEMA_VERSION, ...edit }): Pending[] => {
    try {
      const change = changeSchema.parse(inVersion(edit.change, version, migrateRecords)) as Change;
      return [{ ...edit, change }];
    } catch {
      bad.push({ version, ...edit });
      return [];
    }
  });
  if (bad.length > 0) {
    outbox.setAside(designId, bad);
    await outbox.keepLeft(designId, good);
  }
  return good;
}

function inVersion(change: Change, version: number, migrate: (records: unknown[], version: number) => unknown[]): unknown {
  const each = (records: readonly unknown[]) => migrate([...records], version);
  return {
    added: each(change.added),
    updated: change.updated.map(({ from, to }) => ({ from: each([from])[0], to: each([to])[0] })),
    removed: each(change.removed),
  };
}
