import type { TerminalRef } from '../design/schema';
import { NetworkError } from '../network/networkError';
import { stateFor, type StateChoice } from '../network/namedStates';
import { LiveDesign, type Outcome } from '../network/settle';
import { lightingStates, worstDrops } from './lighting';
import type { Analysis } from './types';
import { overAsWired, type WiredDrop } from './wiredDrops';

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
    const first = live.settle(state);
    const isOff = choice.kind === 'allOff';
    const lighting = first.kind === 'oscillating' || isOff ? null : lightingStates(analysis, live, first.state);
    const states = lighting?.states ?? [first.state];
    const outcome: Outcome = first.kind === 'oscillating' ? first : { ...first, state: states[0]! };
    const volts = (ref: TerminalRef) => live.voltage(ref) ?? 0;
    const batteryV = index.battery ? volts({ deviceId: index.battery.id, terminal: 'plus' }) : 0;
    // With everything on each load counts where it is lit; in any other state it is as it is.
    const judged = choice.kind === 'allOn' ? [...states, ...(lighting?.ways ?? [])] : states.slice(0, 1);
    const drops = first.kind === 'oscillating' ? new Map<string, WiredDrop>() : worstDrops(analysis, live, judged);
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
