'use client';

import { useEffect } from 'react';

/** Stages worked in the vehicle, kept with every design that is opened. */
const IN_THE_VEHICLE = ['test', 'harness', 'circuits'] as const;
/** Left alone so long at first, so that the page itself is not held up, ms. */
const AFTER_MS = 3000;

/**
 * Has the browser keep the design's pages for where no server can be reached. Only where browsers allow it: on this machine itself, or by
 * https.
 */
export function KeepOffline({ designId }: { designId: string }): null {
  useEffect(() => {
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    const timer = setTimeout(() => {
      navigator.serviceWorker
        .register('/sw.js')
        .then(() => navigator.serviceWorker.ready)
        .then(({ active }) => {
          const pages = [window.location.pathname, ...IN_THE_VEHICLE.map((stage) => `/d/${designId}/${stage}`)];
          active?.postMessage({ pages: [...new Set(pages)] });
        })
        // A browser that refuses works as before, with a connection.
        .catch(() => undefined);
    }, AFTER_MS);
    return () => clearTimeout(timer);
  }, [designId]);
  return null;
}
