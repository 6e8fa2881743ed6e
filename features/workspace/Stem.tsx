'use client';

import Link from 'next/link';
import { useShallow } from 'zustand/react/shallow';
import { useDesign } from '@/features/design/DesignProvider';
import type { Severity } from '@/core/analysis/finding';
import type { DesignState } from '@/features/design/designStore';
import { nextSteps } from './nextSteps';
import { useViewQuery } from '@/features/design/useViewQuery';
import { STAGES, stageOf, type StageId } from './stages';
import { useStage } from './useStage';
import styles from './Stem.module.css';

const KNOT = 'M6 17 C6 5 21 4 26 13 C31 22 22 31 15 28 C7 25 9 12 19 12 C27 12 29 20 28 25';

/** The stages as a stem with a knot each; a knot says what is open there. It is the way about and the progress in one. */
export function Stem({ designId }: { designId: string }) {
  const shown = useStage();
  const viewQuery = useViewQuery();
  return (
    <nav className={styles.stem} aria-label="Stages">
      <Link href="/" className={styles.home}>
        <span className={styles.brand}>Vine Knot</span>
        <span className={styles.back}>all designs</span>
      </Link>
      <ol className={styles.list}>
        {STAGES.map(({ id, name }) => {
          const here = id === shown?.id;
          return (
            <li key={id} className={styles.item}>
              <Link
                href={`/d/${designId}/${id}`}
                className={`${styles.stage} ${here ? styles.here : ''}`}
                aria-current={here ? 'page' : undefined}
              >
                <Knot stage={id} name={name} />
              </Link>
            </li>
          );
        })}
      </ol>
      <Link href={`/d/${designId}/report${viewQuery}`} className={styles.report}>
        Report and print
      </Link>
      <Link href="/handbook/conductors" className={styles.handbook}>
        Handbook
      </Link>
    </nav>
  );
}

/** A stage's knot and words, drawn again only when they change. */
function Knot({ stage, name }: { stage: StageId; name: string }) {
  const { worst, text, isNext } = useDesign(useShallow((state) => stateOf(state, stage)));
  return (
    <>
      <svg viewBox="0 0 34 34" width="34" height="34" className={`${styles.knot} ${styles[worst]}`} aria-hidden>
        <path d={KNOT} />
      </svg>
      <span className={styles.words}>
        <span className={styles.name}>{name}</span>
        <span className={`${styles.state} ${isNext ? styles.next : ''}`}>
          {isNext && 'next: '}
          {text}
        </span>
      </span>
    </>
  );
}

interface StageState {
  worst: Severity | 'ok' | 'bare';
  text: string;
  isNext: boolean;
}

/** The worst of what is open in a stage and how to say it. */
function stateOf({ findings, isWhollyJudged, analysis, view }: DesignState, stage: StageId): StageState {
  const { of, next } = nextSteps(analysis, view);
  const isNext = next === stage;
  const here = findings.filter((finding) => stageOf(finding) === stage);
  const count = (severity: Severity) => here.filter((finding) => finding.severity === severity).length;
  const faults = count('fault');
  const cautions = count('caution');
  const parts = [faults > 0 && `${faults} fault${faults > 1 ? 's' : ''}`, cautions > 0 && `${cautions} caution${cautions > 1 ? 's' : ''}`];
  const said = parts.filter(Boolean).join(', ');
  const isWell = isWhollyJudged && of[stage] === undefined;
  const worst = faults > 0 ? 'fault' : cautions > 0 ? 'caution' : isWell ? 'ok' : 'bare';
  return { worst, text: (isNext ? of[stage] : null) ?? (said || (of[stage] ?? (isWell ? 'in order' : 'being judged'))), isNext };
}
