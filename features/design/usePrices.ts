import { useMemo } from 'react';
import { pricesOf, type Prices } from '@/core/advice/prices';
import { useDesign } from './DesignProvider';

/** The prices a design is weighed by; round figures until a person puts in their own. */
export function usePrices(): Prices {
  const settings = useDesign(({ analysis }) => analysis.index.settings);
  return useMemo(() => pricesOf(settings), [settings]);
}
