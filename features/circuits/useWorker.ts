import { useEffect, useState } from 'react';
import type { DesignRecord } from '@/core/design/schema';
import { useDesign } from '@/features/design/DesignProvider';

/** What a worker says: how far it is, or its answer. */
type News<T> = { done: number } | { answer: T | null };

/**
 * Asks a worker something about the design as it stands, afresh whenever design or question change; the work under way is ended then. `make` and `read` must be
 * the same functions every time.
 */
export function useWorker<Q extends object, N, T>(
  question: Q | null,
  make: () => Worker,
  read: (news: N) => News<T>,
): { done: number; answer: T | null } {
  const design = useDesign((state) => state.design);
  const key = JSON.stringify(question);
  const [state, setState] = useState<{ of: unknown; key: string; done: number; answer: T | null }>({
    of: null,
    key: '',
    done: 0,
    answer: null,
  });
  useEffect(() => {
    if (key === 'null') return;
    const worker = make();
    worker.onmessage = ({ data }: MessageEvent<N>) => {
      const news = read(data);
      setState({ of: design, key, done: 'done' in news ? news.done : 1, answer: 'answer' in news ? news.answer : null });
    };
    const records: DesignRecord[] = Array.from(design.records.values());
    worker.postMessage({ ...(JSON.parse(key) as object), records });
    return () => worker.terminate();
  }, [design, key, make, read]);
  const fresh = state.of === design && state.key === key;
  return { done: fresh ? state.done : 0, answer: fresh ? state.answer : null };
}
