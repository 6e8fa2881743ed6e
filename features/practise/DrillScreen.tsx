import { Button } from 'antd';
import Link from 'next/link';
import { useEffect, useMemo, useRef, useState } from 'react';
import { questionOf, TOPICS, type TopicId } from '@/core/practise/drills/topics';
import { nextQuestion, type Asked } from '@/core/practise/record';
import { TextTable } from '@/ui/Table';
import { BoardPicture } from './BoardPicture';
import { useLearner } from './useLearner';
import styles from './Drill.module.css';

const MINUTES = 10;
const newSeed = () => Math.floor(Math.random() * 1e9);

/** Questions one after another, of one topic or of what one is weakest at, for ten minutes or as long as one likes. */
export function DrillScreen({ topic }: { topic: TopicId | null }) {
  const learner = useLearner();
  const [asked, setAsked] = useState<Asked | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const [done, setDone] = useState({ answered: 0, right: 0 });
  const minutes = useMinutes();
  const { results, readAt } = learner;
  const [firstSeed] = useState(newSeed);
  // The first is asked once it is known what was answered before.
  if (asked === null && results !== null) setAsked(nextQuestion(results, readAt, topic, null, firstSeed));
  const question = useMemo(() => asked && questionOf(asked.topic, asked.seed), [asked]);
  const heading = useRef<HTMLHeadingElement>(null);
  const next = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (chosen === null) heading.current?.focus();
    else next.current?.focus();
  }, [chosen, asked]);
  if (!question || !asked) {
    return (
      <main className={styles.drill}>
        {learner.problem ? <p role="alert">{learner.problem}</p> : <p role="status">Looking up what comes next …</p>}
      </main>
    );
  }
  const choose = (at: number) => {
    if (chosen !== null) return;
    const { isRight } = question.options[at]!;
    setChosen(at);
    setDone({ answered: done.answered + 1, right: done.right + (isRight ? 1 : 0) });
    learner.keep({ kind: 'drill', subject: asked.topic, seed: asked.seed, points: isRight ? 100 : 0 });
  };
  const goOn = () => {
    setAsked(nextQuestion(results ?? [], Date.now(), topic, asked, newSeed()));
    setChosen(null);
  };
  return (
    <main className={styles.drill} data-board={question.board !== undefined}>
      <header className={styles.bar}>
        <Link href="/practise">Practise</Link>
        <span>{topic ? TOPICS[topic].title : `Mixed: ${TOPICS[asked.topic].title}`}</span>
        <span className="reading" role="status">
          {done.right} of {done.answered} right, {minutes} min
        </span>
      </header>
      {learner.problem && <p role="alert">{learner.problem}</p>}
      {minutes >= MINUTES && chosen !== null && (
        <p className={styles.enough}>Ten minutes are over: enough for today, if you like. What you were unsure of comes again by itself.</p>
      )}
      <h1 ref={heading} tabIndex={-1}>
        {question.asks}
      </h1>
      {question.table && <TextTable head={question.table.head} rows={question.table.rows} figuresFrom={1} />}
      <ol className={styles.options} aria-label="Answers">
        {question.options.map(({ says, isRight, why }, at) => (
          <li key={says} data-state={chosen === null ? undefined : isRight ? 'right' : at === chosen ? 'wrong' : 'other'}>
            <button type="button" disabled={chosen !== null} onClick={() => choose(at)}>
              {says}
            </button>
            {chosen !== null && (at === chosen || isRight) && <span>{isRight ? 'right' : why}</span>}
          </li>
        ))}
      </ol>
      {chosen !== null && (
        <div className={styles.after} role="status">
          <p>{question.explains}</p>
          <Button ref={next} type="primary" onClick={goOn}>
            Next question
          </Button>
        </div>
      )}
      {question.board && <BoardPicture key={`${asked.topic} ${asked.seed}`} design={question.board} />}
    </main>
  );
}

/** Whole minutes since this was opened. */
function useMinutes(): number {
  const [minutes, setMinutes] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setMinutes((now) => now + 1), 60_000);
    return () => clearInterval(timer);
  }, []);
  return minutes;
}
