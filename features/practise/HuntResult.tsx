import { Button } from 'antd';
import type { Hunt } from '@/core/practise/hunt';
import type { Entry } from '@/core/practise/told';
import type { Way } from '@/core/practise/bestWay';
import { actWords, namedWords, SHINE_WORDS, UNSAFE_WORDS, type Labelled } from '@/core/practise/huntWords';
import { namesFor } from '@/core/practise/hunt';
import type { Score } from '@/core/practise/score';
import { formatNumber } from '@/core/units/quantity';
import { Table } from '@/ui/Table';
import styles from './Practise.module.css';

interface HuntResultProps {
  hunt: Hunt;
  board: Labelled;
  entries: readonly Entry[];
  /** Null: it was given up. */
  score: Score | null;
  way: Way;
  onAgain(): void;
}

/** How it went, beside the way the finder goes: what it measured, what it read, what nothing wrong would have read. */
export function HuntResult({ hunt, board, entries, score, way, onAgain }: HuntResultProps) {
  return (
    <section aria-label="How it went" className={styles.result}>
      <h2>{score ? `${score.points} of 100` : 'The way to it'}</h2>
      <p>It was: {hunt.complaints.map(({ flaw }) => namedWords(board, namesFor(flaw)[0]!)).join('; and ')}.</p>
      {score && (
        <p>
          {score.acts} acts in {formatNumber(score.minutes, 0)} min; the finder takes {score.parActs} in {formatNumber(score.parMinutes, 0)}{' '}
          min.
          {score.wrongNames > 0 && ` Taken apart for nothing: ${score.wrongNames}.`}
          {score.blown > 0 && ` Fuses gone: ${score.blown}.`}
        </p>
      )}
      {score && score.unsafe.some(({ what }) => what !== 'fuseBlown') && (
        <ul className={styles.unsafe}>
          {score.unsafe
            .filter(({ what }) => what !== 'fuseBlown')
            .map(({ what, times }) => (
              <li key={what}>
                {UNSAFE_WORDS[what]} {times > 1 && `${times} times.`}
              </li>
            ))}
        </ul>
      )}
      {score && score.unsafe.every(({ what }) => what === 'fuseBlown') && (
        <p>Nothing that could hurt: isolated first, nothing landed live.</p>
      )}
      <div className={styles.ways}>
        <Steps
          title="Your way"
          steps={entries.map(({ act, told }) => ({ words: actWords(board, act), read: readOf(told.at(-1)), sound: null }))}
        />
        <Steps
          title="The finder’s way"
          steps={way.steps.map(({ act, read, sound, shines }) => ({
            words: actWords(board, act),
            read: shines ? SHINE_WORDS[shines] : unit(act.kind, read),
            sound: unit(act.kind, sound),
          }))}
        />
      </div>
      <Button type="primary" onClick={onAgain}>
        Once more from the start
      </Button>
    </section>
  );
}

const unit = (kind: string, value: number | null) => (value === null ? null : `${formatNumber(value, 2)} ${kind === 'clamp' ? 'A' : 'V'}`);

function readOf(told: Entry['told'][number] | undefined): string | null {
  if (told?.kind === 'lamp') return SHINE_WORDS[told.shines];
  if (told?.kind !== 'volts' && told?.kind !== 'amps') return null;
  return `${formatNumber(told.value, 2)} ${told.kind === 'amps' ? 'A' : 'V'}`;
}

interface Told {
  words: string;
  read: string | null;
  sound: string | null;
}

function Steps({ title, steps }: { title: string; steps: readonly Told[] }) {
  const hasSound = steps.some(({ sound }) => sound !== null);
  return (
    <Table
      caption={title}
      columns={[
        { head: 'Act', cell: ({ words }) => words },
        { head: 'Read', as: 'figure', cell: ({ read }) => read },
        ...(hasSound ? [{ head: 'With nothing wrong', as: 'figure' as const, cell: ({ sound }: Told) => sound }] : []),
      ]}
      rows={steps}
      keyOf={(_, at) => at}
    />
  );
}
