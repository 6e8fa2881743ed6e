import type { Edit } from '../design/edit';
import { recordsOf, type Design } from '../design/design';
import { markDone } from './markDone';

const KINDS = ['levels', 'range', 'rules', 'pilot', 'even', 'idle', 'hold', 'shut', 'cutsOut'] as const;

export type TrialKind = (typeof KINDS)[number];

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
  const [circuitId, named, deviceId, more] = key.split(' ');
  const kind = KINDS.find((one) => one === named);
  if (!circuitId || !kind || !deviceId || more !== undefined) return null;
  return { circuitId: circuitId === OF_ALL ? null : circuitId, kind, deviceId };
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
