'use client';

import { useRef, useState, type KeyboardEvent } from 'react';
import type { CellResult } from './types';
import styles from './Grid.module.css';

interface CellEditorProps {
  label: string;
  start: string;
  align?: 'left' | 'right' | undefined;
  onPreview(text: string): CellResult;
  onFinish(text: string, then: [number, number] | null): CellResult;
  onLeave(): void;
}

/** The open cell: typing shows its result at once; what cannot be read is said in place and nothing else changes. */
export function CellEditor({ label, start, align, onPreview, onFinish, onLeave }: CellEditorProps) {
  const [text, setText] = useState(start);
  const [problem, setProblem] = useState<CellResult>(null);
  const done = useRef(false);

  const finish = (typed: string, then: [number, number] | null) => {
    if (done.current) return;
    // Set before the value is handed over: moving on blurs this field, which must not hand over a second one.
    done.current = true;
    const refused = onFinish(typed, then);
    done.current = refused === null;
    if (refused) setProblem(refused);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    event.stopPropagation();
    if (event.key === 'Enter') finish(text, [event.shiftKey ? -1 : 1, 0]);
    else if (event.key === 'Tab') finish(text, [0, event.shiftKey ? -1 : 1]);
    else if (event.key === 'Escape') {
      done.current = true;
      onLeave();
    } else return;
    event.preventDefault();
  };
  return (
    <>
      <input
        autoFocus
        aria-label={label}
        aria-invalid={problem !== null}
        className={`${styles.editor} ${align === 'right' ? `reading ${styles.right}` : ''} ${problem ? styles.wrong : ''}`}
        value={text}
        onFocus={(event) => event.target.value === start && start.length > 1 && event.target.select()}
        onChange={(event) => {
          setText(event.target.value);
          setProblem(onPreview(event.target.value));
        }}
        onKeyDown={onKeyDown}
        onBlur={() => (problem ? onLeave() : finish(text, null))}
      />
      {problem && (
        <span role="alert" className={styles.problem}>
          {problem}
        </span>
      )}
    </>
  );
}
