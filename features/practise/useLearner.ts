import { useCallback, useEffect, useState } from 'react';
import { learnerName, type Result } from '@/core/practise/record';
import { Refused, request } from '@/features/home/requests';
import { useKept } from '@/ui/useKept';
import { useUnsent } from './useUnsent';

/** Whoever practises here, and what stands under that name. */
export interface Learner {
  name: string;
  setName(name: string): void;
  /** Null until they are read. */
  results: readonly Result[] | null;
  /** When they were read, ms. */
  readAt: number;
  /** Why something could not be read or kept. */
  problem: string | null;
  keep(result: Omit<Result, 'at'>): void;
  reset(): void;
}

/** Who has not given a name. */
export const NOBODY = 'me';

export function useLearner(): Learner {
  const [name, setName] = useKept('vine-knot learner', learnerName, () => NOBODY);
  const [state, setState] = useState<{ of: string; results: readonly Result[] | null; readAt: number }>({
    of: '',
    results: null,
    readAt: 0,
  });
  const [problem, setProblem] = useState<string | null>(null);
  const { waiting, send } = useUnsent();
  const address = `/api/practise?learner=${encodeURIComponent(name)}`;
  useEffect(() => {
    let wanted = true;
    request<Result[]>('GET', address).then(
      (results) => wanted && setState({ of: name, results, readAt: Date.now() }),
      (error: unknown) => wanted && setProblem(wordsOf(error)),
    );
    return () => {
      wanted = false;
    };
  }, [name, address]);
  const keep = useCallback(
    (result: Omit<Result, 'at'>) => {
      // Counted at once; the server's own time comes with its answer.
      setState((now) => ({ ...now, results: [...(now.results ?? []), { ...result, at: Date.now() }] }));
      void send({ learner: name, result }).then(setProblem);
    },
    [name, send],
  );
  const reset = useCallback(() => {
    request('DELETE', address).then(
      () => setState({ of: name, results: [], readAt: Date.now() }),
      (error: unknown) => setProblem(wordsOf(error)),
    );
  }, [address, name]);
  return {
    name,
    setName,
    results: state.of === name ? state.results : null,
    readAt: state.readAt,
    problem: problem ?? waitingWords(waiting),
    keep,
    reset,
  };
}

const waitingWords = (count: number) =>
  count === 0 ? null : `${count === 1 ? 'One result waits' : `${count} results wait`} in this browser until the server can be reached.`;

function wordsOf(error: unknown): string {
  if (error instanceof Refused) return [error.message, ...error.reasons].join(' ');
  throw error;
}
