import type { CSSProperties } from 'react';
import styles from './Switching.module.css';

/** A lamp as a circle, anything else as a square; filled as far as it is lit, empty when it is off. */
export function LoadShape({ lamp, lit, size = 16 }: { lamp: boolean; lit: number | null; size?: number }) {
  return (
    <svg viewBox="0 0 16 16" width={size} height={size} aria-hidden className={styles.shape}>
      {lit !== null && <Shape lamp={lamp} className={styles.light} style={{ opacity: Math.max(0.2, lit) }} />}
      <Shape lamp={lamp} />
    </svg>
  );
}

function Shape({ lamp, ...how }: { lamp: boolean; className?: string | undefined; style?: CSSProperties }) {
  return lamp ? <circle cx="8" cy="8" r="6" {...how} /> : <rect x="2.5" y="2.5" width="11" height="11" {...how} />;
}
