import { useEffect } from 'react';

/** How long the page rests before it fetches what may be opened later, ms. */
const REST_MS = 1500;

/**
 * Fetches parts of the page that are opened later while there is a connection: without one they could not be. @param parts always the same
 * list
 */
export function usePreload(parts: readonly { load(): Promise<unknown> }[]): void {
  useEffect(() => {
    const timer = setTimeout(() => parts.forEach((part) => void part.load().catch(() => null)), REST_MS);
    return () => clearTimeout(timer);
  }, [parts]);
}
