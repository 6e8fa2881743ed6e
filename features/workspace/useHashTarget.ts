'use client';

import { useEffect } from 'react';

/** Calls back with the id after the # when a stage is opened at a thing in it, and whenever one jumps to another thing in it. */
export function useHashTarget(show: (id: string) => void): void {
  useEffect(() => {
    const go = () => {
      // A stage opened at the same thing once more has it twice in its address, by the router.
      const id = decodeURIComponent(window.location.hash.split('#')[1] ?? '');
      if (!id) return;
      show(id);
      window.history.replaceState(window.history.state, '', window.location.pathname);
    };
    const jump = (event: Event) => show((event as CustomEvent<string>).detail);
    go();
    window.addEventListener('hashchange', go);
    window.addEventListener(JUMP_EVENT, jump);
    return () => {
      window.removeEventListener('hashchange', go);
      window.removeEventListener(JUMP_EVENT, jump);
    };
  }, [show]);
}

/** Sent on the window when one jumps within the stage one is already in, with where to. */
const JUMP_EVENT = 'vine-knot-jump';

/**
 * Tells the stage one is in of a jump to something in it. False for one to another stage: that is for the router, and for the other stage
 * to follow.
 * @param href as `/d/design/stage#id`
 */
export function jumpWithin(href: string): boolean {
  const [path, id] = href.split('#');
  if (path !== window.location.pathname || id === undefined) return false;
  // Once what it was asked from has closed and given the focus back.
  setTimeout(() => window.dispatchEvent(new CustomEvent(JUMP_EVENT, { detail: decodeURIComponent(id) })));
  return true;
}
