import type { Design } from './design';
import { recordKindOf } from './recordKinds';

/** What a record is called: its name, a circuit with its number, a wire by its two ends. */
export function nameOf(design: Design, id: string | undefined): string {
  const record = id === undefined ? undefined : design.records.get(id);
  return record ? recordKindOf(record).name(record, (other) => nameOf(design, other)) : (id ?? '');
}
