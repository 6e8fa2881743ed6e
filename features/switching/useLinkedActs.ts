import { useCallback, useEffect, useRef, useState } from 'react';
import { readActs, type BenchAct } from '@/core/bench/acts';
import { useHashTarget } from '@/features/workspace/useHashTarget';

/** Marks what follows the # as acts to be played. */
const ACTS = 'acts=';

/** The address under which acts are played on this design's bench. */
export function linkToActs(text: string): string {
  return `${window.location.origin}${window.location.pathname}#${ACTS}${text}`;
}

/** Plays the acts that a link brings, once the bench is there; a link to anything else opens what is wished. */
export function useLinkedActs(play: ((acts: readonly BenchAct[]) => void) | null, onOther: () => void): void {
  const played = useRef<readonly BenchAct[] | null>(null);
  const [asked, setAsked] = useState<readonly BenchAct[] | null>(null);
  const follow = useCallback(
    (target: string) => {
      const acts = target.startsWith(ACTS) ? readActs(target.slice(ACTS.length)) : null;
      if (acts) setAsked(acts);
      else onOther();
    },
    [onOther],
  );
  useHashTarget(follow);
  useEffect(() => {
    // Once, whatever is edited afterwards.
    if (!play || !asked || played.current === asked) return;
    played.current = asked;
    play(asked);
  }, [play, asked]);
}
