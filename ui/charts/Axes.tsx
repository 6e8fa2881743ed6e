import type { ScaleLinear } from 'd3-scale';
import type { Frame } from './Chart';
import styles from './Charts.module.css';

interface ValueAxisProps {
  frame: Frame;
  y: ScaleLinear<number, number>;
  ticks: readonly number[];
  text(tick: number): string;
}

/** Values up the left edge, with a rule across for each. */
export function ValueAxis({ frame, y, ticks, text }: ValueAxisProps) {
  return ticks.map((tick) => (
    <g key={tick}>
      <line className={styles.rule} x1={frame.left} x2={frame.width - frame.right} y1={y(tick)} y2={y(tick)} />
      <text className={styles.tick} x={frame.left - 6} y={y(tick) + 4} textAnchor="end">
        {text(tick)}
      </text>
    </g>
  ));
}

/** Where the chart is being read. */
export function Cursor({ frame, at }: { frame: Frame; at: number | null }) {
  if (at === null) return null;
  return <line className={styles.cursor} x1={at} x2={at} y1={frame.top} y2={frame.height - frame.bottom} />;
}
