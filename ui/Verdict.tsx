import type { Severity } from '@/core/analysis/finding';
import styles from './Verdict.module.css';

const WORDS: Record<Severity | 'ok', string> = { ok: 'OK', note: 'Note', caution: 'Caution', fault: 'Fault' };

/** A verdict by shape, word and colour: knot tied, dot, triangle, open square. */
export function Verdict({ severity, count }: { severity: Severity | 'ok'; count?: number }) {
  return (
    <span className={`${styles.verdict} ${styles[severity]}`}>
      <svg viewBox="0 0 16 16" width="14" height="14" aria-hidden>
        {severity === 'ok' && <path d="M2.5 8.5 L6.5 12.5 L13.5 4" fill="none" stroke="currentColor" strokeWidth="2.4" />}
        {severity === 'note' && <circle cx="8" cy="8" r="4" fill="none" stroke="currentColor" strokeWidth="2.2" />}
        {severity === 'caution' && <path d="M8 2 L15 14 L1 14 Z" fill="currentColor" />}
        {severity === 'fault' && <path d="M2 2 H14 V14 H2 Z M5 5 L11 11 M11 5 L5 11" fill="none" stroke="currentColor" strokeWidth="2.2" />}
      </svg>
      {count === undefined ? WORDS[severity] : count}
      {count !== undefined && (
        <span className="visually-hidden">{` ${WORDS[severity].toLowerCase()}${count === 1 || severity === 'ok' ? '' : 's'}`}</span>
      )}
    </span>
  );
}
