import { useMemo } from 'react';
import { tryWay, type WayTried } from '@/core/advice/tryWay';
import { NetworkError } from '@/core/network/networkError';
import type { Way, WayChoice } from '@/core/switching/gallery/ways';
import { useDesign } from '@/features/design/DesignProvider';

/** A way tried on the design as it stands; why not, where its wiring has no answer. */
export function useWayTried(loadId: string, way: Way, { signal, otherId }: WayChoice): WayTried | NetworkError | null {
  const analysis = useDesign((state) => state.analysis);
  return useMemo(() => {
    try {
      return tryWay(analysis, loadId, way, { signal, otherId });
    } catch (error) {
      if (error instanceof NetworkError) return error;
      throw error;
    }
  }, [analysis, loadId, way, signal, otherId]);
}
