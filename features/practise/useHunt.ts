import { useState } from 'react';
import * as z from 'zod/mini';
import { listUpTo } from '@/core/units/schema';
import { sameRecord } from '@/core/design/change';
import { NetworkError } from '@/core/network/networkError';
import { huntAct, MOST_HUNT_ACTS, type Hunt, type HuntAct } from '@/core/practise/hunt';
import { HuntBench } from '@/core/practise/huntBench';
import type { Entry } from '@/core/practise/told';
import { useKept } from '@/ui/useKept';

/** A hunt under way: what was done is kept in this browser, so that a page that is left goes on where it was. */
export interface HuntUnderWay {
  bench: HuntBench;
  /** Why the last act could not be answered. */
  problem: string | null;
  /** The way was looked at before it was found: it counts for nothing. */
  isShown: boolean;
  do(act: HuntAct): Entry | null;
  showWay(): void;
  again(): void;
}

const kept = z.strictObject({ acts: listUpTo(huntAct, MOST_HUNT_ACTS), isShown: z.boolean() });
const FRESH: z.infer<typeof kept> = { acts: [], isShown: false };

function played(hunt: Hunt, acts: readonly HuntAct[]): HuntBench {
  const bench = new HuntBench(hunt);
  for (const act of acts) bench.do(act);
  return bench;
}

const actsOf = ({ entries }: HuntBench) => entries.map(({ act }) => act);

export function useHunt(hunt: Hunt): HuntUnderWay {
  const [{ acts, isShown }, keep] = useKept(`vine-knot hunt ${hunt.id}`, kept, () => FRESH);
  const [bench, setBench] = useState(() => played(hunt, acts));
  const [problem, setProblem] = useState<string | null>(null);
  // What another tab has done is done here too.
  const [known, setKnown] = useState(acts);
  if (known !== acts) {
    setKnown(acts);
    if (!sameRecord(acts, actsOf(bench))) setBench(played(hunt, acts));
  }
  return {
    bench,
    problem,
    isShown,
    do(act) {
      if (bench.entries.length >= MOST_HUNT_ACTS) {
        setProblem(`That were ${MOST_HUNT_ACTS} acts. Begin again, or look at the way the finder goes.`);
        return null;
      }
      try {
        const entry = bench.do(act);
        setProblem(null);
        keep({ acts: actsOf(bench), isShown });
        return entry;
      } catch (error) {
        if (!(error instanceof NetworkError)) throw error;
        // What has no answer is taken back by playing the rest again.
        setBench(played(hunt, acts));
        setProblem('With that, the board has no answer. It was taken back.');
        return null;
      }
    },
    showWay() {
      keep({ acts, isShown: true });
    },
    again() {
      keep(FRESH);
      setBench(played(hunt, []));
      setProblem(null);
    },
  };
}
