import { useEffect } from 'react';
import { readActs, type BenchAct } from '@/core/bench/acts';

/** Marks what follows the # as acts to be played. */
const ACTS = 'acts=';

/** The address under which acts are played on this design's bench. */
export function linkToActs(text: string): string {
  return `${window.location.origin}${window.location.pathname}#${ACTS}${text}`;
}

/** Plays the acts that a link brings once the bench is there; a link to anything else opens what is wished. */
export function useLinkedActs(play: ((acts: readonly BenchAct[]) => void) | null, onOther: () => void): void {
  useEffect(() => {
    const hash = window.location.hash.slice(1);
    if (!play || hash === '') return;
    window.history.replaceState(window.history.state, '', window.location.pathname + window.location.search);
    const acts = hash.startsWith(ACTS) ? readActs(hash.slice(ACTS.length)) : null;
    if (acts) play(acts);
    else onOther();
  }, [play, onOther]);
}
