'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { LONGEST_WAIT_S, MOST_ACTS } from '@/core/catalog/vocabulary';
import type { BenchAct } from '@/core/design/schema';
import type { Answer, Bench } from '@/core/bench/bench';
import { changedLoads } from '@/core/bench/changedLoads';
import { NetworkError } from '@/core/network/networkError';
import { changeWords } from '@/core/wording/benchWords';
import { actWords } from '@/core/wording/wishWords';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { benchLeft, keepBench, type Done } from './keptBench';

export interface BenchShown {
  bench: Bench;
  answer: Answer;
  /** The last acts, the newest first. */
  acts: readonly Done[];
  /**
   * Does something on the bench, and keeps what it changed. One that goes without saying, as letting a button go, is kept only where it
   * changed something.
   */
  act(act: BenchAct, goesWithoutSaying?: boolean): void;
}

function levelsOf({ loads }: Answer): Map<string, number> {
  return new Map(loads.flatMap(({ id, state, level }) => (state === 'off' ? [] : [[id, level] as const])));
}

/**
 * The design on the bench, put together anew at each edit with everything standing as it did; null while it is, and why where it has no
 * answer.
 */
export function useBench(): BenchShown | NetworkError | null {
  const index = useDesign(({ analysis }) => analysis.index);
  const design = useDesign((state) => state.design);
  const [bench, setBench] = useState<Bench | NetworkError | null>(null);
  const [answer, setAnswer] = useState<Answer | null>(null);
  const store = useDesignStore();
  const left = useState(() => benchLeft(store))[0];
  const [acts, setActs] = useState<readonly Done[]>(left?.acts ?? []);
  const last = useRef<Bench | null>(left?.bench ?? null);
  const count = useRef(left?.acts[0]?.key ?? 0);
  useEffect(() => {
    if (last.current && bench && !(bench instanceof NetworkError)) keepBench(store, { bench: last.current, acts });
  }, [store, bench, acts]);
  useEffect(() => {
    let wanted = true;
    void import('@/core/bench/bench').then(({ Bench: Made }) => {
      if (!wanted) return;
      try {
        last.current = new Made(index, last.current);
        setAnswer(last.current.answer);
        setBench(last.current);
      } catch (error) {
        if (!(error instanceof NetworkError)) throw error;
        setBench(error);
      }
    });
    return () => {
      wanted = false;
    };
  }, [index]);
  const act = useCallback(
    (asked: BenchAct, goesWithoutSaying = false) => {
      const now = last.current;
      if (!now) return;
      const before = now.answer;
      const after = now.do(asked).answer;
      setAnswer(after);
      const changed = changeWords(design, changedLoads(before, after));
      const isQuiet = goesWithoutSaying && changed.length === 0;
      const said = { changed, before: levelsOf(before), levels: levelsOf(after) };
      const waitedS = isQuiet && asked.kind === 'wait' ? asked.seconds : null;
      if (isQuiet && waitedS === null) return;
      const key = ++count.current;
      setActs((earlier) => {
        const [last, ...others] = earlier;
        // Time that runs is one act until something changes.
        const seconds = waitedS !== null && last?.act.kind === 'wait' && last.changed.length === 0 ? last.act.seconds + waitedS : Infinity;
        if (last && seconds <= LONGEST_WAIT_S) {
          const act: BenchAct = { kind: 'wait', seconds };
          return [{ ...last, act, what: actWords(design, act) }, ...others];
        }
        return [{ key, timeS: before.timeS, act: asked, what: actWords(design, asked), ...said }, ...earlier].slice(0, MOST_ACTS);
      });
    },
    [design],
  );
  return useMemo(
    () => (bench instanceof NetworkError ? bench : bench && answer ? { bench, answer, acts, act } : null),
    [bench, answer, acts, act],
  );
}
