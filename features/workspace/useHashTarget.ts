'use client';

import { useEffect } from 'react';

/** Calls back with the id after the # when a stage is opened at a thing in it, and whenever the target changes. */
export function useHashTarget(show: (id: string) => void): void {
  useEffect(() => {
    const go = () => {
      const id = decodeURIComponent(window.location.hash.slice(1));
      if (!id) return;
      show(id);
      window.history.replaceState(window.history.state, '', window.location.pathname);
    };
    go();
    window.addEventListener('hashchange', go);
    window.addEventListener(JUMP_EVENT, go);
    return () => {
      window.removeEventListener('hashchange', go);
      window.removeEventListener(JUMP_EVENT, go);
    };
  }, [show]);
}

/** Sent on the window after a jump inside the stage one is already in, where the router changes the address silently. */
export const JUMP_EVENT = 'vine-knot-jump';
