import type { Finding } from '@/core/analysis/finding';

/** The stages of work this program has so far, in the order of the work, each with its key after `g`. */
export const STAGES = [
  { id: 'rig', name: 'Rig', key: 'r' },
  { id: 'loads', name: 'Loads', key: 'l' },
  { id: 'supply', name: 'Supply', key: 's' },
  { id: 'energy', name: 'Energy', key: 'e' },
  { id: 'circuits', name: 'Circuits', key: 'c' },
  { id: 'switching', name: 'Switching', key: 'w' },
  { id: 'harness', name: 'Harness', key: 'n' },
  { id: 'test', name: 'Build and test', key: 'm' },
] as const;

export type StageId = (typeof STAGES)[number]['id'];

/** The stage where a finding is put right. */
export function stageOf({ rule, circuitId }: Finding): StageId {
  const family = rule.split('.')[0];
  if (family === 'rig') return 'rig';
  if (family === 'harness') return 'harness';
  if (family === 'build') return 'test';
  if (family === 'wish' || family === 'switching') return 'switching';
  if (rule === 'energy.shortRuntime' || rule === 'energy.runsOut') return 'energy';
  if (family === 'load' || family === 'strip' || family === 'energy') return 'loads';
  if (family === 'solar' || family === 'alternator' || family === 'relay' || family === 'charger' || family === 'battery') return 'supply';
  if (family === 'main' || family === 'supply' || family === 'slot' || family === 'block' || rule === 'fuse.notFed') return 'supply';
  return circuitId === null ? 'supply' : 'circuits';
}
