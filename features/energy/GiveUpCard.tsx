'use client';

import { nameOf } from '@/core/design/names';
import { giveUps } from '@/core/energy/giveUps';
import { formatHours, formatWattHours } from '@/core/units/quantity';
import { useDesign } from '@/features/design/DesignProvider';
import styles from './Energy.module.css';

/** What going without each load would add. */
export function GiveUpCard() {
  const scenario = useDesign(({ analysis }) => analysis.scenario);
  const design = useDesign((state) => state.design);
  const loads = useDesign(({ analysis }) => analysis.loads);
  if (!scenario || scenario.runtimeH === null) return null;
  const list = giveUps(scenario.loads, scenario.dailyAh, scenario.runtimeH, (id) => loads.get(id)?.load.critical ?? false).slice(0, 6);
  const sums = list.reduce<number[]>((sum, { gainedH }) => [...sum, (sum.at(-1) ?? 0) + gainedH], []);
  const enough = sums.findIndex((sum) => sum >= 24);
  return (
    <section className={styles.card} aria-label="To last one more day">
      <h3>To last one more day</h3>
      <p className={styles.small}>
        Runs {formatHours(scenario.runtimeH)} without charging.{' '}
        {enough < 0
          ? 'All of these together do not add a day.'
          : enough === 0
            ? 'The first alone adds a day.'
            : `The first ${enough + 1} together add a day.`}
      </p>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">Going without</th>
            <th scope="col">saves a day</th>
            <th scope="col">adds runtime</th>
            <th scope="col">at half use</th>
          </tr>
        </thead>
        <tbody>
          {list.map(({ loadId, wattHours, gainedH, halfGainedH }) => (
            <tr key={loadId}>
              <td>{nameOf(design, loadId)}</td>
              <td className="reading">{formatWattHours(wattHours)}</td>
              <td className="reading">{formatHours(gainedH)}</td>
              <td className="reading">{formatHours(halfGainedH)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
