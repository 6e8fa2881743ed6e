import Link from 'next/link';
import type { ReactNode } from 'react';
import type { HandbookPage } from '@/core/handbook/page';
import { HANDBOOK } from '@/core/handbook/pages';
import { Prose } from '@/ui/Prose';
import { TextTable } from '@/ui/Table';
import styles from './Handbook.module.css';

/** A page with all pages beside it. */
export function HandbookFrame({ here, children }: { here: string; children: ReactNode }) {
  return (
    <main className={styles.frame}>
      <nav aria-label="Handbook" className={styles.pages}>
        <Link href="/" className={styles.home}>
          All designs
        </Link>
        <ul>
          {HANDBOOK.map(({ id, title }) => (
            <li key={id}>
              <Link href={`/handbook/${id}`} aria-current={id === here ? 'page' : undefined}>
                {title}
              </Link>
            </li>
          ))}
          <li>
            <Link href="/handbook/glossary" aria-current={here === 'glossary' ? 'page' : undefined}>
              Glossary
            </Link>
          </li>
        </ul>
      </nav>
      <article className={styles.page}>{children}</article>
    </main>
  );
}

/** One page of the handbook. */
export function HandbookView({ page }: { page: HandbookPage }) {
  return (
    <HandbookFrame here={page.id}>
      <h1>{page.title}</h1>
      <p className={styles.about}>{page.about}</p>
      {page.paragraphs.map((paragraph) => (
        <p key={paragraph.slice(0, 40)}>
          <Prose text={paragraph} />
        </p>
      ))}
      {page.table && (
        <div className={styles.figures} role="region" aria-label="Figures to keep at hand" tabIndex={0}>
          <TextTable head={page.table.head} rows={page.table.rows} />
        </div>
      )}
      <p className={styles.caution}>{page.caution}</p>
      <p className={styles.sources}>Sources: {page.sources.join('; ')}.</p>
    </HandbookFrame>
  );
}
