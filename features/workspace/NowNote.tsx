'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { countProgress } from '@/core/design/asBuilt';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import styles from './NowNote.module.css';

/** Says that the screens show the vehicle as it is now, and what an edit then means. */
export function NowNote() {
  const store = useDesignStore();
  const view = useDesign((state) => state.view);
  const whole = useDesign((state) => state.whole);
  const { fitted, temporary } = useMemo(() => countProgress(whole), [whole]);
  if (view === 'planned') return null;
  return (
    <div role="note" className={styles.note}>
      <span>
        <strong>As it is now.</strong>{' '}
        {fitted + temporary === 0
          ? 'Nothing is marked as fitted yet, so nothing is here. Mark it under the hard hat above; the plan is as it was.'
          : 'Only what is fitted or there for now. What you add here is fitted; another fuse goes into the holder, and the plan keeps its own; whatever else you change is changed in the plan too.'}
      </span>
      <Button size="small" onClick={() => store.look('planned')}>
        Show as planned
      </Button>
    </div>
  );
}
