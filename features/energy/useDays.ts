'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Design } from '@/core/design/design';
import type { DaysAnswer, DaysQuestion } from '@/core/advice/questions';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';

type Asked = DaysQuestion extends infer Q ? (Q extends DaysQuestion ? Omit<Q, 'records'> : never) : never;
export type Answered = Exclude<DaysAnswer, { done: number }>;

/** How long the hand rests before days are lived through again, ms. */
const REST_MS = 300;

/** Answers kept while the same design is open, so that coming back to the view shows them at once. */
const answersOf = new WeakMap<Design, Map<string, Answered>>();

interface Days {
  /** The last answer, though the design has moved on since. */
  answer: Answered | null;
  /** Whether it is of the design as it stands. */
  fresh: boolean;
  /** How far the work is, 0 to 1; null while nothing runs. */
  done: number | null;
  /** Whether a hand stopped it. */
  stopped: boolean;
  ask(): void;
  cancel(): void;
}

/** Asks the worker about the design's days: by itself after every change when `eager`, else when told to. */
export function useDays(question: Asked | null, eager: boolean): Days {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const key = JSON.stringify(question);
  const worker = useRef<Worker | null>(null);
  const [state, setState] = useState<{ answer: Answered | null; of: Design | null; key: string; done: number | null }>({
    answer: null,
    of: null,
    key: '',
    done: null,
  });
  const [stopped, setStopped] = useState(false);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  const ask = useCallback(() => {
    stop();
    const asked = JSON.parse(key) as Asked | null;
    if (!asked) return;
    setStopped(false);
    setState((now) => ({ ...now, done: 0 }));
    const next = new Worker(new URL('../../workers/days.ts', import.meta.url), { type: 'module' });
    worker.current = next;
    next.onmessage = ({ data }: MessageEvent<DaysAnswer>) => {
      if ('done' in data) return setState((now) => ({ ...now, done: data.done }));
      const answers = answersOf.get(design) ?? new Map<string, Answered>();
      answersOf.set(design, answers.set(key, data));
      setState({ answer: data, of: design, key, done: null });
      stop();
    };
    next.onerror = () => {
      stop();
      setStopped(true);
      setState((now) => ({ ...now, done: null }));
      store.report('The days could not be worked out: what is shown is of before. Ask again.');
    };
    next.postMessage({ ...asked, records: Array.from(design.records.values()) });
  }, [design, key, stop, store]);
  const cancel = useCallback(() => {
    stop();
    setStopped(true);
    setState((now) => ({ ...now, done: null }));
  }, [stop]);
  useEffect(() => {
    const kept = answersOf.get(design)?.get(key);
    const timer = setTimeout(() => {
      if (kept) setState({ answer: kept, of: design, key, done: null });
      else if (eager) ask();
    }, kept ? 0 : REST_MS); // prettier-ignore
    return () => clearTimeout(timer);
  }, [design, key, eager, ask]);
  useEffect(() => stop, [stop]);
  return { answer: state.answer, fresh: state.of === design && state.key === key, done: state.done, stopped, ask, cancel };
}
