import type { ProtectionFamily } from './vocabulary';

/** What a family of fuse or breaker may be asked to break. */
export interface InterruptingFacts {
  /** Highest voltage of the system, V. */
  maxV: number;
  /** Greatest current it breaks safely up to a voltage, A: the careful end of what the family comes with. Voltages ascend to `maxV`. */
  breaks: readonly (readonly [upToV: number, amps: number])[];
}

/**
 * Voltage and breaking capacity by family: the low end of the usual range, since makers differ. Source: makers' data sheets
 * in general, from memory. Blade 32 V 1 kA; bolt-down 32 to 58 V, 1 to 2 kA; mega 32 V 2 kA; terminal-mount 10 kA at 14 V, 5 kA at 32 V,
 * 2 kA at 58 V; class T 125 V and more, 20 kA; glass 32 V, about 1 kA; many resettable breakers 1 kA or less (common practice).
 */
export const INTERRUPTING: Record<ProtectionFamily, InterruptingFacts> = {
  blade: { maxV: 32, breaks: [[32, 1000]] },
  largeBlade: { maxV: 32, breaks: [[32, 1000]] },
  boltDown: { maxV: 32, breaks: [[32, 1000]] },
  mega: { maxV: 32, breaks: [[32, 2000]] },
  terminalMount: {
    maxV: 58,
    breaks: [
      [14, 10_000],
      [32, 5000],
      [58, 2000],
    ],
  },
  classT: { maxV: 125, breaks: [[125, 20_000]] },
  glass: { maxV: 32, breaks: [[32, 1000]] },
  breaker: { maxV: 32, breaks: [[32, 1000]] },
};

/** What a 12 V system drives a short circuit with, V: a full, rested battery, not what charges it, which gives no thousands of amperes. */
const DRIVING_V_OF_12 = 14;

/** Breaking capacity of a family in a system of a nominal voltage, A: by its rating at the next voltage up; 0 past its highest. */
export function breaksAt(family: ProtectionFamily, nominalV: number): number {
  const drivingV = (DRIVING_V_OF_12 * nominalV) / 12;
  return INTERRUPTING[family].breaks.find(([upToV]) => upToV >= drivingV)?.[1] ?? 0;
}
