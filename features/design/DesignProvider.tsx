'use client';

import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { UnitSystem } from '@/core/catalog/vocabulary';
import type { OpenDesign } from '@/server/stored';
import type { LoggedChange } from '@/server/commit';
import type { History } from '@/server/history';
import { createDesignStore, type DesignState, type DesignStore } from './designStore';

const Context = createContext<DesignStore | null>(null);

/** Holds the one store of an open design and keeps it in step with the server. */
export function DesignProvider({ open, children }: { open: OpenDesign & { history: History }; children: ReactNode }) {
  const [store] = useState(() => createDesignStore(open));

  useEffect(() => {
    void store.resume();
    const stop = listen(store, open.id);
    const settle = () => store.settle();
    window.addEventListener('pagehide', settle);
    return () => {
      stop();
      window.removeEventListener('pagehide', settle);
    };
  }, [open.id, store]);

  return <Context.Provider value={store}>{children}</Context.Provider>;
}

const RECONNECT_MS = 2000;

/** Hears of changes made elsewhere until stopped. A stream the server refused is asked for again, unless the design is gone. */
function listen(store: DesignStore, designId: string): () => void {
  let events: EventSource;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let stopped = false;
  const connect = () => {
    events = new EventSource(`/api/designs/${designId}/events?after=${store.revision()}`);
    events.onmessage = (event) => store.receive(JSON.parse(event.data) as LoggedChange & { history: History });
    events.addEventListener('gone', () => {
      events.close();
      store.markGone();
    });
    events.onerror = () => {
      if (events.readyState === EventSource.CLOSED) void again();
    };
  };
  const again = async () => {
    const answer = await fetch(`/api/designs/${designId}`).catch(() => null);
    if (answer?.status === 404) store.markGone();
    else if (!stopped) timer = setTimeout(connect, RECONNECT_MS);
  };
  connect();
  return () => {
    stopped = true;
    clearTimeout(timer);
    events.close();
  };
}

export function useDesignStore(): DesignStore {
  const store = useContext(Context);
  if (!store) throw new Error('no design is open here');
  return store;
}

/** Part of the open design's state. The selector must return the same object while nothing it reads has changed. */
export function useDesign<T>(select: (state: DesignState) => T): T {
  return useStore(useDesignStore(), select);
}

export function useUnits(): UnitSystem {
  return useDesign(({ analysis }) => analysis.index.settings.units);
}
