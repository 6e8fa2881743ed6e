import type { ReactNode } from 'react';
import styles from './EmptyStage.module.css';

/** An empty stage says what it is for and offers the first step. */
export function EmptyStage({ title, text, children }: { title: string; text: string; children?: ReactNode }) {
  return (
    <div className={styles.empty}>
      <svg viewBox="0 0 120 60" width="120" height="60" aria-hidden>
        <path
          d="M4 44 C24 10 34 52 54 34 C70 20 58 8 66 18 C76 30 84 40 116 22"
          fill="none"
          stroke="var(--stem)"
          strokeWidth="3"
          strokeLinecap="round"
        />
        <path d="M88 32 q6 -14 18 -13 q-3 13 -18 13 z" fill="var(--stem-soft)" stroke="var(--stem)" strokeWidth="2" />
      </svg>
      <h3>{title}</h3>
      <p>{text}</p>
      {children}
    </div>
  );
}
