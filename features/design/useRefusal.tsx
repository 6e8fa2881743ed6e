'use client';

import { useCallback, useState, type ReactNode } from 'react';
import { useDesignStore } from '@/features/design/DesignProvider';
import type { MakeChange } from '@/features/design/designStore';
import styles from './Refusal.module.css';

/** Commits edits and keeps the last refusal to show: what was wrong, with nothing lost. */
export function useRefusal(): { refusal: ReactNode; commit(label: string, make: MakeChange): string | null } {
  const store = useDesignStore();
  const [why, setWhy] = useState<string | null>(null);
  const commit = useCallback(
    (label: string, make: MakeChange) => {
      const refused = store.commit(label, make);
      setWhy(refused);
      return refused;
    },
    [store],
  );
  return {
    commit,
    refusal: why && (
      <p role="alert" className={styles.refusal}>
        {why}
      </p>
    ),
  };
}
