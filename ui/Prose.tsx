import Link from 'next/link';
import { Fragment } from 'react';
import { markTerms, termId } from '@/core/handbook/glossary';
import styles from './Prose.module.css';

/** A text whose terms of the trade lead to what they mean. */
export function Prose({ text }: { text: string }) {
  return markTerms(text).map(({ text: part, term }, at) =>
    term ? (
      <Link key={at} href={`/handbook/glossary#${termId(term.term)}`} className={styles.term} title={term.meaning}>
        {part}
      </Link>
    ) : (
      <Fragment key={at}>{part}</Fragment>
    ),
  );
}
