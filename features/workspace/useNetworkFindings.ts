'use client';

import { useEffect } from 'react';
import type { Finding } from '@/core/analysis/finding';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';

/** How long the hand rests before the network is searched, ms. */
const REST_MS = 400;

/** Kept while the page is there: the engine has compiled what it does by the time another design is opened. */
let worker: Worker | null = null;

/** The last search asked for; an answer to an earlier one is dropped. */
let job = 0;

/** Searches the solved network for what only it shows, a moment after each change, in a worker. A newer change drops the older search. */
export function useNetworkFindings(): void {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  useEffect(() => {
    const mine = ++job;
    const timer = setTimeout(() => {
      worker ??= new Worker(new URL('../../workers/networkFindings.ts', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<{ job: number; findings: Finding[] }>) => {
        if (data.job === job) store.foundInNetwork(data.findings);
      };
      worker.onerror = () => {
        worker?.terminate();
        worker = null;
        store.report(
          'The network and the days could not be searched: findings from them are those of before. They are searched again at the next change.',
        );
      };
      worker.postMessage({ job: mine, records: Array.from(design.records.values()) });
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      job += 1;
    };
  }, [design, store]);
}
