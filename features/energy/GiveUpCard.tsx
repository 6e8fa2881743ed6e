'use client';

import { nameOf } from '@/core/design/names';
import { giveUps } from '@/core/energy/giveUps';
import { formatHours, formatWattHours } from '@/core/units/quantity';
import { runtimeWords } from '@/core/wording/energyWords';
import { useDesign } from '@/features/design/DesignProvider';
import { Table } from '@/ui/Table';
import styles from './Energy.module.css';

/** What going without each load would add. */
export function GiveUpCard() {
  const scenario = useDesign(({ analysis }) => analysis.scenario);
  const design = useDesign((state) => state.design);
  const loads = useDesign(({ analysis }) => analysis.loads);
  const withoutHours = useDesign(({ analysis }) => analysis.totals.withoutHours);
  if (!scenario || scenario.runtimeH === null) return null;
  const list = giveUps(scenario.loads, scenario.dailyAh, scenario.runtimeH, (id) => loads.get(id)?.load.critical ?? false).slice(0, 6);
  const sums = list.reduce<number[]>((sum, { gainedH }) => [...sum, (sum.at(-1) ?? 0) + gainedH], []);
  const enough = sums.findIndex((sum) => sum >= 24);
  return (
    <section className={styles.card} aria-label="To last one more day">
      <h3>To last one more day</h3>
      <p className={styles.small}>
        Runs {runtimeWords(scenario.runtimeH, withoutHours)} without charging.{' '}
        {enough < 0
          ? 'All of these together do not add a day.'
          : enough === 0
            ? 'The first alone adds a day.'
            : `The first ${enough + 1} together add a day.`}
      </p>
      <Table
        columns={[
          { head: 'Going without', cell: ({ loadId }) => nameOf(design, loadId) },
          { head: 'saves a day', as: 'figure', cell: ({ wattHours }) => formatWattHours(wattHours) },
          { head: 'adds runtime', as: 'figure', cell: ({ gainedH }) => formatHours(gainedH) },
          { head: 'at half use', as: 'figure', cell: ({ halfGainedH }) => formatHours(halfGainedH) },
        ]}
        rows={list}
        keyOf={({ loadId }) => loadId}
      />
    </section>
  );
}
