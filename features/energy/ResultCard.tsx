'use client';

import { nameOf } from '@/core/design/names';
import type { Forecast } from '@/core/energy/forecast';
import { formatHours, formatNumber, formatPercent, formatWattHours } from '@/core/units/quantity';
import { withoutHoursWords } from '@/core/wording/energyWords';
import { useDesign } from '@/features/design/DesignProvider';
import styles from './Energy.module.css';

/** What the draws came to: whether it lasts, what was cut, and where the energy went. */
export function ResultCard({ forecast, fresh }: { forecast: Forecast; fresh: boolean }) {
  const design = useDesign((state) => state.design);
  const unsaid = useDesign(({ analysis }) => analysis.totals.withoutHours);
  const { mean, chanceOfRunningOut: chance, days, cutLoads, medianFirstCutH, draws, storedWh } = forecast;
  const verdict =
    chance === 0
      ? 'lasts in every draw'
      : chance === 1
        ? 'runs out in every draw'
        : `runs out in ${formatPercent(chance * 100)} of the draws`;
  const book: [string, number][] = [
    ['Sun', mean.sunWh],
    ['Driving', mean.vehicleWh],
    ['Hookup', mean.shoreWh],
    ['From the battery', -storedWh],
    ['Loads', -mean.loadsWh],
    ['Lost in charging', -mean.chargingWh],
    ['Lost to fast draw', -mean.rateWh],
    ['Lost as heat inside', -mean.heatWh],
    ['Lost while standing', -mean.selfWh],
  ];
  return (
    <section className={styles.card} aria-label="How it goes" aria-busy={!fresh}>
      <h3>How it goes</h3>
      <p className={styles.verdict} data-tone={chance === 0 && unsaid === 0 ? 'ok' : chance < 0.2 ? 'caution' : 'fault'}>
        {days === 1 ? 'One day' : `${days} days`}: {verdict}. {withoutHoursWords(unsaid)}
      </p>
      <dl className={styles.facts}>
        <dt>First cut, middle draw</dt>
        <dd className="reading">{medianFirstCutH === null ? 'never' : `after ${formatHours(medianFirstCutH)}`}</dd>
        <dt>Hours unserved, mean</dt>
        <dd className="reading">{formatNumber(mean.unservedH, 1)} h</dd>
        <dt>Emptiest, mean</dt>
        <dd className="reading">{formatPercent(mean.leastShare * 100)}</dd>
        <dt>Offered, not taken</dt>
        <dd className="reading">{formatWattHours(mean.spilledWh)}</dd>
      </dl>
      <h4>Where it came from and went, a day</h4>
      <dl className={styles.facts}>
        {book
          .filter(([, wattHours]) => Math.abs(wattHours / days) >= 0.5)
          .map(([name, wattHours]) => (
            <Entry key={name} name={name} wattHours={wattHours / days} />
          ))}
      </dl>
      {cutLoads.length > 0 && (
        <>
          <h4>Cut, hours in the mean</h4>
          <dl className={styles.facts}>
            {cutLoads.slice(0, 5).map(({ loadId, hours }) => (
              <div key={loadId} className={styles.pair}>
                <dt>{nameOf(design, loadId)}</dt>
                <dd className="reading">{formatNumber(hours, 1)} h</dd>
              </div>
            ))}
          </dl>
        </>
      )}
      <p className={styles.small}>
        {draws > 1 ? `${draws} weathers, seed ${forecast.seed}: the same seed gives the same days.` : 'One weather.'} From full.
      </p>
    </section>
  );
}

function Entry({ name, wattHours }: { name: string; wattHours: number }) {
  return (
    <div className={styles.pair}>
      <dt>{name}</dt>
      <dd className="reading">
        {wattHours < 0 ? '−' : '+'}
        {formatWattHours(Math.abs(wattHours))}
      </dd>
    </div>
  );
}
