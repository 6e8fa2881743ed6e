'use client';

import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { Forecast } from '@/core/energy/forecast';
import { formatNumber, formatPercent } from '@/core/units/quantity';
import { Cursor, ValueAxis } from '@/ui/charts/Axes';
import { Chart } from '@/ui/charts/Chart';
import styles from '@/ui/charts/Charts.module.css';
import { dateOf } from './dates';

const FRAME = { width: 760, height: 220, left: 46, right: 8, top: 8, bottom: 22 };

/** The battery's charge over the days: the middle of the draws, and the band that eight in ten of them stay in. */
export function ChargeChart({ forecast, floorPercent }: { forecast: Forecast; floorPercent: number }) {
  const { bands, windowH, days, startDay, draws } = forecast;
  const points = bands.middle.length;
  const x = scaleLinear([0, points], [FRAME.left, FRAME.width - FRAME.right]);
  const y = scaleLinear([0, 100], [FRAME.height - FRAME.bottom, FRAME.top]);
  const band = area<number>()
    .x((_, at) => x(at + 0.5))
    .y0((_, at) => y(bands.low[at]!))
    .y1((_, at) => y(bands.high[at]!));
  const middle = line<number>()
    .x((_, at) => x(at + 0.5))
    .y((value) => y(value));
  const when = (at: number) => {
    const hours = at * windowH;
    const day = dateOf(startDay + Math.floor(hours / 24));
    return windowH >= 24 ? day : `${day}, ${Math.floor(hours % 24)}:00`;
  };
  const words = (at: number) =>
    `${when(at)}: at least ${formatPercent(bands.middle[at]!)} in half the draws; ${formatPercent(bands.low[at]!)} in the worst tenth, ${formatPercent(bands.high[at]!)} in the best`;
  const every = Math.max(1, Math.ceil(days / 12));
  const lowest = bands.low.indexOf(Math.min(...bands.low));
  return (
    <Chart
      title="Charge of the battery"
      says={draws > 1 ? `${draws} weathers drawn; the band holds eight in ten of them` : 'under the weather given'}
      frame={FRAME}
      points={points}
      read={words}
      table={{
        head: [windowH >= 24 ? 'Day' : 'Hour', 'Worst tenth, %', 'Middle, %', 'Best tenth, %'],
        rows: bands.middle.map((value, at) => [
          when(at),
          formatNumber(bands.low[at]!, 0),
          formatNumber(value, 0),
          formatNumber(bands.high[at]!, 0),
        ]),
      }}
    >
      {(cursor) => (
        <>
          <ValueAxis frame={FRAME} y={y} ticks={[0, 25, 50, 75, 100]} text={(tick) => `${tick} %`} />
          <path d={band(bands.middle) ?? ''} fill="var(--stem)" opacity={0.22} />
          <path d={middle(bands.middle) ?? ''} fill="none" stroke="var(--stem)" strokeWidth={2} />
          <line
            x1={FRAME.left}
            x2={FRAME.width - FRAME.right}
            y1={y(floorPercent)}
            y2={y(floorPercent)}
            stroke="var(--brick)"
            strokeWidth={1.5}
            strokeDasharray="2 4"
          />
          <text
            className={styles.label}
            x={FRAME.width - FRAME.right - 4}
            y={y(floorPercent) - 4}
            textAnchor="end"
            style={{ fill: 'var(--brick)' }}
          >
            loads are cut from here
          </text>
          {Array.from({ length: Math.ceil(days / every) }, (_, at) => (
            <text key={at} className={styles.tick} x={x((at * every * 24) / windowH)} y={FRAME.height - 5}>
              {dateOf(startDay + at * every)}
            </text>
          ))}
          {bands.low[lowest] !== undefined && <circle cx={x(lowest + 0.5)} cy={y(bands.low[lowest])} r={3.5} fill="var(--brick)" />}
          <Cursor frame={FRAME} at={cursor === null ? null : x(cursor + 0.5)} />
        </>
      )}
    </Chart>
  );
}
