import type { ReactNode } from 'react';
import type { GlossaryTerm } from '@/core/handbook/glossary';
import styles from './Handbook.module.css';

type Picture = NonNullable<GlossaryTerm['picture']>;

/** Plain sketches: thin lines are wires, boxes are parts, the amber mark is what the term is about. */
const PICTURES: Record<Picture, { label: string; drawing: ReactNode }> = {
  drop: {
    label: 'Volts along a run: they fall with the length of the wire',
    drawing: (
      <>
        <path d="M8 12 H152" />
        <path d="M8 20 L152 44" className={styles.mark} />
        <path d="M152 20 V44" className={styles.dash} />
        <text x={8} y={58}>
          battery
        </text>
        <text x={152} y={58} textAnchor="end">
          load
        </text>
      </>
    ),
  },
  selective: {
    label: 'Two fuses in a row: the one nearer the fault opens',
    drawing: (
      <>
        <path d="M8 30 H34 M34 23 H58 V37 H34 Z M58 30 H92 M116 30 H140" />
        <path d="M92 23 H116 V37 H92 Z M96 24 L112 36 M112 24 L96 36" className={styles.mark} />
        <path d="M140 18 L134 32 H144 L138 46" className={styles.mark} />
        <text x={46} y={58} textAnchor="middle">
          stays
        </text>
        <text x={104} y={58} textAnchor="middle">
          opens
        </text>
      </>
    ),
  },
  strap: {
    label: 'Feed by wire, return through the metal of the vehicle',
    drawing: (
      <>
        <path d="M8 14 H152 M8 14 V34 M152 14 V34" />
        <path d="M2 40 H158" className={styles.mark} />
        <text x={80} y={58} textAnchor="middle">
          chassis
        </text>
      </>
    ),
  },
  tap: {
    label: 'A tap with two fuses: the common leg sits in the live clip',
    drawing: (
      <>
        <path d="M8 40 H40 M120 16 H152 M120 40 H152 M40 8 V48 M40 16 H70 M40 40 H70 M96 16 H120 M96 40 H120" />
        <path d="M70 10 H96 V22 H70 Z M70 34 H96 V46 H70 Z" className={styles.mark} />
        <text x={8} y={58}>
          live
        </text>
      </>
    ),
  },
  threeWay: {
    label: 'A three-way splice: one wire comes, two go on',
    drawing: (
      <>
        <path d="M8 30 H80 M80 30 L150 12 M80 30 L150 48" />
        <circle cx={80} cy={30} r={6} className={styles.mark} />
      </>
    ),
  },
};

export function TermPicture({ of }: { of: Picture }) {
  const { label, drawing } = PICTURES[of];
  return (
    <svg viewBox="0 0 160 62" className={styles.picture} role="img" aria-label={label}>
      {drawing}
    </svg>
  );
}
