import type { ReactNode } from 'react';
import styles from './Facts.module.css';

/** What is so, line by line: what it is about and how it is. */
export function Facts({ facts }: { facts: readonly [string, ReactNode][] }) {
  return (
    <dl className={styles.facts}>
      {facts.map(([what, how]) => (
        <div key={what}>
          <dt>{what}</dt>
          <dd>{how}</dd>
        </div>
      ))}
    </dl>
  );
}
