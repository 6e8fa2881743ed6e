import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { memo } from 'react';
import { formatLengthNumber, formatNumber } from '@/core/units/quantity';
import type { UnitSystem } from '@/core/catalog/vocabulary';
import type { StripGeometry } from './geometry';
import styles from './runStrip.module.css';

interface VoltageProfileProps {
  geometry: StripGeometry;
  width: number;
  units: UnitSystem;
  sourceV: number;
  /** The least voltage the farthest load may see. */
  limitV: number;
  /** The same run solved as it is wired, to be drawn beside it. */
  solved: StripGeometry | null;
  /** What the picture says, in words. */
  description: string;
}

const PLOT_TOP = 12;
const PLOT_HEIGHT = 104;
const AXIS_HEIGHT = 20;
const SCALE_WIDTH = 42;
const HEIGHT = PLOT_TOP + PLOT_HEIGHT + AXIS_HEIGHT;

/** The voltage falling along the run: copper for the supply side, the slate band for what the return takes, dotted for the limit. */
export const VoltageProfile = memo(function VoltageProfile({
  geometry,
  width,
  units,
  sourceV,
  limitV,
  solved,
  description,
}: VoltageProfileProps) {
  const lowest = Math.min(limitV, ...geometry.across.map(([, volts]) => volts), ...(solved?.across ?? []).map(([, volts]) => volts));
  const solvedEndV = solved?.across.at(-1)?.[1];
  const span = Math.max(sourceV - lowest, 0.05);
  const y = scaleLinear([sourceV + span * 0.08, lowest - span * 0.12], [PLOT_TOP, PLOT_TOP + PLOT_HEIGHT]);
  const drawLine = line<[number, number]>(
    (point) => point[0],
    (point) => y(point[1]),
  );
  const band = area<[number, number]>()
    .x((point) => point[0])
    .y0((_, at) => y(geometry.supply[at]![1]))
    .y1((point) => y(point[1]));
  const [, supplyEndV] = geometry.supply.at(-1)!;
  const [, acrossEndV] = geometry.across.at(-1)!;
  const over = acrossEndV < limitV - 1e-9;
  const labelX = geometry.endX + 8;
  const ticks = y.ticks(4);
  const decimals = ticks.length > 1 && ticks[1]! - ticks[0]! < 0.0999 ? 2 : 1;
  const gap = y(acrossEndV) - y(supplyEndV);
  return (
    <svg className={styles.profile} width={width} height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`} role="img" aria-label={description}>
      {ticks.map((volts) => (
        <g key={volts}>
          <line x1={SCALE_WIDTH} x2={width} y1={y(volts)} y2={y(volts)} className={styles.gridline} />
          <text x={SCALE_WIDTH - 4} y={y(volts) + 4} textAnchor="end" className={styles.tick}>
            {formatNumber(volts, decimals)}
          </text>
        </g>
      ))}
      <path d={band(geometry.across) ?? ''} className={styles.returnBand} />
      <line x1={SCALE_WIDTH} x2={width} y1={y(limitV)} y2={y(limitV)} className={styles.limit} />
      <text x={SCALE_WIDTH + 6} y={y(limitV) - 4} className={styles.limitLabel}>
        limit {formatNumber(limitV, 2)} V
      </text>
      <path d={drawLine(geometry.supply) ?? ''} className={styles.supplyLine} />
      <path d={drawLine(geometry.across) ?? ''} className={styles.acrossLine} />
      {solved && solvedEndV !== undefined && (
        <g className={styles.solved}>
          <path d={drawLine(solved.supply) ?? ''} />
          <path d={drawLine(solved.across) ?? ''} />
          <path d={`M${solved.endX - 5} ${y(solvedEndV)} l5 -5 l5 5 l-5 5 z`} className={styles.solvedEnd} />
          {Math.abs(y(solvedEndV) - y(acrossEndV)) > 13 && (
            <text x={labelX} y={y(solvedEndV) + 4} className={styles.solvedLabel}>
              {formatNumber(solvedEndV, 2)} V
            </text>
          )}
        </g>
      )}
      <circle cx={geometry.endX} cy={y(acrossEndV)} r={4.5} className={over ? styles.endOver : styles.end} />
      {gap > 13 && (
        <text x={labelX} y={y(supplyEndV) + 4} className={styles.supplyLabel}>
          {formatNumber(supplyEndV, 2)} V
        </text>
      )}
      <text x={labelX} y={y(acrossEndV) + 4} className={over ? styles.overLabel : styles.acrossLabel}>
        {formatNumber(acrossEndV, 2)} V
      </text>
      <text x={2} y={HEIGHT - 4} className={styles.tick}>
        V
      </text>
      {geometry.ticks.map(({ x, mm }) => (
        <g key={mm}>
          <line x1={x} x2={x} y1={PLOT_TOP + PLOT_HEIGHT} y2={PLOT_TOP + PLOT_HEIGHT + 4} className={styles.axis} />
          <text x={x} y={HEIGHT - 4} textAnchor="middle" className={styles.tick}>
            {formatLengthNumber(mm, units).replace(/\.0+$/, '')}
          </text>
        </g>
      ))}
      <text x={width - 2} y={HEIGHT - 4} textAnchor="end" className={styles.tick}>
        {units === 'metric' ? 'm' : 'ft'}
      </text>
      <line x1={SCALE_WIDTH} x2={width} y1={PLOT_TOP + PLOT_HEIGHT} y2={PLOT_TOP + PLOT_HEIGHT} className={styles.axis} />
    </svg>
  );
});
