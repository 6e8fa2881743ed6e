import type { Edit } from '../design/edit';
import { recordsOf, type Design } from '../design/design';
import { markDone } from './markDone';
import type { Trial } from './trials';

export type TrialKind = Trial['kind'];
const KINDS: Record<TrialKind, true> = { levels: true, range: true, rules: true, pilot: true, even: true, idle: true, hold: true, shut: true, cutsOut: true }; // prettier-ignore

/** What a trial is of. */
export interface TrialOf {
  /** Null where it is of everything together. */
  circuitId: string | null;
  kind: TrialKind;
  deviceId: string;
}

/** In a circuit's place, where it is of all of them; no id is so short. */
const OF_ALL = '*';

/** What tells a trial from every other; ids have no space in them. */
export const keyOf = ({ circuitId, kind, deviceId }: TrialOf) => `${circuitId ?? OF_ALL} ${kind} ${deviceId}`;

/** What a key is of; null for what is no trial's. */
export function trialOf(key: string): TrialOf | null {
  const [circuitId, kind, deviceId, more] = key.split(' ');
  if (!circuitId || !kind || !deviceId || more !== undefined || !Object.hasOwn(KINDS, kind)) return null;
  return { circuitId: circuitId === OF_ALL ? null : circuitId, kind: kind as TrialKind, deviceId };
}

/** How a trial went. */
export type TrialResult = 'passed' | 'failed';

const taskOf = (result: TrialResult, key: string) => `${result} ${key}`;

/** How trials went, by their keys; what was not tried is not among them. */
export function trialResults(design: Design): Map<string, TrialResult> {
  const results = new Map<string, TrialResult>();
  for (const { task } of recordsOf(design, 'doneTask'))
    for (const result of ['passed', 'failed'] as const)
      if (task.startsWith(`${result} `)) results.set(task.slice(result.length + 1), result);
  return results;
}

/** Writes down how a trial went; null: it was not tried. */
export function setTrial(edit: Edit, key: string, result: TrialResult | null, today: string): void {
  for (const one of ['passed', 'failed'] as const) markDone(edit, taskOf(one, key), result === one, today);
}
