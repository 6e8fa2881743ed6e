'use client';

import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { UnitSystem } from '@/core/design/vocabulary';
import type { OpenDesign } from '@/server/designs';
import type { LoggedChange } from '@/server/commit';
import type { History } from '@/server/history';
import { createDesignStore, type DesignState, type DesignStore } from './designStore';

const Context = createContext<DesignStore | null>(null);

/** Holds the one store of an open design and keeps it in step with the server. */
export function DesignProvider({ open, children }: { open: OpenDesign & { history: History }; children: ReactNode }) {
  const [store] = useState(() => createDesignStore(open));

  useEffect(() => {
    store.resume();
    const events = new EventSource(`/api/designs/${open.id}/events?after=${store.revision()}`);
    events.onmessage = (event) => store.receive(JSON.parse(event.data) as LoggedChange & { history: History });
    events.addEventListener('gone', () => {
      events.close();
      store.markGone();
    });
    const settle = () => store.settle();
    window.addEventListener('pagehide', settle);
    return () => {
      events.close();
      window.removeEventListener('pagehide', settle);
    };
  }, [open.id, store]);

  return <Context.Provider value={store}>{children}</Context.Provider>;
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
