import type { CSSProperties } from 'react';
import type { LoadAnswer } from '@/core/bench/bench';
import { colourOf } from '@/core/bench/usualWishes';
import type { Load } from '@/core/design/schema';
import { isLamp } from '@/core/devices/load';
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

/** How a load is lit. */
export type Lit = Pick<LoadAnswer, 'state' | 'level'> & { blinks?: LoadAnswer['blinks'] | undefined };

interface LoadShapeProps {
  load: Load | undefined;
  /** What it does; absent: nothing. */
  answer: Lit | undefined;
  size?: number;
}

/** A lamp as a circle, anything else as a square; filled as far as it is lit, in its colour where its name says one, empty when it is off. */
export function LoadShape({ load, answer, size = 16 }: LoadShapeProps) {
  const lamp = load !== undefined && isLamp(load);
  const colour = lamp ? colourOf(load) : null;
  const light = [styles.light, answer?.blinks && styles.blinks, answer?.blinks === 'against' && styles.against].filter(Boolean).join(' ');
  return (
    <svg viewBox="0 0 16 16" width={size} height={size} aria-hidden className={styles.shape}>
      {answer && answer.state !== 'off' && (
        <Shape lamp={lamp} className={light} style={{ opacity: Math.max(0.2, answer.level), ...(colour && { fill: LIGHTS[colour] }) }} />
      )}
      <Shape lamp={lamp} />
    </svg>
  );
}

/** How far it is lit, as it is drawn: finer differences nobody sees. */
export function litOf({ state, level, blinks }: LoadAnswer): Lit {
  return { state, level: Math.round(level * 50) / 50, blinks };
}

function Shape({ lamp, ...how }: { lamp: boolean; className?: string | undefined; style?: CSSProperties }) {
  return lamp ? <circle cx="8" cy="8" r="6" {...how} /> : <rect x="2.5" y="2.5" width="11" height="11" {...how} />;
}
