'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { MonitorReading } from '@/core/energy/monitored';
import type { MonitorNews } from '@/server/monitor';

/** How often what came in is shown, ms. */
const SHOW_MS = 500;
/** Readings held in one sitting; it ends when they are full. */
const MOST_READINGS = 50_000;

export interface LiveMonitor {
  listening: boolean;
  readings: readonly MonitorReading[];
  /** Why nothing comes any more. */
  trouble: string | null;
  listen(): void;
  stop(): void;
}

/**
 * Listens to the battery monitor the server reaches. What was read is handed over once nothing more comes, whoever ended it:
 * a hand, the monitor, or leaving the stage.
 */
export function useLiveMonitor(onEnd: (readings: readonly MonitorReading[]) => void): LiveMonitor {
  const handOver = useRef(onEnd);
  useEffect(() => {
    handOver.current = onEnd;
  });
  const [state, setState] = useState<Pick<LiveMonitor, 'listening' | 'readings' | 'trouble'>>({
    listening: false,
    readings: [],
    trouble: null,
  });
  const ending = useRef<((trouble: string | null) => void) | null>(null);
  const stop = useCallback(() => ending.current?.(null), []);
  const listen = useCallback(() => {
    ending.current?.(null);
    const heard: MonitorReading[] = [];
    const stream = new EventSource('/api/monitor');
    const end = (trouble: string | null) => {
      stream.close();
      ending.current = null;
      setState({ listening: false, readings: [], trouble });
      if (heard.length > 1) handOver.current(heard);
    };
    ending.current = end;
    setState({ listening: true, readings: [], trouble: null });
    let shownAt = 0;
    stream.onmessage = ({ data }: MessageEvent<string>) => {
      const news = JSON.parse(data) as MonitorNews;
      if ('trouble' in news) return end(news.trouble);
      heard.push(news.reading);
      if (heard.length >= MOST_READINGS) return end('as many readings as one sitting holds');
      if (Date.now() - shownAt < SHOW_MS) return;
      shownAt = Date.now();
      setState({ listening: true, readings: heard.slice(), trouble: null });
    };
    stream.onerror = () => end('the server cannot be reached');
  }, []);
  useEffect(() => () => ending.current?.(null), []);
  return { ...state, listen, stop };
}
