import type { TerminalRef } from '../design/schema';
import { NetworkError } from '../network/networkError';
import { stateFor, type StateChoice } from '../network/namedStates';
import { LiveDesign, type Outcome } from '../network/settle';
import type { Analysis } from './types';
import { overAsWired, wiredDrops, type WiredDrop } from './wiredDrops';

/** A design solved as it is wired, in one state. */
export interface SolvedDesign {
  analysis: Analysis;
  choice: StateChoice;
  outcome: Outcome;
  live: LiveDesign;
  /** Volts between the battery's terminals. */
  batteryV: number;
  /** By circuit; none where relays never come to rest. */
  drops: Map<string, WiredDrop>;
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
    const drops = outcome.kind === 'oscillating' ? new Map<string, WiredDrop>() : wiredDrops(analysis, live, outcome.state);
    return { analysis, choice, outcome, live, batteryV, drops };
  } catch (error) {
    if (error instanceof NetworkError) return error;
    throw error;
  }
}

/** Circuits over their target in the solved network with everything on, each with what it loses, V. */
export function overWhenSolved(analysis: Analysis): Map<string, number> {
  const solved = solveDesign(analysis, { kind: 'allOn' });
  return solved instanceof NetworkError ? new Map() : overAsWired(analysis, solved.drops);
}
