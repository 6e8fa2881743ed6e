import type { Bench } from '@/core/bench/bench';
import type { DesignStore } from '@/features/design/designStore';
import type { Done } from './useBench';

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
