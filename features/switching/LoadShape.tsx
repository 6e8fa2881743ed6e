import type { CSSProperties } from 'react';
import type { Blinking } from '@/core/devices/ruleHub';
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
  lamp: boolean;
  lit: number | null;
  size?: number;
  blinks?: Blinking | undefined;
  /** The colour it shines in, where its name says so. */
  colour?: string | null;
}

/** A lamp as a circle, anything else as a square; filled as far as it is lit, empty when it is off. */
export function LoadShape({ lamp, lit, size = 16, blinks, colour }: LoadShapeProps) {
  const light = [styles.light, blinks && styles.blinks, blinks === 'against' && styles.against].filter(Boolean).join(' ');
  return (
    <svg viewBox="0 0 16 16" width={size} height={size} aria-hidden className={styles.shape}>
      {lit !== null && (
        <Shape lamp={lamp} className={light} style={{ opacity: Math.max(0.2, lit), ...(colour && { fill: LIGHTS[colour] }) }} />
      )}
      <Shape lamp={lamp} />
    </svg>
  );
}

function Shape({ lamp, ...how }: { lamp: boolean; className?: string | undefined; style?: CSSProperties }) {
  return lamp ? <circle cx="8" cy="8" r="6" {...how} /> : <rect x="2.5" y="2.5" width="11" height="11" {...how} />;
}
