import { useEffect, useState } from 'react';
import type { DesignRecord } from '@/core/design/schema';
import { useDesign, useDesignStore } from './DesignProvider';

interface Asked<Answer> {
  /** How far the work is, 0 to 1. */
  done: number;
  answer: Answer | null;
}

/**
 * Asks a worker about the design as it stands, afresh whenever design or question change; the work under way is ended then. Nothing is
 * asked while the question is null.
 * @param make the worker, always the same function
 * @param failed what the person is told where it fails
 */
export function useWorkerAnswer<Question extends object, Answer extends object>(
  make: () => Worker,
  question: Question | null,
  failed: string,
): Asked<Answer> {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const key = JSON.stringify(question);
  const [state, setState] = useState<Asked<Answer> & { of: unknown; key: string }>({ of: null, key: '', done: 0, answer: null });
  useEffect(() => {
    const asked = JSON.parse(key) as Question | null;
    if (!asked) return;
    const worker = make();
    worker.onmessage = ({ data }: MessageEvent<{ done: number } | Answer>) =>
      setState({ of: design, key, ...('done' in data ? { done: data.done, answer: null } : { done: 1, answer: data }) });
    worker.onerror = () => {
      worker.terminate();
      store.report(failed);
    };
    const records: DesignRecord[] = Array.from(design.records.values());
    worker.postMessage({ ...asked, records });
    return () => {
      // One that is ended while it is still being fetched has not failed.
      worker.onerror = null;
      worker.terminate();
    };
  }, [design, key, store, make, failed]);
  return state.of === design && state.key === key ? state : { done: 0, answer: null };
}
