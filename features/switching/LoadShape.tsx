import type { CSSProperties } from 'react';
import type { Blinking } from '@/core/devices/ruleHub';
import styles from './Switching.module.css';

interface LoadShapeProps {
  lamp: boolean;
  lit: number | null;
  size?: number;
  blinks?: Blinking | undefined;
}

/** A lamp as a circle, anything else as a square; filled as far as it is lit, empty when it is off. */
export function LoadShape({ lamp, lit, size = 16, blinks }: LoadShapeProps) {
  const light = [styles.light, blinks && styles.blinks, blinks === 'against' && styles.against].filter(Boolean).join(' ');
  return (
    <svg viewBox="0 0 16 16" width={size} height={size} aria-hidden className={styles.shape}>
      {lit !== null && <Shape lamp={lamp} className={light} style={{ opacity: Math.max(0.2, lit) }} />}
      <Shape lamp={lamp} />
    </svg>
  );
}

function Shape({ lamp, ...how }: { lamp: boolean; className?: string | undefined; style?: CSSProperties }) {
  return lamp ? <circle cx="8" cy="8" r="6" {...how} /> : <rect x="2.5" y="2.5" width="11" height="11" {...how} />;
}
