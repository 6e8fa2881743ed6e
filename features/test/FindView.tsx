'use client';

import { Button, Segmented, Select } from 'antd';
import { Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import type { CircuitAnalysis } from '@/core/analysis/types';
import { recordsOf } from '@/core/design/design';
import { sameRecord } from '@/core/design/change';
import { Edit } from '@/core/design/edit';
import { nameOf } from '@/core/design/names';
import type { NextMeasure, Observed } from '@/core/diagnosis/diagnose';
import type { Moved, Seen } from '@/core/diagnosis/foresee';
import { lastReadings, unitOf } from '@/core/diagnosis/readings';
import { movesFor } from '@/core/diagnosis/moves';
import { plusDays, today } from '@/core/units/days';
import { formatNumber } from '@/core/units/quantity';
import { movesWords } from '@/core/wording/benchWords';
import { flawWords, measurementWords, worthWords } from '@/core/wording/flawWords';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { ReadingField } from './ReadingField';
import { useDiagnosis } from './useDiagnosis';
import { Suspects } from './Suspects';
import { useFindNotes, type FindNotes } from './useFindNotes';
import { useWireNumbers } from './useWireNumbers';
import shared from '../harness/Harness.module.css';
import styles from './Test.module.css';

interface FindViewProps {
  circuit: CircuitAnalysis;
  moved: readonly Moved[];
  batteryV: number | null;
}

type Does = Seen['does'] | 'unseen';

const DOES: { value: Does; label: string }[] = [
  { value: 'unseen', label: 'not seen' },
  { value: 'on', label: 'works' },
  { value: 'dim', label: 'weak' },
  { value: 'off', label: 'dead' },
];

/** Measurements offered. */
const MOST_OFFERED = 3;

/** What is seen and read goes in, what is likely wrong and what to measure next comes out. */
export function FindView({ circuit, moved: whileOn, batteryV }: FindViewProps) {
  const design = useDesign((state) => state.design);
  const designId = useDesign(({ id }) => id);
  const [notes, setNotes] = useFindNotes(designId, circuit.id);
  const { should, does, sound } = notes;
  const loads = useDesign(({ analysis }) => analysis.index.loads);
  // What was taken out of the design since works no more.
  const works = useMemo(() => notes.works.filter((id) => loads.some((load) => load.id === id)), [notes.works, loads]);
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  const moved = useMemo(() => (should === 'on' ? whileOn : []), [should, whileOn]);
  // What works meanwhile has its own switch on; readings are kept by what is moved for this circuit alone.
  const movedInAll = useMemo(
    () => (should === 'on' && works.length > 0 ? (movesFor(index, wiring, [...circuit.loadIds, ...works]) ?? whileOn) : moved),
    [index, wiring, circuit, works, should, whileOn, moved],
  );
  const numbers = useWireNumbers();
  const since = plusDays(today(), -1);
  const kept = lastReadings(design).filter((one) => sameRecord(one.moved, moved));
  const taken = kept.filter(({ on }) => on >= since);
  const seen = [
    ...circuit.loadIds.flatMap((loadId): Seen[] => {
      const is = does[loadId];
      return is === undefined ? [] : [{ loadId, does: is }];
    }),
    ...works.map((loadId): Seen => ({ loadId, does: 'on' })),
  ];
  const observed: Observed = {
    batteryV,
    seen,
    readings: taken.map(({ what, value, batteryV: atV }) => ({ ...what, value, batteryV: atV })),
  };
  const loadIds = [...circuit.loadIds, ...works];
  const isAsked =
    seen.some(({ does: is, loadId }) => circuit.loadIds.includes(loadId) && (is !== should || is === 'on')) || taken.length > 0;
  const { answer, isNew } = useDiagnosis(isAsked ? { ask: 'find', loadIds, moved: movedInAll, observed, sound } : null);
  const diagnosis = isAsked && answer && 'diagnosis' in answer ? answer.diagnosis : null;
  return (
    <div className={shared.view} role="region" aria-label="Find a fault" tabIndex={0}>
      <div className={styles.seen}>
        <span>
          <Segmented<'on' | 'off'>
            size="small"
            aria-label="What it should do"
            value={should}
            onChange={(next) => setNotes({ ...notes, should: next })}
            options={[
              { value: 'on', label: 'should work' },
              { value: 'off', label: 'should be off' },
            ]}
          />{' '}
          with {movesWords(design, moved)}
        </span>
        {circuit.loadIds.map((loadId) => (
          <span key={loadId} className={styles.load}>
            {nameOf(design, loadId)}
            <Segmented<Does>
              aria-label={`What ${nameOf(design, loadId)} does`}
              value={does[loadId] ?? 'unseen'}
              options={DOES}
              onChange={(value) => setNotes({ ...notes, does: seenAs(does, loadId, value) })}
            />
          </span>
        ))}
        <label>
          <span>works meanwhile</span>
          <Select<string[]>
            mode="multiple"
            aria-label="Other loads that work meanwhile"
            placeholder="others that work"
            value={works}
            style={{ minWidth: 200 }}
            optionFilterProp="label"
            options={loads.filter(({ id }) => !circuit.loadIds.includes(id)).map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(next) => setNotes({ ...notes, works: next })}
          />
        </label>
      </div>
      <p className={shared.soft}>
        Look, listen and feel first: which positions work, what clicks, what is warm. Covers come off with the battery isolated; leads go
        on, then the battery. An ohm range never goes on a live wire.
      </p>
      {notes.mended !== null && (
        <p role="status">
          Written into the logbook. Prove it: {notes.mended} Where it is still not right a second fault hid behind the first: say what it
          does now, and go on.
        </p>
      )}
      {!isAsked && <p>Say what it does, or take a reading, and the likeliest causes stand here.</p>}
      {isAsked && !diagnosis && <p role="status">Trying every fault there may be …</p>}
      {answer && 'problem' in answer && <p role="alert">{answer.problem}</p>}
      {diagnosis && (
        <div className={styles.answer} data-new={isNew}>
          <Suspects diagnosis={diagnosis} numbers={numbers} notes={notes} onNotes={setNotes} taken={taken} />
          <Measures next={diagnosis.next} moved={moved} batteryV={batteryV} since={since} numbers={numbers} />
        </div>
      )}
      <Taken ids={taken.map(({ id }) => id)} numbers={numbers} />
      {kept.length > taken.length && (
        <p className={shared.soft}>
          {kept.length - taken.length === 1 ? 'A reading' : `${kept.length - taken.length} readings`} of earlier days{' '}
          {kept.length - taken.length === 1 ? 'is' : 'are'} not counted: since then something has changed.
        </p>
      )}
    </div>
  );
}

type Numbers = ReturnType<typeof useWireNumbers>;

/** What a load does, with one of them seen anew or no longer. */
function seenAs(does: FindNotes['does'], loadId: string, value: Does): FindNotes['does'] {
  const others = Object.fromEntries(Object.entries(does).filter(([id]) => id !== loadId));
  return value === 'unseen' ? others : { ...others, [loadId]: value };
}

interface MeasuresProps {
  next: readonly NextMeasure[];
  moved: readonly Moved[];
  batteryV: number | null;
  since: string;
  numbers: Numbers;
}

function Measures({ next, moved, batteryV, since, numbers }: MeasuresProps) {
  const design = useDesign((state) => state.design);
  if (next.length === 0) {
    return (
      <section aria-label="Measure next">
        <h3>Measure next</h3>
        <p>No meter tells more in this state. Mend what is likeliest and prove it.</p>
      </section>
    );
  }
  return (
    <section aria-label="Measure next">
      <h3>Measure next</h3>
      <ol className={styles.measures}>
        {next.slice(0, MOST_OFFERED).map(({ what, bits, minutes, answers }) => {
          const words = measurementWords(design, what, numbers);
          const unit = unitOf(what);
          return (
            <li key={words}>
              <span className={styles.where}>{words}</span>
              <ReadingField label={`Reading: ${words}`} what={what} moved={moved} batteryV={batteryV} since={since} />
              <small>
                {worthWords(bits)}, about {minutes} min
              </small>
              <ul className={styles.meanings}>
                {answers.slice(0, 3).map(({ low, high, flaw }, at) => {
                  const { fault, where } = flawWords(design, flaw, numbers);
                  return (
                    <li key={at}>
                      <b className="reading">{rangeWords(low, high, unit)}</b> {fault}, {where}
                    </li>
                  );
                })}
              </ul>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function rangeWords(low: number, high: number, unit: string): string {
  const [a, b] = [formatNumber(low, 1), formatNumber(high, 1)];
  return a === b ? `about ${a} ${unit}` : `${a} to ${b} ${unit}`;
}

/** Readings taken in this state, each to be taken back. */
function Taken({ ids, numbers }: { ids: readonly string[]; numbers: Numbers }) {
  const design = useDesign((state) => state.design);
  const { commit, refusal } = useRefusal();
  const records = recordsOf(design, 'reading').filter(({ id }) => ids.includes(id));
  if (records.length === 0) return null;
  const remove = (gone: readonly string[]) =>
    commit(gone.length === 1 ? 'Remove a reading' : 'Remove these readings', (now) => {
      const edit = new Edit(now);
      gone.forEach((id) => edit.remove(id));
      return edit.change;
    });
  return (
    <section aria-label="Readings taken" className={styles.taken}>
      <h3>
        Readings taken{' '}
        <Button size="small" onClick={() => remove(ids)}>
          Mended: begin anew
        </Button>
      </h3>
      {refusal}
      <ul>
        {records.map(({ id, what, value, batteryV, on }) => (
          <li key={id}>
            <b className="reading">
              {formatNumber(value, 2)} {unitOf(what)}
            </b>{' '}
            {measurementWords(design, what, numbers)}
            <small>
              {batteryV === null ? '' : `battery ${formatNumber(batteryV, 2)} V, `}
              {on}
            </small>
            <Button size="small" aria-label={`Remove the reading ${value}`} icon={<Trash2 size={14} />} onClick={() => remove([id])} />
          </li>
        ))}
      </ul>
    </section>
  );
}
