'use client';

import { scaleLinear } from 'd3-scale';
import type { Forecast } from '@/core/energy/forecast';
import { formatNumber, formatPercent } from '@/core/units/quantity';
import { Cursor } from '@/ui/charts/Axes';
import { Chart } from '@/ui/charts/Chart';
import styles from '@/ui/charts/Charts.module.css';
import { dateOf } from './dates';

const FRAME = { width: 760, height: 230, left: 46, right: 8, top: 6, bottom: 22 };
const MONTH_STARTS = [1, 32, 60, 91, 121, 152, 182, 213, 244, 274, 305, 335];
/** Charges from which each shade begins, percent: the darker the emptier. */
const SHADES = [0, 15, 30, 45, 60, 75, 90] as const;

/** A year as a map: a column a day, a row an hour, the darker the emptier the battery is on the mean of the draws. */
export function YearMap({ forecast }: { forecast: Forecast }) {
  const { hourly, startDay, draws } = forecast;
  const days = hourly.length;
  const x = scaleLinear([0, days], [FRAME.left, FRAME.width - FRAME.right]);
  const y = scaleLinear([0, 24], [FRAME.top, FRAME.height - FRAME.bottom]);
  const least = hourly.map((hours) => Math.min(...hours));
  const worst = least.indexOf(Math.min(...least));
  const monthly = MONTH_STARTS.map((from, month) => {
    const list = least.slice(from - 1, (MONTH_STARTS[month + 1] ?? 366) - 1);
    return [dateOf(from), formatNumber(Math.min(...list), 0), formatNumber(list.reduce((sum, value) => sum + value, 0) / list.length, 0)];
  });
  return (
    <Chart
      title="The year"
      says={`mean of ${draws} years drawn; emptiest around ${dateOf(startDay + worst)}, ${formatPercent(least[worst]!)}`}
      frame={FRAME}
      points={days}
      read={(day) =>
        `${dateOf(startDay + day)}: from ${formatPercent(least[day]!)} to ${formatPercent(Math.max(...hourly[day]!))} in the day`
      }
      table={{ head: ['Month from', 'Emptiest, %', 'Mean of the days’ least, %'], rows: monthly }}
      below={
        <ul className={styles.legend}>
          {SHADES.map((from) => (
            <li key={from}>
              <svg viewBox="0 0 18 11" aria-hidden>
                <rect width={18} height={11} fill="var(--paper-sunk)" />
                <rect width={18} height={11} fill={toneOf(from)} opacity={shadeOf(from)} />
              </svg>
              from {from} %
            </li>
          ))}
        </ul>
      }
    >
      {(cursor) => (
        <>
          <rect
            x={FRAME.left}
            y={FRAME.top}
            width={FRAME.width - FRAME.left - FRAME.right}
            height={FRAME.height - FRAME.top - FRAME.bottom}
            fill="var(--paper-sunk)"
          />
          {hourly.map((hours, day) => (
            <g key={day}>
              {runs(hours).map(({ from, to, shade }) => (
                <rect
                  key={from}
                  x={x(day)}
                  width={x(1) - x(0) + 0.3}
                  y={y(from)}
                  height={y(to) - y(from)}
                  fill={toneOf(shade)}
                  opacity={shadeOf(shade)}
                />
              ))}
            </g>
          ))}
          {[0, 6, 12, 18, 24].map((hour) => (
            <text key={hour} className={styles.tick} x={FRAME.left - 6} y={y(hour) + 4} textAnchor="end">
              {hour}
            </text>
          ))}
          {MONTH_STARTS.map((day) => (
            <text key={day} className={styles.tick} x={x(day - 1)} y={FRAME.height - 5}>
              {dateOf(day).split(' ')[1]}
            </text>
          ))}
          <Cursor frame={FRAME} at={cursor === null ? null : x(cursor + 0.5)} />
        </>
      )}
    </Chart>
  );
}

/** Hours in a row of one shade: a day is a few of them, not twenty-four squares. */
function runs(hours: readonly number[]): { from: number; to: number; shade: number }[] {
  const list: { from: number; to: number; shade: number }[] = [];
  hours.forEach((percent, hour) => {
    const shade = SHADES.findLast((from) => percent >= from) ?? 0;
    const last = list.at(-1);
    if (last?.shade === shade) last.to = hour + 1;
    else list.push({ from: hour, to: hour + 1, shade });
  });
  return list;
}

function toneOf(shade: number): string {
  return shade < 30 ? 'var(--brick)' : shade < 60 ? 'var(--amber)' : 'var(--stem)';
}

/** Within a tone the emptier is the stronger; shape of the scale is by lightness, so it reads without colour too. */
function shadeOf(shade: number): number {
  return 0.95 - (shade / 90) * 0.75;
}
