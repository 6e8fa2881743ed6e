import { useEffect, useState } from 'react';
import { litDiagram, type LitDiagram } from '@/core/diagram/lit';
import { NetworkError } from '@/core/network/networkError';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { benchLeft } from '@/features/switching/keptBench';

export interface DiagramAsLit {
  diagram: LitDiagram | null;
  /** What the bench was left at, or why it has no answer. */
  says: string;
}

/** What of the diagram is alive with everything as it was left on the bench; null while nobody asks, or while it is put together. */
export function useLitDiagram(isWanted: boolean): DiagramAsLit | null {
  const store = useDesignStore();
  const index = useDesign(({ analysis }) => analysis.index);
  const [lit, setLit] = useState<DiagramAsLit | null>(null);
  useEffect(() => {
    if (!isWanted) return;
    let isAwaited = true;
    void import('@/core/bench/bench').then(({ Bench }) => {
      if (!isAwaited) return;
      try {
        const left = benchLeft(store);
        const diagram = litDiagram(index, new Bench(index, left?.bench ?? null));
        setLit({ diagram, says: left?.acts[0] ? `As the bench was left, last: ${left.acts[0].what}.` : 'With everything as it is left.' });
      } catch (error) {
        if (!(error instanceof NetworkError)) throw error;
        setLit({ diagram: null, says: error.message });
      }
    });
    return () => {
      isAwaited = false;
    };
  }, [isWanted, index, store]);
  return isWanted ? lit : null;
}
