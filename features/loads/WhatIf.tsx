'use client';

import { Button, Slider } from 'antd';
import { useMemo, useState } from 'react';
import { analyse } from '@/core/analysis/analyse';
import { applyUnchecked } from '@/core/design/change';
import { trialChange, trialsOf, type Trial } from '@/core/advice/whatIf';
import { formatTemperature } from '@/core/units/quantity';
import { dayWords, runtimeWords } from '@/core/wording/energyWords';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import styles from './BudgetView.module.css';

const SHOWN = 8;
const KINDS: Record<Trial['kind'], string> = { level: 'dimmed to', setC: 'set to', share: 'runs, of its hours' };

/** The largest users turned down to try: nothing is changed until it is taken. */
export function WhatIf() {
  const store = useDesignStore();
  const units = useUnits();
  const analysis = useDesign((state) => state.analysis);
  const [values, setValues] = useState<ReadonlyMap<string, number>>(new Map());
  const trials = useMemo(() => trialsOf(analysis, SHOWN), [analysis]);
  const { scenario, design } = analysis;
  const { withoutHours } = analysis.totals;
  const moved = trials.filter(({ loadId, value }) => values.has(loadId) && values.get(loadId) !== value);
  const tried = useMemo(() => {
    if (!scenario || moved.length === 0) return scenario;
    const change = trialChange(design, scenario.id, moved, values);
    return analyse(applyUnchecked(design, change), analysis).scenario;
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what moved follows from the trials and the values
  }, [analysis, trials, values]);
  if (!scenario || !tried || trials.length === 0) return null;
  const take = () => {
    store.commit('Turn down what was tried', (current) => trialChange(current, scenario.id, moved, values));
    setValues(new Map());
  };
  return (
    <section className={styles.card} aria-label="What if">
      <h3>What if</h3>
      <p className={styles.small}>Turn the largest down and see. The design stays as it is until you take it.</p>
      {trials.map((trial) => {
        const value = values.get(trial.loadId) ?? trial.value;
        const text = trial.kind === 'setC' ? formatTemperature(value, units) : `${Math.round(value)} %`;
        return (
          <div key={trial.loadId} className={styles.trial}>
            <span className={styles.trialName}>{trial.name}</span>
            <span className={styles.small}>{KINDS[trial.kind]}</span>
            <b className="reading">{text}</b>
            <Slider
              ariaLabelForHandle={`${trial.name}, ${KINDS[trial.kind]}`}
              ariaValueTextFormatterForHandle={() => text}
              min={trial.least}
              max={trial.most}
              step={trial.kind === 'setC' ? 1 : 5}
              value={value}
              tooltip={{ open: false }}
              disabled={trial.least === trial.most}
              onChange={(next) => setValues((now) => new Map(now).set(trial.loadId, next))}
            />
          </div>
        );
      })}
      <dl className={styles.outcome} aria-live="polite">
        <dt>A day</dt>
        <dd className="reading">
          {dayWords(tried.dailyWh, withoutHours)} <small>now {dayWords(scenario.dailyWh, withoutHours)}</small>
        </dd>
        <dt>Runs</dt>
        <dd className="reading">
          {runtimeWords(tried.runtimeH, withoutHours)} <small>now {runtimeWords(scenario.runtimeH, withoutHours)}</small>
        </dd>
      </dl>
      <p className={styles.bar}>
        <Button size="small" type="primary" disabled={moved.length === 0} onClick={take}>
          Take it
        </Button>
        <Button size="small" disabled={moved.length === 0} onClick={() => setValues(new Map())}>
          Put back
        </Button>
      </p>
    </section>
  );
}
