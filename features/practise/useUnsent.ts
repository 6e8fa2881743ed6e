import { useCallback, useEffect } from 'react';
import * as z from 'zod/mini';
import { listUpTo } from '@/core/units/schema';
import { learnerName, resultSchema } from '@/core/practise/record';
import { Refused, request, Unreachable } from '@/features/home/requests';
import { readKept, useKept } from '@/ui/useKept';

const KEY = 'vine-knot unsent results';
const MOST_UNSENT = 500;
const unsent = z.strictObject({ learner: learnerName, result: z.omit(resultSchema, { at: true }) });
const kept = listUpTo(unsent, MOST_UNSENT);
type Unsent = z.infer<typeof unsent>;

/** Results that the server has not heard of: they wait in this browser and go as soon as it can be reached. */
export function useUnsent(): { waiting: number; send(one: Unsent): Promise<string | null> } {
  const [list, put] = useKept<Unsent[]>(KEY, kept, () => []);
  /** Sends one, which waits if nobody hears it; why it was refused, else null. */
  const send = useCallback(
    async (one: Unsent): Promise<string | null> => {
      const sent = await sending(one);
      if (sent === 'unheard') put([...waitingNow(), one].slice(-MOST_UNSENT));
      return sent === 'unheard' ? null : sent;
    },
    [put],
  );
  useEffect(() => {
    const all = async () => {
      for (;;) {
        const [one] = waitingNow();
        if (!one || (await sending(one)) === 'unheard') return;
        put(waitingNow().slice(1));
      }
    };
    const go = () => void alone(all);
    go();
    window.addEventListener('online', go);
    return () => window.removeEventListener('online', go);
  }, [put]);
  return { waiting: list.length, send };
}

const waitingNow = () => readKept(KEY, kept) ?? [];

/** One tab at a time, where the browser can: nothing is sent twice. */
function alone(work: () => Promise<void>): Promise<void> {
  return 'locks' in navigator ? navigator.locks.request(KEY, work) : work();
}

/** Null: it was taken; else why it was not. */
async function sending(one: Unsent): Promise<string | null> {
  try {
    await request('POST', '/api/practise', one);
    return null;
  } catch (error) {
    if (error instanceof Unreachable) return 'unheard';
    if (error instanceof Refused) return `Not kept: ${[error.message, ...error.reasons].join(' ')}`;
    throw error;
  }
}
