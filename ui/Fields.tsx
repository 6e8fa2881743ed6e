import type { ReactNode } from 'react';
import styles from './Fields.module.css';
import { Prose } from './Prose';

/** Labelled fields one under another, their labels in a column. */
export function Fields({ children }: { children: ReactNode }) {
  return <dl className={styles.fields}>{children}</dl>;
}

/** One labelled row. */
export function Field({ label, children }: { label: string; children: ReactNode }) {
  return (
    <>
      <dt>
        <Prose text={label} />
      </dt>
      <dd>{children}</dd>
    </>
  );
}
