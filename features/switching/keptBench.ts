import type { Bench } from '@/core/bench/bench';
import type { BenchAct } from '@/core/design/schema';
import type { DesignStore } from '@/features/design/designStore';

/** One thing done on the bench and what it changed. */
export interface Done {
  key: number;
  /** When it was begun, s. */
  timeS: number;
  act: BenchAct;
  what: string;
  changed: string[];
  /** How far each load that was lit is lit before it and after it, by id. */
  before: ReadonlyMap<string, number>;
  levels: ReadonlyMap<string, number>;
}

/** A bench as it was left, and what was done on it, the newest first. */
export interface KeptBench {
  bench: Bench;
  acts: readonly Done[];
}

const kept = new WeakMap<DesignStore, KeptBench>();

/** Keeps the bench of an open design while its page is, whatever stage is looked at. */
export function keepBench(store: DesignStore, bench: KeptBench): void {
  kept.set(store, bench);
}

/** The bench as it was left; null where nothing was done on it yet. */
export function benchLeft(store: DesignStore): KeptBench | null {
  return kept.get(store) ?? null;
}
