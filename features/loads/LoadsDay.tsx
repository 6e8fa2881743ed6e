'use client';

import { useMemo } from 'react';
import { dayStack } from '@/core/energy/dayStack';
import { useDesign } from '@/features/design/DesignProvider';
import { DayChart } from '@/features/energy/DayChart';
import styles from './LoadsStage.module.css';

/** The scenario's first day under a short list: what the hours written beside each load come to. */
export function LoadsDay() {
  const index = useDesign(({ analysis }) => analysis.index);
  const scenario = useDesign(({ analysis }) => analysis.scenario?.id ?? null);
  const stack = useMemo(() => {
    const chosen = index.scenarios.find(({ id }) => id === scenario);
    return chosen && index.battery ? dayStack(index, chosen, 0) : null;
  }, [index, scenario]);
  if (!stack || stack.uses.length === 0) return null;
  return (
    <section className={styles.day} aria-label="What it comes to">
      <DayChart day={stack} />
    </section>
  );
}
