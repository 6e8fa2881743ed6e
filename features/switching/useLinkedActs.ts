import { useCallback, useEffect, useRef, useState } from 'react';
import { readActs } from '@/core/bench/acts';
import type { BenchAct } from '@/core/design/schema';
import { useDesignStore } from '@/features/design/DesignProvider';
import { useHashTarget } from '@/features/workspace/useHashTarget';

/** Marks what follows the # as acts to be played. */
const ACTS = 'acts=';

/** The address under which acts are played on this design's bench. */
export function linkToActs(text: string): string {
  return `${window.location.origin}${window.location.pathname}#${ACTS}${text}`;
}

/** Plays the acts that a link brings, once the bench is there; a link to anything else is the stage's to follow. */
export function useLinkedActs(play: ((acts: readonly BenchAct[]) => void) | null, onOther: (target: string) => void): void {
  const store = useDesignStore();
  const played = useRef<readonly BenchAct[] | null>(null);
  const [asked, setAsked] = useState<readonly BenchAct[] | null>(null);
  const follow = useCallback(
    (target: string) => {
      if (!target.startsWith(ACTS)) return onOther(target);
      const acts = readActs(target.slice(ACTS.length));
      if (acts) setAsked(acts);
      else store.report('The link’s acts cannot be read: nothing was played. Have it copied once more, whole.');
    },
    [onOther, store],
  );
  useHashTarget(follow);
  useEffect(() => {
    // Once, whatever is edited afterwards.
    if (!play || !asked || played.current === asked) return;
    played.current = asked;
    play(asked);
  }, [play, asked]);
}
