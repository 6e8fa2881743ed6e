import type { ProtectionFamily } from '../design/vocabulary';

/** What a family of fuse or breaker may be asked to break. */
export interface InterruptingFacts {
  /** Highest voltage of the system, V. */
  maxV: number;
  /** Greatest current it breaks safely, A: the careful end of what the family comes with. */
  breaksA: number;
}

/**
 * Voltage and interrupting rating by family: the low end of the usual range, since makers differ. Source: makers' data sheets
 * in general, from memory. Blade 32 V 1 kA; bolt-down 32 to 58 V, 1 to 2 kA; mega 32 V 2 kA; terminal-mount 58 V, 10 kA at 14 V;
 * class T 125 V and more, 20 kA; glass 32 V, about 1 kA; many resettable breakers 1 kA or less (common practice).
 */
export const INTERRUPTING: Record<ProtectionFamily, InterruptingFacts> = {
  blade: { maxV: 32, breaksA: 1000 },
  largeBlade: { maxV: 32, breaksA: 1000 },
  boltDown: { maxV: 32, breaksA: 1000 },
  mega: { maxV: 32, breaksA: 2000 },
  terminalMount: { maxV: 58, breaksA: 10_000 },
  classT: { maxV: 125, breaksA: 20_000 },
  glass: { maxV: 32, breaksA: 1000 },
  breaker: { maxV: 32, breaksA: 1000 },
};
