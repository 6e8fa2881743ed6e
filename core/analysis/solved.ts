import type { TerminalRef } from '../design/schema';
import { NetworkError } from '../network/networkError';
import { stateFor, type StateChoice } from '../network/namedStates';
import { LiveDesign, type Outcome } from '../network/settle';
import type { Analysis } from './types';

/** A design solved as it is wired, in one state. */
export interface SolvedDesign {
  analysis: Analysis;
  choice: StateChoice;
  outcome: Outcome;
  live: LiveDesign;
  /** Volts between the battery's terminals. */
  batteryV: number;
  /** What each circuit's worst load loses of that, for circuits with a running load. */
  drops: Map<string, { loadId: string; dropV: number; dropPercent: number; acrossV: number }>;
}

/** Solves a design in a state. The error, when there is one, says which part has no answer. */
export function solveDesign(analysis: Analysis, choice: StateChoice): SolvedDesign | NetworkError {
  const { index, loads } = analysis;
  const state = stateFor(choice, index, (id) => loads.get(id)?.circuitId ?? null);
  try {
    const live = new LiveDesign(index, state);
    const outcome = live.settle(state);
    const volts = (ref: TerminalRef) => live.voltage(ref) ?? 0;
    const batteryV = index.battery ? volts({ deviceId: index.battery.id, terminal: 'plus' }) : 0;
    const drops: SolvedDesign['drops'] = new Map();
    for (const { id, circuitId } of loads.values()) {
      if (circuitId === null || state.controls[id]?.on !== true) continue;
      const acrossV = volts({ deviceId: id, terminal: 'plus' }) - volts({ deviceId: id, terminal: 'minus' });
      const dropV = batteryV - acrossV;
      if (dropV <= (drops.get(circuitId)?.dropV ?? -Infinity)) continue;
      drops.set(circuitId, { loadId: id, dropV, acrossV, dropPercent: (dropV / index.settings.nominalV) * 100 });
    }
    return { analysis, choice, outcome, live, batteryV, drops };
  } catch (error) {
    if (error instanceof NetworkError) return error;
    throw error;
  }
}
