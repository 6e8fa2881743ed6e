import { AutoComplete, Button, Popconfirm } from 'antd';
import Link from 'next/link';
import { useCallback, useEffect, useRef, useState } from 'react';
import { BOARDS } from '@/core/practise/boards';
import { BUILD_TASKS } from '@/core/practise/buildTasks';
import { TOPIC_IDS, TOPICS } from '@/core/practise/drills/topics';
import type { Hunt } from '@/core/practise/hunt';
import { HuntFileError, readHuntFile } from '@/core/practise/huntFile';
import { huntFileWords } from '@/core/practise/huntFileWords';
import { bestOf, learntOf, mayAlone, streakOf, type Learnt, type Result } from '@/core/practise/record';
import { writeResultsCsv } from '@/core/practise/resultsCsv';
import { request } from '@/features/home/requests';
import { saveFile } from '@/ui/saveFile';
import { Table } from '@/ui/Table';
import { HuntScreen } from './HuntScreen';
import { NOBODY, useLearner, type Learner } from './useLearner';
import styles from './PractiseScreen.module.css';

const LEVELS = { 1: 'to begin with', 2: 'relays, two ways', 3: 'all of it' } as const;
const LEVEL_WORDS: Record<Learnt['level'], string> = { new: 'not begun', begun: 'begun', sure: 'sure' };
/** A hunt's file is a small design. */
const LARGEST_FILE = 2_000_000;

/** What there is to practise, and how far one has come. */
export function PractiseScreen() {
  const learner = useLearner();
  const [fromFile, setFromFile] = useState<Hunt | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const onDone = useCallback(() => undefined, []);
  const take = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > LARGEST_FILE) return setProblem(`${file.name} is larger than ${LARGEST_FILE / 1_000_000} MB: it is no hunt.`);
    try {
      setFromFile(readHuntFile(await file.text()));
      setProblem(null);
    } catch (error) {
      if (!(error instanceof HuntFileError)) throw error;
      setProblem(`${file.name}: ${error.faults.slice(0, 3).map(huntFileWords).join('; ')}`);
    }
  };
  if (fromFile) return <HuntScreen hunt={fromFile} onDone={onDone} back={{ says: 'Practise', go: () => setFromFile(null) }} />;
  const results = learner.results ?? [];
  return (
    <main className={styles.home}>
      <header className={styles.head}>
        <span className={styles.where}>
          <Link href="/">All designs</Link>
          <Who learner={learner} />
        </span>
        <h1>Practise</h1>
        <p>
          Faults that cost nothing, on boards with a meter, and short drills. Every number comes from the network a design is checked with.
        </p>
      </header>
      {(learner.problem ?? problem) && <p role="alert">{learner.problem ?? problem}</p>}
      <Drills results={results} />
      {([1, 2, 3] as const).map((level) => (
        <section key={level} aria-label={`Fault hunts, ${LEVELS[level]}`}>
          <h2>Fault hunts, {LEVELS[level]}</h2>
          <ul className={styles.boards}>
            {BOARDS.filter((board) => board.level === level).map(({ id, title, complaints }) => (
              <li key={id}>
                <Link href={`/practise/hunt/${id}`}>{title}</Link>
                <span>{complaints.map(({ says }) => says).join(' ')}</span>
                <Best points={bestOf(results, 'hunt', id)} />
              </li>
            ))}
          </ul>
        </section>
      ))}
      <section aria-label="Build it">
        <h2>Build it: wishes and a box of parts</h2>
        <ul className={styles.boards}>
          {BUILD_TASKS.map(({ id, title, story }) => (
            <li key={id}>
              <Link href={`/practise/build/${id}`}>{title}</Link>
              <span>{story}</span>
              <Best points={bestOf(results, 'build', id)} />
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Other hunts">
        <h2>On your own wiring</h2>
        <p>
          A design’s Build and test stage leads to a hunt on a copy of it. One that somebody saved for you is opened from its file.{' '}
          <Button size="small" onClick={() => input.current?.click()}>
            Open a hunt’s file
          </Button>
        </p>
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          className="visually-hidden"
          tabIndex={-1}
          aria-label="Hunt file"
          onChange={({ target }) => void take(target.files?.[0])}
          onClick={({ currentTarget }) => (currentTarget.value = '')}
        />
      </section>
      <Sheet learner={learner} results={results} />
    </main>
  );
}

function Best({ points }: { points: number | null }) {
  return <b className="reading">{points === null ? '' : `best ${points}`}</b>;
}

/** Whose record this is: a name, no account. */
function Who({ learner }: { learner: Learner }) {
  const [names, setNames] = useState<readonly string[]>([]);
  const [typed, setTyped] = useState(learner.name);
  useEffect(() => {
    let wanted = true;
    request<{ learner: string }[]>('GET', '/api/practise/learners').then(
      (all) => wanted && setNames(all.map((one) => one.learner)),
      // The list is a help to type alone.
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, []);
  const take = (name: string) => {
    const wanted = name.trim().slice(0, 60);
    if (wanted === '') return setTyped(learner.name);
    setTyped(wanted);
    learner.setName(wanted);
  };
  return (
    <label className={styles.who}>
      Learner
      <AutoComplete
        size="small"
        aria-label="Learner"
        value={typed}
        options={names.map((value) => ({ value }))}
        onChange={setTyped}
        onSelect={take}
        onBlur={() => take(typed)}
        onKeyDown={({ key }) => key === 'Enter' && take(typed)}
        style={{ width: 170 }}
      />
    </label>
  );
}

function Drills({ results }: { results: readonly Result[] }) {
  return (
    <section aria-label="Drills">
      <h2>Drills</h2>
      <p>
        <Link href="/practise/drill/mixed">
          <Button type="primary">Ten minutes, mixed</Button>
        </Link>{' '}
        What you are weakest at comes first; what was wrong comes again.
      </p>
      <ul className={styles.topics}>
        {TOPIC_IDS.map((topic) => {
          const { asked, right, level } = learntOf(results, topic);
          return (
            <li key={topic} data-level={level}>
              <Link href={`/practise/drill/${topic}`}>{TOPICS[topic].title}</Link>
              <span>{TOPICS[topic].about}</span>
              <small>
                {LEVEL_WORDS[level]}
                {asked > 0 && `, ${right} of ${asked} right`}
              </small>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What a workshop may let somebody do alone, and the record itself. */
function Sheet({ learner, results }: { learner: Learner; results: readonly Result[] }) {
  const [now] = useState(() => Date.now());
  const { days, inARow } = streakOf(results, now);
  return (
    <section aria-label="Record">
      <h2>What {learner.name === NOBODY ? 'you' : learner.name} may do alone</h2>
      <Table
        columns={[
          { head: 'Work', cell: ({ says }) => says },
          { head: 'Alone', cell: ({ may }) => (may ? 'yes' : 'not yet') },
          {
            head: 'Still to come',
            cell: ({ lacks }) =>
              [
                ...lacks.topics.map((topic) => TOPICS[topic].title),
                ...(lacks.boards > 0 ? [`${lacks.boards} more ${lacks.boards === 1 ? 'hunt' : 'hunts'} at 80`] : []),
              ].join(', '),
          },
        ]}
        rows={mayAlone(results)}
        keyOf={({ says }) => says}
        isNarrow
      />
      <p className={styles.soft}>
        A measure of ours: the workshop, local codes and licensed persons decide. Practised on {days} {days === 1 ? 'day' : 'days'}
        {inARow > 1 && `, the last ${inARow} in a row`}.
      </p>
      {results.length > 0 && (
        <p className={styles.tools}>
          <Button size="small" onClick={() => saveFile('practise.csv', writeResultsCsv(results), 'text/csv')}>
            Save the record as CSV
          </Button>
          <Popconfirm title={`Forget everything of ${learner.name}?`} okText="Forget it" cancelText="Keep it" onConfirm={learner.reset}>
            <Button size="small" danger>
              Reset
            </Button>
          </Popconfirm>
        </p>
      )}
    </section>
  );
}
