'use client';

import { useEffect } from 'react';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { NetworkSearch } from './networkSearch';

/** How long the hand rests before the network is searched, ms. */
const REST_MS = 400;

const search = new NetworkSearch(() => new Worker(new URL('../../workers/networkFindings.ts', import.meta.url), { type: 'module' }));

/** Searches the solved network for what only it shows, a moment after each change, in a worker. A newer change drops the older search. */
export function useNetworkFindings(): void {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  useEffect(() => {
    let takeBack = (): void => undefined;
    const timer = setTimeout(() => {
      takeBack = search.ask(Array.from(design.records.values()), {
        found: (findings) => store.foundInNetwork(findings),
        failed: () =>
          store.report(
            'The network and the days could not be searched: findings from them are those of before. They are searched again at the next change.',
          ),
      });
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      takeBack();
    };
  }, [design, store]);
}
