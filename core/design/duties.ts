import { settingsOf, type Design } from './design';
import type { Edit } from './edit';
import { newId } from './ids';
import type { Duty } from './schema';

/** The duty of a load in the design's scenario, if it has one: of one of its levels, or the first there is. */
export function dutyOf(design: Design, loadId: string, level?: string): Duty | null {
  const { scenarioId } = settingsOf(design);
  for (const record of design.records.values()) {
    if (record.type !== 'duty' || record.loadId !== loadId || record.scenarioId !== scenarioId) continue;
    if (level === undefined || record.level === level) return record;
  }
  return null;
}

/**
 * Sets how a load, or one of its levels, is used in the design's scenario; a new duty draws all of its hours. Returns whether there is a
 * scenario to set it in.
 */
export function setDuty(edit: Edit, loadId: string, fields: Partial<Duty>, level?: string): boolean {
  const { scenarioId } = settingsOf(edit.design);
  if (scenarioId === null) return false;
  const duty = dutyOf(edit.design, loadId, level);
  const whole = { scenarioId, loadId, hoursPerDay: 0, sharePercent: 100, ...(level !== undefined && { level }) };
  if (duty) edit.set(duty, fields);
  else edit.add<Duty>({ id: newId('duty'), type: 'duty', ...whole, ...fields });
  return true;
}
