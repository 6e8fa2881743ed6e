'use client';

import { useEffect, useRef } from 'react';
import type { Finding } from '@/core/analysis/finding';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';

/** How long the hand rests before the network is searched, ms. */
const REST_MS = 400;

/** Searches the solved network for what only it shows, a moment after each change, in a worker. A newer change drops the older search. */
export function useNetworkFindings(): void {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const worker = useRef<Worker | null>(null);
  const job = useRef(0);
  useEffect(() => () => worker.current?.terminate(), []);
  useEffect(() => {
    const mine = ++job.current;
    const timer = setTimeout(() => {
      worker.current ??= new Worker(new URL('../../workers/networkFindings.ts', import.meta.url), { type: 'module' });
      worker.current.onmessage = ({ data }: MessageEvent<{ job: number; findings: Finding[] }>) => {
        if (data.job === job.current) store.foundInNetwork(data.findings);
      };
      worker.current.onerror = () => {
        worker.current?.terminate();
        worker.current = null;
        store.report(
          'The network and the days could not be searched: findings from them are those of before. They are searched again at the next change.',
        );
      };
      worker.current.postMessage({ job: mine, records: Array.from(design.records.values()) });
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [design, store]);
}
