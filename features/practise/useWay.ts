import { useEffect, useState } from 'react';
import type { Way } from '@/core/practise/bestWay';
import type { Hunt } from '@/core/practise/hunt';
import type { HuntAnswer, HuntQuestion } from '@/workers/hunt';

/** The finder's way on a board, worked out off the page's thread once it is asked for. */
export function useWay(hunt: Hunt, isAsked: boolean): { way: Way | null; problem: string | null } {
  const [answer, setAnswer] = useState<{ of: Hunt; answer: HuntAnswer } | null>(null);
  useEffect(() => {
    if (!isAsked) return;
    const worker = new Worker(new URL('../../workers/hunt.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<HuntAnswer>) => setAnswer({ of: hunt, answer: data });
    worker.onerror = () => setAnswer({ of: hunt, answer: { problem: 'The finder’s way could not be worked out. Load the page again.' } });
    const { design, ...rest } = hunt;
    const question: HuntQuestion = { ...rest, records: Array.from(design.records.values()) };
    worker.postMessage(question);
    return () => worker.terminate();
  }, [hunt, isAsked]);
  const here = answer?.of === hunt ? answer.answer : null;
  return { way: here && 'way' in here ? here.way : null, problem: here && 'problem' in here ? here.problem : null };
}
