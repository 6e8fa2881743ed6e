import { useMemo } from 'react';
import type { CircuitAnalysis } from '@/core/analysis/types';
import type { Design } from '@/core/design/design';
import type { Device } from '@/core/design/schema';
import type { Moved } from '@/core/diagnosis/foresee';
import { movesFor } from '@/core/diagnosis/moves';
import { handleName, positionWord, VEHICLE_WORDS } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';

/** What is moved so that a circuit works: all its loads where that can be, else the first of them. Null where nothing is found that does it. */
export function useMovesFor(circuit: CircuitAnalysis | null): Moved[] | null {
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  return useMemo(() => {
    if (!circuit || circuit.loadIds.length === 0) return null;
    return movesFor(index, wiring, circuit.loadIds) ?? movesFor(index, wiring, circuit.loadIds.slice(0, 1));
  }, [index, wiring, circuit]);
}

/** What to do, in words: "Water pump switch: on". */
export function movesWords(design: Design, moved: readonly Moved[]): string {
  if (moved.length === 0) return 'everything as it is left';
  return moved
    .map(({ mover, position }) => {
      if (mover.kind === 'vehicle') return `${VEHICLE_WORDS[mover.control]}: ${String(position)}`;
      const device = design.records.get(mover.deviceId) as Device | undefined;
      return device ? `${handleName(device, mover.control)}: ${positionWord(device, mover.control, position)}` : '';
    })
    .filter(Boolean)
    .join(', ');
}
