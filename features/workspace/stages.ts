import type { Finding, Rule, RuleFamily } from '@/core/analysis/finding';

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

/** The stage of each family of rules; that of the circuit it is about, and where there is none the supply, where it says so. */
const STAGE_OF_FAMILY: Record<RuleFamily, StageId | 'asItsCircuit'> = {
  rig: 'rig',
  harness: 'harness',
  build: 'test',
  wish: 'switching',
  switching: 'switching',
  load: 'loads',
  strip: 'loads',
  energy: 'loads',
  solar: 'supply',
  alternator: 'supply',
  relay: 'supply',
  charger: 'supply',
  battery: 'supply',
  main: 'supply',
  supply: 'supply',
  slot: 'supply',
  block: 'supply',
  wiring: 'asItsCircuit',
  wire: 'asItsCircuit',
  fuse: 'asItsCircuit',
  feed: 'asItsCircuit',
  lead: 'asItsCircuit',
  return: 'asItsCircuit',
  ground: 'asItsCircuit',
  joint: 'asItsCircuit',
  drop: 'asItsCircuit',
  idle: 'asItsCircuit',
  switch: 'asItsCircuit',
  contact: 'asItsCircuit',
  circuit: 'asItsCircuit',
  network: 'asItsCircuit',
  reach: 'asItsCircuit',
  vehicle: 'asItsCircuit',
  work: 'asItsCircuit',
};
const STAGE_OF_RULE: Partial<Record<Rule, StageId>> = {
  'energy.shortRuntime': 'energy',
  'energy.runsOut': 'energy',
  'fuse.notFed': 'supply',
};

/** The stage where a finding is put right. */
export function stageOf({ rule, circuitId }: Pick<Finding, 'rule' | 'circuitId'>): StageId {
  const stage = STAGE_OF_RULE[rule] ?? STAGE_OF_FAMILY[rule.split('.')[0] as RuleFamily];
  return stage === 'asItsCircuit' ? (circuitId === null ? 'supply' : 'circuits') : stage;
}
