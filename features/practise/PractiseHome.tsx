'use client';

import Link from 'next/link';
import { BOARDS } from '@/core/practise/boards';
import styles from './PractiseHome.module.css';

const LEVELS = { 1: 'first ones', 2: 'relays, two ways', 3: 'all of it' } as const;

/** Boards to hunt faults on, by how hard they are. */
export function PractiseHome() {
  return (
    <main className={styles.home}>
      <header className={styles.head}>
        <Link href="/">All designs</Link>
        <h1>Practise</h1>
        <p>Find faults that cost nothing, on boards with a meter. The numbers come from the same network a design is checked with.</p>
      </header>
      {([1, 2, 3] as const).map((level) => (
        <section key={level} aria-label={`Fault hunts, ${LEVELS[level]}`}>
          <h2>Fault hunts: {LEVELS[level]}</h2>
          <ul className={styles.boards}>
            {BOARDS.filter((board) => board.level === level).map(({ id, title, complaints }) => (
              <li key={id}>
                <Link href={`/practise/hunt/${id}`}>{title}</Link>
                <span>{complaints.map(({ says }) => says).join(' ')}</span>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </main>
  );
}
