import Link from 'next/link';
import { Fragment } from 'react';
import { GLOSSARY, markTerms, termId, type GlossaryTerm, type TermName } from '@/core/handbook/glossary';
import styles from './Prose.module.css';

/** A text whose terms of the trade lead to what they mean. */
export function Prose({ text }: { text: string }) {
  return markTerms(text).map(({ text: part, term }, at) =>
    term ? <TermLink key={at} term={term} text={part} /> : <Fragment key={at}>{part}</Fragment>,
  );
}

/** A word that stands for a term it does not spell out: “Carries” for ampacity, in a heading. */
export function Term({ of, text }: { of: TermName; text: string }) {
  return <TermLink term={GLOSSARY.find(({ term }) => term === of)!} text={text} />;
}

function TermLink({ term, text }: { term: GlossaryTerm; text: string }) {
  return (
    <Link href={`/handbook/glossary#${termId(term.term)}`} className={styles.term} title={term.meaning}>
      {text}
    </Link>
  );
}
