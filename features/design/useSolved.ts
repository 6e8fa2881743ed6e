'use client';

import { useEffect, useState } from 'react';
import type { SolvedDesign } from '@/core/analysis/solved';
import type { Analysis } from '@/core/analysis/types';
import type { NetworkError } from '@/core/network/networkError';
import type { StateChoice } from '@/core/network/namedStates';
import { useDesign } from './DesignProvider';
import type { PickedState } from './designStore';

export type SolvedOrNot = SolvedDesign | NetworkError;

/** How long the hand rests before the network is solved again, so that typing never waits for it, ms. */
const REST_MS = 200;

/** Every component that asks for the same design in the same state shares one solution. */
const solutions = new WeakMap<Analysis, Map<string, SolvedOrNot>>();

/** The design solved as it is wired, a moment after each change; null until the first solution is there. */
export function useSolved(choice: StateChoice): SolvedOrNot | null {
  const analysis = useDesign((state) => state.analysis);
  const [solved, setSolved] = useState<SolvedOrNot | null>(null);
  const key = JSON.stringify(choice);
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(async () => {
      const { solveDesign } = await import('@/core/analysis/solved');
      if (!wanted) return;
      const known = solutions.get(analysis) ?? new Map<string, SolvedOrNot>();
      solutions.set(analysis, known);
      const solution = known.get(key) ?? solveDesign(analysis, JSON.parse(key) as StateChoice);
      known.set(key, solution);
      setSolved(solution);
    }, REST_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [analysis, key]);
  return solved;
}

/** What a picked state means for one circuit. */
export function choiceFor(picked: PickedState, circuitId: string): StateChoice {
  if (picked === 'allOn' || picked === 'allOff') return { kind: picked };
  if (picked === 'onlyThis') return { kind: 'onlyCircuit', circuitId };
  return { kind: 'scenario', scenarioId: picked.slice('scenario:'.length) };
}

/** Whether the network had an answer. */
export function isSolved(solved: SolvedOrNot | null): solved is SolvedDesign {
  return solved !== null && 'live' in solved;
}
