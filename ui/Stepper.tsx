'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import styles from './Stepper.module.css';

interface StepperProps {
  label: string;
  /** The value as shown, with its unit. */
  text: string;
  /** Place of the value in its range, for assistive technology. */
  at: number;
  count: number;
  onStep(by: 1 | -1): void;
  tone?: 'plain' | 'copper';
}

/** Pixels of drag that make one step. */
const DRAG_STEP_PX = 14;

/** A value that steps through a standard range: arrow keys, the two buttons, or dragging it up and down. */
export function Stepper({ label, text, at, count, onStep, tone = 'plain' }: StepperProps) {
  const dragFrom = useRef<number | null>(null);

  const onKeyDown = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowUp' || event.key === '+' ? 1 : event.key === 'ArrowDown' || event.key === '-' ? -1 : null;
    if (by === null) return;
    event.preventDefault();
    event.stopPropagation();
    onStep(by);
  };
  const onPointerDown = (event: PointerEvent) => {
    if ((event.target as Element).closest('button')) return;
    dragFrom.current = event.clientY;
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const onPointerMove = (event: PointerEvent) => {
    if (dragFrom.current === null) return;
    const moved = dragFrom.current - event.clientY;
    if (Math.abs(moved) < DRAG_STEP_PX) return;
    dragFrom.current = event.clientY;
    onStep(moved > 0 ? 1 : -1);
  };
  const endDrag = () => (dragFrom.current = null);

  return (
    <span className={`${styles.stepper} ${styles[tone]}`}>
      <span
        role="spinbutton"
        tabIndex={0}
        className={`reading ${styles.value}`}
        aria-label={label}
        aria-valuenow={at}
        aria-valuemin={0}
        aria-valuemax={count - 1}
        aria-valuetext={text}
        title={`${label}: drag, or press the up and down arrows`}
        onKeyDown={onKeyDown}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={endDrag}
        onPointerCancel={endDrag}
      >
        {text}
      </span>
      <span className={styles.buttons} aria-hidden>
        <button type="button" tabIndex={-1} onClick={() => onStep(1)}>
          ▴
        </button>
        <button type="button" tabIndex={-1} onClick={() => onStep(-1)}>
          ▾
        </button>
      </span>
    </span>
  );
}
