import { useMemo } from 'react';
import type { CircuitAnalysis } from '@/core/analysis/types';
import type { Moved } from '@/core/diagnosis/foresee';
import { movesFor } from '@/core/diagnosis/moves';
import { useDesign } from '@/features/design/DesignProvider';

/**
 * What is moved so that a circuit works: all its loads where that can be, else the first of them. Null where nothing is found that does it.
 */
export function useMovesFor(circuit: CircuitAnalysis | null): Moved[] | null {
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  return useMemo(() => {
    if (!circuit || circuit.loadIds.length === 0) return null;
    return movesFor(index, wiring, circuit.loadIds) ?? movesFor(index, wiring, circuit.loadIds.slice(0, 1));
  }, [index, wiring, circuit]);
}
