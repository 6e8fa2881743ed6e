'use client';

import type { BudgetRow } from '@/core/advice/budgetTable';
import { giveUps } from '@/core/energy/giveUps';
import { formatAmpHours, formatHours, formatNumber, formatWattHours } from '@/core/units/quantity';
import styles from './BudgetView.module.css';

/** A figure to the decimals it is shown with, so that the difference of two shown is theirs. */
const asShown = (wattHours: number) => (wattHours < 9.95 ? Math.round(wattHours * 10) / 10 : Math.round(wattHours));

interface ComparedLinesProps {
  lines: readonly BudgetRow[];
  dailyAh: number;
  /** Without charging; null where there is no battery. */
  runtimeH: number | null;
}

/** Two lines of the budget side by side: what one takes more than the other, and what going without either adds to the runtime. */
export function ComparedLines({ lines, dailyAh, runtimeH }: ComparedLinesProps) {
  const [more, less] = [...lines].sort((a, b) => b.wattHours - a.wattHours);
  if (!more || !less) return <p className={styles.small}>Tick two lines to compare them.</p>;
  const byId = new Map(lines.map(({ id, wattHours, ampHours }) => [id ?? '', { wattHours, ampHours }]));
  const gains = runtimeH === null ? [] : giveUps(byId, dailyAh, runtimeH, () => false);
  const gainOf = ({ id }: BudgetRow) => gains.find(({ loadId }) => loadId === (id ?? ''))?.gainedH ?? 0;
  const times = less.wattHours > 0 ? `, ${formatNumber(more.wattHours / less.wattHours, 1)} times as much` : '';
  return (
    <p role="status" className={styles.compared} aria-label="Two lines compared">
      <b>{more.name}</b> takes {formatWattHours(more.wattHours)} a day, <b>{less.name}</b> {formatWattHours(less.wattHours)}:{' '}
      {formatWattHours(asShown(more.wattHours) - asShown(less.wattHours))} ({formatAmpHours(more.ampHours - less.ampHours)}) between them
      {times}.
      {runtimeH !== null &&
        ` Without the one the battery lasts ${formatHours(gainOf(more))} longer, without the other ${formatHours(gainOf(less))}.`}
    </p>
  );
}
