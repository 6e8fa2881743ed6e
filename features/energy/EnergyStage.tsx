'use client';

import { FORECAST_DRAWS, FORECAST_SEED } from '@/core/energy/usualQuestions';
import { Button, Progress, Segmented } from 'antd';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { dayStack } from '@/core/energy/dayStack';
import { settingOf } from '@/core/energy/setting';
import { useDesign } from '@/features/design/DesignProvider';
import { ScenarioBar } from '@/features/loads/ScenarioBar';
import { EmptyStage } from '@/ui/EmptyStage';
import { Stepper } from '@/ui/Stepper';
import { later } from '@/ui/later';
import { usePreload } from '@/ui/usePreload';
import { ChargeChart } from './ChargeChart';
import { dateOf } from './dates';
import { DayChart } from './DayChart';
import { ModelNotes } from './ModelNotes';
import { ResultCard } from './ResultCard';
import { SettingCard } from './SettingCard';
import { GiveUpCard } from './GiveUpCard';
import { UseBands } from './UseBands';
import { useDays } from './useDays';
import { YearMap } from './YearMap';
import styles from './Energy.module.css';

// Below the first screen: they bring their own code.
const TradeCard = later(() => import('./TradeCard').then(({ TradeCard: card }) => card));
const MeasuredCard = later(() => import('./MeasuredCard').then(({ MeasuredCard: card }) => card));

const OPENED_LATER = [TradeCard, MeasuredCard];

const YEAR_DRAWS = 60;

/** Stage Energy: what a day costs and brings, and how the days go under weather drawn again and again. */
export function EnergyStage() {
  usePreload(OPENED_LATER);
  const designId = useDesign((state) => state.id);
  const index = useDesign(({ analysis }) => analysis.index);
  const chosenId = useDesign(({ analysis }) => analysis.scenario?.id ?? null);
  const bank = useDesign(({ analysis }) => analysis.bank);
  const scenario = index.scenarios.find(({ id }) => id === chosenId);
  const [span, setSpan] = useState<'days' | 'year'>('days');
  const [wantedDay, setDay] = useState(0);
  const year = span === 'year';
  const days = useDays(
    scenario
      ? { ask: 'forecast', scenarioId: scenario.id, year, draws: year ? YEAR_DRAWS : FORECAST_DRAWS, seed: FORECAST_SEED, startShare: 1 }
      : null,
    true,
  );
  const forecast = days.answer && 'forecast' in days.answer ? days.answer.forecast : null;
  const lastDay = (scenario ? settingOf(scenario).days : 1) - 1;
  const day = Math.min(wantedDay, lastDay);
  const stack = useMemo(() => (scenario ? dayStack(index, scenario, day) : null), [index, scenario, day]);

  if (!scenario || !index.battery || !bank || !stack) {
    return (
      <EmptyStage
        title="How long it lasts"
        text="With a battery, a scenario and hours of use, this shows the day hour by hour, and the days to come under many weathers."
      >
        <Link href={`/d/${designId}/${index.battery ? 'loads' : 'supply'}`}>
          {index.battery ? 'Add a scenario and hours of use on Loads' : 'Put in a battery on Supply'}
        </Link>
      </EmptyStage>
    );
  }
  return (
    <div className={styles.stage}>
      <div className={styles.toolbar}>
        <h2>Energy</h2>
        <ScenarioBar />
        <Segmented<'days' | 'year'>
          aria-label="How long"
          value={span}
          onChange={setSpan}
          options={[
            { value: 'days', label: lastDay === 0 ? 'Its day' : `Its ${lastDay + 1} days` },
            { value: 'year', label: 'A year' },
          ]}
        />
        {days.done !== null && (
          <span className={styles.progress} role="status">
            <Progress percent={Math.round(days.done * 100)} size="small" aria-label="Weathers lived through" />
            <Button size="small" onClick={days.cancel}>
              Stop
            </Button>
          </span>
        )}
        {days.stopped && !days.fresh && (
          <Button size="small" onClick={days.ask}>
            Go on
          </Button>
        )}
      </div>
      <div className={styles.body}>
        <div className={styles.main}>
          <section className={styles.card} aria-label="The day">
            {lastDay > 0 && (
              <div className={styles.dayPick}>
                <Stepper
                  label="Day shown"
                  text={dateOf(settingOf(scenario).startDay + day)}
                  at={day}
                  count={lastDay + 1}
                  onStep={(by) => setDay(Math.max(0, Math.min(lastDay, day + by)))}
                />
              </div>
            )}
            <DayChart day={stack} />
          </section>
          {forecast ? (
            <section className={styles.card} aria-label="The days" aria-busy={!days.fresh}>
              <ChargeChart forecast={forecast} floorPercent={(1 - bank.usableDepth) * 100} />
              {forecast.days > 31 && <YearMap forecast={forecast} />}
            </section>
          ) : (
            <section className={`${styles.card} ${styles.waiting}`} aria-label="The days" aria-busy>
              Living through {year ? YEAR_DRAWS : FORECAST_DRAWS} weathers…
            </section>
          )}
          <UseBands scenario={scenario} />
          <TradeCard scenarioId={scenario.id} />
          <MeasuredCard day={stack} />
          <ModelNotes />
        </div>
        <aside className={styles.side}>
          {forecast ? (
            <ResultCard forecast={forecast} fresh={days.fresh} />
          ) : (
            <section className={`${styles.card} ${styles.waiting}`} aria-hidden />
          )}
          <SettingCard scenario={scenario} />
          <GiveUpCard />
        </aside>
      </div>
    </div>
  );
}
