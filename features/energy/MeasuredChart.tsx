'use client';

import { scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import type { DayStack } from '@/core/energy/dayStack';
import { formatNumber, formatWatts } from '@/core/units/quantity';
import { Cursor, ValueAxis } from '@/ui/charts/Axes';
import { Chart } from '@/ui/charts/Chart';
import styles from '@/ui/charts/Charts.module.css';

const FRAME = { width: 760, height: 180, left: 46, right: 8, top: 8, bottom: 22 };

/** The measured day beside the planned one, hour by hour: what left the battery, less what came in. */
export function MeasuredChart({ measuredW, day }: { measuredW: readonly (number | null)[]; day: DayStack }) {
  const planned = Array.from({ length: 24 }, (_, hour) => {
    const mean = (list: DayStack['uses'] | DayStack['sources']) =>
      list.reduce((sum, { watts }) => sum + watts.slice(hour * 4, hour * 4 + 4).reduce((total, value) => total + value, 0) / 4, 0);
    return mean(day.uses) - mean(day.sources);
  });
  const known = measuredW.filter((value) => value !== null);
  const x = scaleLinear([0, 24], [FRAME.left, FRAME.width - FRAME.right]);
  const y = scaleLinear(
    [Math.min(0, ...planned, ...known), Math.max(10, ...planned, ...known)],
    [FRAME.height - FRAME.bottom, FRAME.top],
  ).nice(5);
  const steps = line<number | null>()
    .defined((value) => value !== null)
    .x((_, hour) => x(hour))
    .y((value) => y(value!))
    .curve(curveStepAfter);
  const closed = (values: readonly (number | null)[]) => [...values, values.at(-1) ?? null];
  const text = (value: number | null | undefined) => (typeof value === 'number' ? formatWatts(value) : 'nothing');
  return (
    <Chart
      title="Measured and planned"
      says="out of the battery, less what came in; below the line it was charged"
      frame={FRAME}
      points={24}
      read={(hour) => `${hour}:00: measured ${text(measuredW[hour])}, planned ${text(planned[hour])}`}
      table={{
        head: ['Hour', 'Measured, W', 'Planned, W'],
        rows: planned.map((value, hour) => [`${hour}:00`, formatNumber(measuredW[hour] ?? null, 0), formatNumber(value, 0)]),
      }}
      below={
        <ul className={styles.legend}>
          <li>
            <svg viewBox="0 0 18 11" aria-hidden>
              <line x1={0} x2={18} y1={6} y2={6} stroke="var(--measured)" strokeWidth={3} />
            </svg>
            measured
          </li>
          <li>
            <svg viewBox="0 0 18 11" aria-hidden>
              <line x1={0} x2={18} y1={6} y2={6} stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="4 3" />
            </svg>
            planned
          </li>
        </ul>
      }
    >
      {(cursor) => (
        <>
          <ValueAxis frame={FRAME} y={y} ticks={y.ticks(5)} text={(tick) => formatNumber(tick, 0)} />
          <line className={styles.axis} x1={FRAME.left} x2={FRAME.width - FRAME.right} y1={y(0)} y2={y(0)} />
          <path d={steps(closed(planned)) ?? ''} fill="none" stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="4 3" />
          <path d={steps(closed(measuredW)) ?? ''} fill="none" stroke="var(--measured)" strokeWidth={3} />
          {[0, 6, 12, 18].map((hour) => (
            <text key={hour} className={styles.tick} x={x(hour)} y={FRAME.height - 5}>
              {hour}
            </text>
          ))}
          <text className={`${styles.label} ${styles.soft}`} x={FRAME.left + 6} y={FRAME.top + 12}>
            W
          </text>
          <Cursor frame={FRAME} at={cursor === null ? null : x(cursor + 0.5)} />
        </>
      )}
    </Chart>
  );
}
