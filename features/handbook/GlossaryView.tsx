import Link from 'next/link';
import { GLOSSARY, termId } from '@/core/handbook/glossary';
import { HANDBOOK } from '@/core/handbook/pages';
import { HandbookFrame } from './HandbookView';
import { TermPicture } from './TermPicture';
import styles from './Handbook.module.css';

/** Every term of the trade used here, with its unit, what it means and where the handbook says more. */
export function GlossaryView() {
  const titleOf = (id: string) => HANDBOOK.find((page) => page.id === id)?.title;
  return (
    <HandbookFrame here="glossary">
      <h1>Glossary</h1>
      <p className={styles.about}>The words of the trade as they are used here, by the standards’ terms where those have one.</p>
      <dl className={styles.terms}>
        {GLOSSARY.map(({ term, unit, meaning, page, picture, also }) => (
          <div key={term} id={termId(term)}>
            <dt>
              {term}
              {unit && <span className="reading">{unit}</span>}
            </dt>
            <dd>
              {picture && <TermPicture of={picture} />}
              {meaning}
              {also && <span className={styles.also}> Also: {also.join(', ')}.</span>}
              {page && (
                <>
                  {' '}
                  <Link href={`/handbook/${page}`}>{titleOf(page)}</Link>
                </>
              )}
            </dd>
          </div>
        ))}
      </dl>
    </HandbookFrame>
  );
}
