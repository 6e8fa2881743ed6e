'use client';

import { Segmented } from 'antd';
import { Check } from 'lucide-react';
import { useMemo, useState } from 'react';
import { WIRE_STEPS, type WireStep } from '@/core/catalog/vocabulary';
import { Edit } from '@/core/design/edit';
import { isMade, madeOf, stepsOf, tick } from '@/core/harness/making';
import type { HarnessWire } from '@/core/harness/harnessWire';
import type { Harness } from '@/core/harness/schedule';
import { lookWords } from '@/core/catalog/wireColours';
import { formatConductor, formatLength } from '@/core/units/quantity';
import { endWords, STEP_WORDS } from '@/core/wording/harnessWords';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { scheduleGroups, swatchOf, type WireGrouping, type WireRow } from './scheduleColumns';
import { useMakingDays } from './useMakingDays';
import shared from './Harness.module.css';
import styles from './Making.module.css';

interface MakingViewProps {
  harness: Harness;
  grouping: WireGrouping;
  find: string;
}

/**
 * Every wire with what is done of its making, ticked with a thumb: cut, stripped, crimped, labelled, pulled. Ticks made without a
 * connection are kept and sent later.
 */
export function MakingView({ harness, grouping, find }: MakingViewProps) {
  const analysis = useDesign((state) => state.analysis);
  const [shown, setShown] = useState<'open' | 'all'>('open');
  // What was finished here stays in sight, or a slip of the thumb could not be put right.
  const [finished, setFinished] = useState<ReadonlySet<string>>(new Set());
  const { commit, refusal } = useRefusal();
  const days = useMakingDays(harness, grouping);
  const groups = useMemo(() => scheduleGroups(analysis, harness, grouping, find, days), [analysis, harness, grouping, find, days]);
  const { done, of } = madeOf(harness.wires);
  const mark = (lines: readonly HarnessWire[], step: WireStep, isDone: boolean) => {
    const ids = lines.map(({ wire }) => wire.id);
    setFinished(new Set([...finished, ...ids]));
    const name = lines.length === 1 ? `Wire ${lines[0]!.number}: ${STEP_WORDS[step]}` : `${lines.length} wires: ${STEP_WORDS[step]}`;
    commit(name, (now) => {
      const edit = new Edit(now);
      tick(edit, ids, step, isDone);
      return edit.change;
    });
  };
  const isShown = ({ line }: WireRow) => shown === 'all' || !isMade(line.wire) || finished.has(line.wire.id);
  const visible = groups.map((group) => ({ ...group, rows: group.rows.filter(isShown) })).filter(({ rows }) => rows.length > 0);
  return (
    <div className={shared.view} role="region" aria-label="Making the wires" tabIndex={0}>
      <div className={styles.bar}>
        <Segmented<'open' | 'all'>
          size="small"
          aria-label="Which wires"
          value={shown}
          onChange={(value) => {
            setShown(value);
            setFinished(new Set());
          }}
          options={[
            { value: 'open', label: 'Left to do' },
            { value: 'all', label: 'All' },
          ]}
        />
        <span role="status">
          <b className="reading">{done}</b> of <b className="reading">{of}</b> steps done
        </span>
        {refusal}
      </div>
      {visible.length === 0 && <p className={shared.soft}>{find ? 'No wire is found so.' : 'Every wire is made and pulled.'}</p>}
      {visible.map((group) => (
        <section key={group.id} aria-label={group.title || 'Wires'} className={styles.group}>
          <h3>
            {group.title || 'Wires'}
            <span className={styles.all}>
              {WIRE_STEPS.map((step) => (
                <button
                  key={step}
                  type="button"
                  aria-label={`All of ${group.title || 'them'}: ${STEP_WORDS[step]}`}
                  onClick={() =>
                    mark(
                      group.rows.map(({ line }) => line),
                      step,
                      true,
                    )
                  }
                >
                  all {STEP_WORDS[step]}
                </button>
              ))}
            </span>
          </h3>
          {group.rows.map((row) => (
            <Line key={row.id} row={row} onMark={(step, isDone) => mark([row.line], step, isDone)} />
          ))}
        </section>
      ))}
    </div>
  );
}

function Line({ row: { line, from, to }, onMark }: { row: WireRow; onMark(step: WireStep, isDone: boolean): void }) {
  const units = useUnits();
  const { wire, number, look, lengthMm } = line;
  return (
    <div className={styles.line} role="group" aria-label={`Wire ${number}`} data-made={isMade(wire)}>
      <b className="reading">{number}</b>
      <span className={styles.what}>
        <span>
          {look && <i aria-hidden className={shared.swatch} style={{ background: swatchOf(look) }} />} {formatConductor(wire.conductor)}
          {look && ` ${lookWords(look)}`}, <b>{formatLength(lengthMm, units)}</b>
        </span>
        <small>
          {from} ({endWords(line.from.ending)}) to {to} ({endWords(line.to.ending)})
        </small>
      </span>
      <span className={styles.steps}>
        {WIRE_STEPS.map((step) => {
          const isDone = wire.made?.includes(step) ?? false;
          return stepsOf(wire).includes(step) ? (
            <button
              key={step}
              type="button"
              aria-pressed={isDone}
              aria-label={`${number} ${STEP_WORDS[step]}`}
              onClick={() => onMark(step, !isDone)}
            >
              {isDone && <Check aria-hidden size={15} />}
              {STEP_WORDS[step]}
            </button>
          ) : (
            <span key={step} aria-hidden />
          );
        })}
      </span>
    </div>
  );
}
