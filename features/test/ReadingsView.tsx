'use client';

import { Button, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { LIMITS } from '@/core/catalog/vocabulary';
import { Edit } from '@/core/design/edit';
import { setTrial, trialResults, type TrialResult } from '@/core/plan/trialResults';
import type { Trial } from '@/core/plan/trials';
import { trialWords } from '@/core/wording/planWords';
import { useRefusal } from '@/features/design/useRefusal';
import type { Expected } from '@/core/diagnosis/expect';
import type { Measurement } from '@/core/diagnosis/diagnose';
import { atBattery, readingOf, unitOf } from '@/core/diagnosis/readings';
import { verdictOf, type Verdict } from '@/core/diagnosis/verdict';
import type { Moved } from '@/core/diagnosis/foresee';
import { formatNumber } from '@/core/units/quantity';
import { movesWords } from '@/core/wording/benchWords';
import { measurementWords } from '@/core/wording/flawWords';
import { useDesign } from '@/features/design/DesignProvider';
import { FitCard } from './FitCard';
import { ReadingField } from './ReadingField';
import { useDiagnosis } from './useDiagnosis';
import { useWireNumbers } from './useWireNumbers';
import { today } from '@/core/units/days';
import shared from '../harness/Harness.module.css';
import styles from './Test.module.css';

interface ReadingsViewProps {
  /** The points that are read. */
  points: readonly Measurement[];
  /** What is tried beside. */
  trials: readonly Trial[];
  moved: readonly Moved[];
  batteryV: number | null;
  onFind(): void;
}

const VERDICT_WORDS: Record<Verdict, string> = { pass: 'as it should be', doubtful: 'doubtful', fail: 'out' };

/** What every point should read while something works, what was read, and whether that is so. */
export function ReadingsView({ points, trials, moved, batteryV, onFind }: ReadingsViewProps) {
  const design = useDesign((state) => state.design);
  const { answer } = useDiagnosis({ ask: 'expect', moved, batteryV, points });
  const expected = answer && 'expected' in answer && answer.expected.length === points.length ? answer.expected : null;
  const verdicts = expected?.map((one) => {
    const kept = readingOf(design, one.what, moved);
    return kept ? verdictOf(atBattery(kept, batteryV), one) : null;
  });
  const isOut = verdicts?.some((verdict) => verdict === 'fail' || verdict === 'doubtful') ?? false;
  return (
    <div className={shared.view} role="region" aria-label="Readings" tabIndex={0}>
      <p className={styles.do}>
        Do this: <b>{movesWords(design, moved)}</b>. Then read, black on the battery’s minus unless it says otherwise.
      </p>
      {answer && 'problem' in answer && <p role="alert">{answer.problem}</p>}
      {!expected && !(answer && 'problem' in answer) && <p role="status">Working out what each point should read …</p>}
      {expected && (
        <ul className={styles.points}>
          {expected.map((one, at) => (
            <Point key={at} expected={one} verdict={verdicts![at]!} moved={moved} batteryV={batteryV} />
          ))}
        </ul>
      )}
      {isOut && (
        <Button type="primary" onClick={onFind}>
          Find what is wrong
        </Button>
      )}
      <Trials trials={trials} />
      <FitCard />
      <p className={shared.soft}>
        Between the two figures nineteen of twenty vehicles built to this plan read: draws, lengths, joints and warmth as they come, and the
        meter. Give the battery’s voltage of the moment and all of them follow. A meter alone reads ghosts on an open wire: a small lamp
        beside it kills them.
      </p>
    </div>
  );
}

/** What is tried beside what is read. */
function Trials({ trials }: Pick<ReadingsViewProps, 'trials'>) {
  const design = useDesign((state) => state.design);
  const { commit, refusal } = useRefusal();
  const results = useMemo(() => trialResults(design), [design]);
  if (trials.length === 0) return null;
  return (
    <section aria-label="Tried beside" className={styles.trials}>
      <h3>Tried beside</h3>
      {refusal}
      <ul>
        {trials.map((trial) => {
          const { act, should } = trialWords(design, trial);
          const result = results.get(trial.key);
          return (
            <li key={trial.key} data-verdict={result === 'passed' ? 'pass' : result === 'failed' ? 'fail' : 'none'}>
              <span>
                {act}
                <small>Should be: {should}</small>
              </span>
              <Segmented<TrialResult | 'open'>
                aria-label={`How it went: ${act}`}
                value={result ?? 'open'}
                options={[
                  { value: 'open', label: 'not yet' },
                  { value: 'passed', label: 'as it should' },
                  { value: 'failed', label: 'not so' },
                ]}
                onChange={(next) =>
                  commit(`Tried: ${act}`.slice(0, LIMITS.nameLength), (now) => {
                    const edit = new Edit(now);
                    setTrial(edit, trial.key, next === 'open' ? null : next, today());
                    return edit.change;
                  })
                }
              />
            </li>
          );
        })}
      </ul>
    </section>
  );
}

interface PointProps {
  expected: Expected;
  verdict: Verdict | null;
  moved: readonly Moved[];
  batteryV: number | null;
}

function Point({ expected: { what, expected, low, high }, verdict: judged, moved, batteryV }: PointProps) {
  // While something else is typed, the verdict on what is kept says nothing of it.
  const [isDraft, setDraft] = useState(false);
  const verdict = isDraft ? null : judged;
  const design = useDesign((state) => state.design);
  const numbers = useWireNumbers();
  const words = measurementWords(design, what, numbers);
  const kept = useDesign((state) => readingOf(state.design, what, moved));
  const unit = unitOf(what);
  const isOld = kept !== null && kept.on !== today();
  const off = kept ? atBattery(kept, batteryV) - expected : 0;
  return (
    <li data-verdict={verdict ?? 'none'}>
      <span className={styles.where}>{words}</span>
      <span className={styles.should}>
        <b className="reading">
          {formatNumber(expected, 2)} {unit}
        </b>
        <small>
          {formatNumber(low, 2)} to {formatNumber(high, 2)}
        </small>
      </span>
      <ReadingField label={words} what={what} moved={moved} batteryV={batteryV} onDraft={setDraft} />
      <span className={styles.verdict} role="status">
        {verdict &&
          `${VERDICT_WORDS[verdict]}${verdict === 'pass' ? '' : `, ${off > 0 ? '+' : '−'}${formatNumber(Math.abs(off), 2)} ${unit}`}${isOld ? `, read ${kept.on}` : ''}`}
      </span>
    </li>
  );
}
