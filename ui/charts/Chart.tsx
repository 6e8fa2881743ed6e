'use client';

import { useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { TextTable } from '../Table';
import styles from './Charts.module.css';

/** The inside of a chart's frame, in its own units. */
export interface Frame {
  width: number;
  height: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

interface ChartProps {
  title: string;
  /** What the chart says, in a sentence. */
  says: ReactNode;
  frame: Frame;
  /** Points along it that can be read one by one. */
  points: number;
  /** What point number so many says. */
  read(point: number): string;
  children(cursor: number | null): ReactNode;
  below?: ReactNode;
  /** The figures as a table: for those who do not see the drawing. */
  table: { head: string[]; rows: (string | number)[][] };
}

/** The one frame every chart is drawn in: a caption, a drawing that hand and arrow keys read point by point, and its figures as text. */
export function Chart({ title, says, frame, points, read, children, below, table }: ChartProps) {
  const [cursor, setCursor] = useState<number | null>(null);
  const at = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const share = (((event.clientX - box.left) / box.width) * frame.width - frame.left) / (frame.width - frame.left - frame.right);
    setCursor(share < 0 || share > 1 ? null : Math.min(points - 1, Math.floor(share * points)));
  };
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1, PageUp: -Math.ceil(points / 10), PageDown: Math.ceil(points / 10) }[event.key];
    if (event.key === 'Home') setCursor(0);
    else if (event.key === 'End') setCursor(points - 1);
    else if (event.key === 'Escape') setCursor(null);
    else if (by !== undefined) setCursor((now) => Math.max(0, Math.min(points - 1, (now ?? (by > 0 ? -1 : points)) + by)));
    else return;
    event.preventDefault();
  };
  return (
    <figure className={styles.figure}>
      <figcaption>
        {title} <small>{says}</small>
      </figcaption>
      <svg
        viewBox={`0 0 ${frame.width} ${frame.height}`}
        role="slider"
        tabIndex={0}
        aria-label={title}
        aria-valuemin={0}
        aria-valuemax={Math.max(0, points - 1)}
        aria-valuenow={cursor ?? 0}
        aria-valuetext={cursor === null ? 'arrow keys read it point by point' : read(cursor)}
        onPointerMove={at}
        onPointerLeave={() => setCursor(null)}
        onKeyDown={keys}
        onBlur={() => setCursor(null)}
      >
        {children(cursor)}
      </svg>
      <p className={styles.readout}>{cursor === null ? ' ' : read(cursor)}</p>
      {below}
      <details className={styles.words}>
        <summary>The figures as a table</summary>
        <TextTable head={table.head} rows={table.rows} figuresFrom={1} />
      </details>
    </figure>
  );
}
