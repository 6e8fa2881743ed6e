import type { ConductorSize } from '../catalog/conductorSizes';
import { pullN, terminalFor, type TerminalColour } from '../catalog/terminals';
import type { Zone } from '../design/schema';
import { askingTraits, type AskingTrait } from '../rig/traitAdvice';
import type { Analysis, CircuitAnalysis } from './types';

/** What has to be joined and ended in one circuit. */
export interface CircuitJoints {
  /** Wire ends by conductor, each with its terminal and the pull a crimp on it must stand, N. */
  ends: { conductor: ConductorSize; count: number; terminal: TerminalColour | 'lug' | 'none'; pullN: number | null }[];
  /** Three-way joints in rows of lamps: one fewer than the lamps, on each pole. */
  rowJoints: number;
  /** What the zones its wires meet ask of them. */
  asking: AskingTrait[];
}

/**
 * Ends and joints of a circuit's own wires. Rows of n pieces take n − 1 joints on the feed and, with a return of their own, as many on it.
 */
export function jointsOf({ wires, loads, exposures }: Analysis, circuit: CircuitAnalysis): CircuitJoints {
  const counts = new Map<ConductorSize, number>();
  const zones: Zone[] = [];
  for (const id of [...circuit.supplyWireIds, ...circuit.returnWireIds]) {
    const wire = wires.get(id)?.wire;
    if (!wire) continue;
    counts.set(wire.conductor, (counts.get(wire.conductor) ?? 0) + 2);
    zones.push(...(exposures.get(id)?.zones ?? []));
  }
  const rowJoints = circuit.loadIds.reduce((sum, id) => {
    const { load, returned } = loads.get(id)!;
    // What a lamp's functions have in common is one wire from piece to piece, counted with the lamp.
    const poles = load.partOf ? (load.partOf.shares === 'minus' || returned ? 1 : 0) : returned ? 2 : 1;
    return sum + (load.quantity - 1) * poles;
  }, 0);
  return {
    ends: Array.from(counts, ([conductor, count]) => ({ conductor, count, terminal: terminalFor(conductor), pullN: pullN(conductor) })),
    rowJoints,
    asking: askingTraits(zones),
  };
}
