'use client';

import type { RefObject } from 'react';
import styles from './FileChoice.module.css';

interface FileChoiceProps {
  label: string;
  accept: string;
  /** Press it to let the person choose. */
  chooser: RefObject<HTMLInputElement | null>;
  onFile(file: File): void;
  /** What was wrong with the last file, row by row. */
  problems: readonly string[];
}

/** A file chosen by another control's press, and why the last one was not taken. */
export function FileChoice({ label, accept, chooser, onFile, problems }: FileChoiceProps) {
  return (
    <>
      <input
        ref={chooser}
        type="file"
        aria-label={label}
        accept={accept}
        className={styles.hidden}
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
      {problems.length > 0 && (
        <ul role="alert" className={styles.problems}>
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
    </>
  );
}
