import type { ReactNode } from 'react';
import styles from './NewDesign.module.css';

/** A question of the first-run path with its answer, and why it is asked. */
export function Question({ title, why, children }: { title: string; why?: string; children: ReactNode }) {
  return (
    <section className={styles.question}>
      <h2>{title}</h2>
      <div>
        {children}
        {why && <p className={styles.why}>{why}</p>}
      </div>
    </section>
  );
}
