import { useEffect, useState } from 'react';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import type { SizingAnswer, SizingNews, SizingQuestion } from '@/workers/sizing';

interface Sizing {
  /** How far the work is, 0 to 1. */
  done: number;
  answer: SizingAnswer | null;
}

/** Asks the sizing worker about the design as it stands, afresh whenever design or question change; the work under way is ended then. */
export function useSizing(question: SizingQuestion | null): Sizing {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const key = JSON.stringify(question);
  const [state, setState] = useState<Sizing & { of: unknown; key: string }>({ of: null, key: '', done: 0, answer: null });
  useEffect(() => {
    const asked = JSON.parse(key) as SizingQuestion | null;
    if (!asked) return;
    const worker = new Worker(new URL('../../workers/sizing.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<SizingNews>) =>
      setState({ of: design, key, ...('done' in data ? { done: data.done, answer: null } : { done: 1, answer: data }) });
    worker.onerror = () => {
      worker.terminate();
      store.report('The proposal failed: nothing was changed. Close it and ask again, for fewer circuits if it fails again.');
    };
    worker.postMessage({ ...asked, records: Array.from(design.records.values()) });
    return () => worker.terminate();
  }, [design, key, store]);
  return state.of === design && state.key === key ? state : { done: 0, answer: null };
}
