import type { CSSProperties } from 'react';
import { colourOf } from '@/core/bench/usualWishes';
import type { Load } from '@/core/design/schema';
import { isLamp } from '@/core/devices/load';
import type { Lit } from './lit';
import styles from './Switching.module.css';

/** How colours of lamps are shown. */
const LIGHTS: Readonly<Record<string, string>> = {
  white: '#fffbe6',
  amber: '#f08a00',
  yellow: '#f5d000',
  red: '#d8382b',
  blue: '#3a7bd5',
  green: '#3fa34d',
};

interface LoadShapeProps {
  load: Load | undefined;
  /** What it does; absent: nothing. */
  answer: Lit | undefined;
  size?: number;
}

/**
 * A lamp as a circle, anything else as a square; filled as far as it is lit, in its colour where its name says one, empty when it is off.
 */
export function LoadShape({ load, answer, size = 12 }: LoadShapeProps) {
  const isRound = load !== undefined && isLamp(load);
  return (
    <span aria-hidden className={isRound ? `${styles.shape} ${styles.round}` : styles.shape} style={{ width: size, height: size }}>
      {answer && answer.state !== 'off' && <span className={lightClass(answer)} style={lightStyle(load, answer)} />}
    </span>
  );
}

/** The same on a drawing, about its middle. */
export function DrawnShape({ load, answer, x, y, size }: { load: Load; answer: Lit; x: number; y: number; size: number }) {
  const half = size / 2;
  const shape = (how: { className?: string | undefined; style?: CSSProperties }) =>
    isLamp(load) ? <circle cx={x} cy={y} r={half} {...how} /> : <rect x={x - half} y={y - half} width={size} height={size} {...how} />;
  return (
    <>
      {answer.state !== 'off' && shape({ className: lightClass(answer), style: lightStyle(load, answer) })}
      {shape({ className: styles.drawn })}
    </>
  );
}

function lightClass({ blinks }: Lit): string {
  return [styles.light, blinks && styles.blinks, blinks === 'against' && styles.against].filter(Boolean).join(' ');
}

/** The colour it shines in, thinner the dimmer it is. */
function lightStyle(load: Load | undefined, { level }: Lit): CSSProperties {
  const colour = load && isLamp(load) ? colourOf(load) : null;
  const light = (colour && LIGHTS[colour]) ?? '#f0b020';
  const shown = `color-mix(in srgb, ${light} ${Math.round(100 * Math.max(0.2, level))}%, transparent)`;
  return { backgroundColor: shown, fill: shown };
}
