import type { ReactNode } from 'react';
import type { FlawSaid } from '@/core/wording/flawWords';
import { useJump } from '@/features/workspace/useJump';
import styles from './Test.module.css';

export interface Cause {
  probability: number;
  words: FlawSaid;
  /** What to go to; null: everywhere. */
  subject: string | null;
  /** What can be said of it, beside. */
  buttons?: ReactNode;
}

/** Causes shown, and from which share on. */
const MOST_SHOWN = 6;
const LEAST_SHOWN = 0.005;

/** What may be wrong, the likeliest first; what is likelier than all others together with what mends it and what proves that. */
export function Causes({ causes }: { causes: readonly Cause[] }) {
  return (
    <ol className={styles.suspects}>
      {causes
        .slice(0, MOST_SHOWN)
        .filter(({ probability }, at) => at === 0 || probability > LEAST_SHOWN)
        .map((cause, at) => (
          <CauseLine key={at} cause={cause} isFirst={at === 0} />
        ))}
    </ol>
  );
}

function CauseLine({ cause: { probability, words, subject, buttons }, isFirst }: { cause: Cause; isFirst: boolean }) {
  const jump = useJump();
  const { fault, where, cure, proof } = words;
  return (
    <li>
      <span className={styles.share} aria-hidden style={{ width: `${Math.max(2, probability * 100)}%` }} />
      <b className="reading">{probability > 0.995 ? '>99' : Math.round(probability * 100)} %</b>
      <span>
        {fault}:{' '}
        {subject ? (
          <button type="button" className={styles.go} onClick={() => jump(subject)}>
            {where}
          </button>
        ) : (
          where
        )}
        {isFirst && probability > 0.5 && (
          <small>
            {cure} Proved mended when: {proof}
          </small>
        )}
        {buttons}
      </span>
    </li>
  );
}
