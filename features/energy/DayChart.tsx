'use client';

import { scaleLinear } from 'd3-scale';
import { area, curveStepAfter, stack } from 'd3-shape';
import { useMemo } from 'react';
import type { DayStack } from '@/core/energy/dayStack';
import { formatNumber, formatPercent, formatWattHours, formatWatts } from '@/core/units/quantity';
import { Cursor, ValueAxis } from '@/ui/charts/Axes';
import { Chart } from '@/ui/charts/Chart';
import styles from '@/ui/charts/Charts.module.css';
import { HATCHES, hatchOf, USE_TONES } from './tones';

const FRAME = { width: 760, height: 262, left: 46, right: 8, top: 8, bottom: 22 };
const STEPS = 96;

/** One day: what is used above the line, what charges below it, quarter hour by quarter hour. */
export function DayChart({ day }: { day: DayStack }) {
  const { up, down, layers } = useMemo(() => layersOf(day), [day]);
  const x = scaleLinear([0, STEPS], [FRAME.left, FRAME.width - FRAME.right]);
  const y = scaleLinear([-down, up], [FRAME.height - FRAME.bottom, FRAME.top]).nice(5);
  const shape = area<[number, number]>()
    .x((_, at) => x(at))
    .y0(([low]) => y(low))
    .y1(([, high]) => y(high))
    .curve(curveStepAfter);
  const total = (list: { wattHours: number }[]) => list.reduce((sum, { wattHours }) => sum + wattHours, 0);
  const used = total(day.uses);
  const came = total(day.sources);
  const sums = (at: number) => ({
    used: day.uses.reduce((sum, { watts }) => sum + watts[at]!, 0),
    came: day.sources.reduce((sum, { watts }) => sum + watts[at]!, 0),
  });
  return (
    <Chart
      title="The day"
      says={`${formatWattHours(used)} used, most at ${clock(day.busiest.atMin)}, ${formatWatts(day.busiest.watts)}; ${formatWattHours(came)} could come in under a sky of ${formatPercent(day.clearness * 100)} of a clear one`}
      frame={FRAME}
      points={STEPS}
      read={(at) => {
        const parts = day.uses.filter(({ watts }) => watts[at]! > 0.05).map(({ name, watts }) => `${name} ${formatWatts(watts[at]!)}`);
        const { used: now, came: comes } = sums(at);
        return `${clock(at * 15)}: ${formatWatts(now)} used${parts.length ? ` (${parts.join(', ')})` : ''}; ${formatWatts(comes)} in`;
      }}
      table={{
        head: ['Hour', 'Used, W', ...day.sources.map(({ name }) => `${name}, W`)],
        rows: Array.from({ length: 24 }, (_, hour) => {
          const mean = (watts: number[]) => formatNumber(watts.slice(hour * 4, hour * 4 + 4).reduce((sum, value) => sum + value, 0) / 4, 0);
          const all = Array.from({ length: STEPS }, (_, at) => sums(at).used);
          return [clock(hour * 60), mean(all), ...day.sources.map(({ watts }) => mean(watts))];
        }),
      }}
      below={<Legend day={day} />}
    >
      {(cursor) => (
        <>
          <Hatches />
          <ValueAxis frame={FRAME} y={y} ticks={y.ticks(6)} text={(tick) => formatNumber(Math.abs(tick), 0)} />
          <rect
            x={FRAME.left}
            width={x((day.sunriseMin / 1440) * STEPS) - FRAME.left}
            y={FRAME.top}
            height={FRAME.height - FRAME.top - FRAME.bottom}
            fill="var(--slate)"
            opacity={0.09}
          />
          <rect
            x={x((day.sunsetMin / 1440) * STEPS)}
            width={Math.max(0, FRAME.width - FRAME.right - x((day.sunsetMin / 1440) * STEPS))}
            y={FRAME.top}
            height={FRAME.height - FRAME.top - FRAME.bottom}
            fill="var(--slate)"
            opacity={0.09}
          />
          {layers.map(({ key, tone, points }) => (
            <path key={key} d={shape(points) ?? ''} fill={tone} stroke="var(--paper-raised)" strokeWidth={0.7} />
          ))}
          <line className={styles.axis} x1={FRAME.left} x2={FRAME.width - FRAME.right} y1={y(0)} y2={y(0)} />
          {[0, 3, 6, 9, 12, 15, 18, 21, 24].map((hour) => (
            <text
              key={hour}
              className={styles.tick}
              x={x(hour * 4)}
              y={FRAME.height - 5}
              textAnchor={hour === 24 ? 'end' : hour === 0 ? 'start' : 'middle'}
            >
              {hour}
            </text>
          ))}
          <text className={`${styles.label} ${styles.soft}`} x={FRAME.left + 6} y={FRAME.top + 13}>
            used, W
          </text>
          {day.sources.length > 0 && (
            <text className={`${styles.label} ${styles.soft}`} x={FRAME.left + 6} y={FRAME.height - FRAME.bottom - 6}>
              charging, W
            </text>
          )}
          <Cursor frame={FRAME} at={cursor === null ? null : x(cursor + 0.5)} />
        </>
      )}
    </Chart>
  );
}

/** The hatching of what charges. */
function Hatches() {
  return (
    <defs>
      {Object.entries(HATCHES).map(([name, { tone, turn }]) => (
        <pattern key={name} id={`hatch-${name}`} width={6} height={6} patternUnits="userSpaceOnUse" patternTransform={`rotate(${turn})`}>
          <rect width={6} height={6} fill={tone} opacity={0.25} />
          <rect width={6} height={3} fill={tone} />
        </pattern>
      ))}
    </defs>
  );
}

function Legend({ day }: { day: DayStack }) {
  const entries = [
    ...day.uses.map(({ name, wattHours }, at) => ({ name, wattHours, tone: USE_TONES[at]! })),
    ...day.sources.map(({ name, wattHours }) => ({ name: `${name}, in`, wattHours, tone: hatchOf(name) })),
  ];
  return (
    <ul className={styles.legend}>
      {entries.map(({ name, wattHours, tone }) => (
        <li key={name}>
          <svg viewBox="0 0 18 11" aria-hidden>
            <rect width={18} height={11} rx={2} fill={tone} />
          </svg>
          {name} <span className="reading">{formatWattHours(wattHours)}</span>
        </li>
      ))}
    </ul>
  );
}

interface Layer {
  key: string;
  tone: string;
  points: [number, number][];
}

/** Users stacked upwards and sources downwards, each closed with one step more so that the last quarter hour is drawn. */
function layersOf({ uses, sources }: DayStack): { up: number; down: number; layers: Layer[] } {
  const pile = (list: { name: string; watts: number[] }[], tone: (at: number) => string, sign: 1 | -1): Layer[] => {
    const rows = Array.from({ length: STEPS + 1 }, (_, at) => list.map(({ watts }) => sign * watts[Math.min(at, STEPS - 1)]!));
    return stack<number[], number>()
      .keys(list.map((_, at) => at))
      .value((row, key) => row[key]!)(rows)
      .map((points, at) => ({ key: `${sign}${list[at]!.name}`, tone: tone(at), points: points.map(([low, high]) => [low, high]) }));
  };
  const most = (list: { watts: number[] }[]) =>
    Math.max(0, ...Array.from({ length: STEPS }, (_, at) => list.reduce((sum, { watts }) => sum + watts[at]!, 0)));
  return {
    up: Math.max(10, most(uses)),
    down: most(sources),
    layers: [...pile(uses, (at) => USE_TONES[at]!, 1), ...pile(sources, (at) => hatchOf(sources[at]!.name), -1)],
  };
}

function clock(minutes: number): string {
  return `${Math.floor(minutes / 60)}:${String(Math.round(minutes % 60)).padStart(2, '0')}`;
}
