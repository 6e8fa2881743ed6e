'use client';

import { Button, Select } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import type { Duty, Log } from '@/core/design/schema';
import { LIMITS } from '@/core/catalog/vocabulary';
import type { DayStack } from '@/core/energy/dayStack';
import { keepLog, logOfReadings, openLog } from '@/core/energy/keptLog';
import { ampsAt } from '@/core/energy/loadLines';
import { measureDays } from '@/core/energy/measuredDay';
import { MOST_LOG_BYTES } from '@/core/formats/monitorLog';
import type { MonitorLog } from '@/core/energy/monitored';
import { nameOf } from '@/core/design/names';
import { formatAmps, formatNumber, formatVolts, formatWattHours } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { FileChoice } from '@/ui/FileChoice';
import { Table } from '@/ui/Table';
import { MeasuredChart } from './MeasuredChart';
import { TakeLog } from './TakeLog';
import { useLiveMonitor } from './useLiveMonitor';
import styles from './Energy.module.css';

/** What a battery monitor read against the plan: the day's energy, and load by load the hours that switching shows. */
export function MeasuredCard({ day }: { day: DayStack }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const logs = useDesign(({ analysis }) => analysis.index.logs);
  const scenario = useDesign(({ analysis }) => analysis.scenario);
  const chooser = useRef<HTMLInputElement>(null);
  const [chosenId, choose] = useState<string | null>(null);
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [problems, setProblems] = useState<string[]>([]);
  const kept = logs.find(({ id }) => id === chosenId) ?? logs.at(-1) ?? null;
  const keep = (wanted: string, log: MonitorLog) => {
    const name = wanted.replace(/[\u0000-\u001f\u007f]/g, '').trim().slice(0, LIMITS.nameLength) || 'Log'; // prettier-ignore
    const record: Log = { id: newId('log'), type: 'log', name, ...keepLog(log) };
    store.commit(`Keep ${name}`, () => ({ added: [record], updated: [], removed: [] }));
    choose(record.id);
  };
  const live = useLiveMonitor((readings) => {
    const log = logOfReadings(readings);
    keep(`Live, ${log.fromDay}`, log);
  });
  const heard = live.readings;
  const lastHeard = heard.at(-1);
  const take = async (chosen: File) => {
    if (chosen.size > MOST_LOG_BYTES) return setProblems([`${chosen.name} is larger than ${MOST_LOG_BYTES / 1_000_000} MB`]);
    setProblems([]);
    setFile({ name: chosen.name, text: await chosen.text() });
  };
  if (!scenario) return null;
  const shown = live.listening ? (heard.length > 1 ? logOfReadings(heard) : null) : kept && openLog(kept);
  return (
    <section className={styles.card} aria-label="Measured">
      <div className={styles.row}>
        <h3>Measured</h3>
        {logs.length > 0 && !live.listening && (
          <>
            <Select
              size="small"
              aria-label="Log shown"
              value={kept?.id}
              style={{ minWidth: 190 }}
              popupMatchSelectWidth={false}
              onChange={choose}
              options={logs.map(({ id, name, fromDay }) => ({ value: id, label: name.includes(fromDay) ? name : `${name}, ${fromDay}` }))}
            />
            <Button
              size="small"
              aria-label={`Remove ${kept!.name}`}
              onClick={() => store.commit(`Remove ${kept!.name}`, () => ({ added: [], updated: [], removed: [kept!] }))}
            >
              Remove
            </Button>
          </>
        )}
        {live.listening ? (
          <Button size="small" type="primary" onClick={live.stop}>
            Stop and keep
          </Button>
        ) : (
          <>
            <Button size="small" onClick={() => chooser.current?.click()}>
              Take a monitor’s log
            </Button>
            <Button size="small" onClick={live.listen}>
              Listen live
            </Button>
          </>
        )}
        {live.listening && (
          <span className={styles.live} role="status">
            {lastHeard
              ? `${heard.length} readings; now ${formatVolts(lastHeard.volts)}, ${formatAmps(Math.abs(lastHeard.amps))} ${lastHeard.amps < 0 ? 'in' : 'out'}`
              : 'listening …'}
          </span>
        )}
      </div>
      {live.trouble && (
        <p role="alert" className={styles.faults}>
          {live.trouble[0]!.toUpperCase() + live.trouble.slice(1)}. A monitor is simulated on this machine by <code>npm run monitor</code>.
        </p>
      )}
      <FileChoice
        label="Log of a battery monitor"
        accept=".csv,.txt,text/csv"
        chooser={chooser}
        onFile={(chosen) => void take(chosen)}
        problems={problems}
      />
      {file && (
        <TakeLog
          key={`${file.name}/${file.text.length}`}
          text={file.text}
          onTake={(log) => {
            keep(file.name, log);
            setFile(null);
          }}
          onLeave={() => setFile(null)}
        />
      )}
      {!shown && !file && !live.listening && (
        <p className={styles.small}>
          A CSV of time, volts and amperes, as battery monitors save it, or readings as they come. The day as it was is set against the
          plan, load by load where switching shows it.
        </p>
      )}
      {shown && <AgainstPlan log={shown} day={day} design={design} />}
    </section>
  );
}

interface AgainstPlanProps {
  log: MonitorLog;
  day: DayStack;
  design: Parameters<typeof nameOf>[0];
}

function AgainstPlan({ log, day, design }: AgainstPlanProps) {
  const store = useDesignStore();
  const loads = useDesign(({ analysis }) => analysis.loads);
  const scenario = useDesign(({ analysis }) => analysis.scenario)!;
  const measured = useMemo(() => {
    const switched = Array.from(loads.values(), ({ id, load }) => ({ loadId: id, ampsAt: (volts: number) => ampsAt(load, volts) }));
    return measureDays(log, switched);
  }, [log, loads]);
  const sure = measured.loads.filter(({ unsure }) => !unsure);
  const correct = (hours: readonly { loadId: string; hours: number }[]) =>
    store.commit(hours.length === 1 ? `Take measured hours of ${nameOf(design, hours[0]!.loadId)}` : 'Take measured hours', (current) => {
      const edit = new Edit(current);
      for (const { loadId, hours: measuredH } of hours) {
        const duty = Array.from(current.records.values()).find(
          (record) => record.type === 'duty' && record.loadId === loadId && record.scenarioId === scenario.id,
        );
        const fields = { hoursPerDay: Math.min(24, Math.round(measuredH * 100) / 100), sharePercent: 100, use: null };
        if (duty) edit.set(duty, { ...fields, perPerson: false });
        else edit.add<Duty>({ id: newId('duty'), type: 'duty', scenarioId: scenario.id, loadId, ...fields });
      }
      return edit.change;
    });
  return (
    <>
      <p className={styles.said}>
        {formatNumber(measured.days, measured.days < 0.95 ? 2 : 1)} days: {formatWattHours(measured.usedWh)} out and{' '}
        {formatWattHours(measured.chargedWh)} in a day, lowest {formatVolts(measured.lowestV)}. {scenario.name} plans{' '}
        {formatWattHours(scenario.dailyWh)}
        {measured.unknownSteps > 0 && `; ${measured.unknownSteps} steps fit no load, or several alike`}.
      </p>
      <MeasuredChart measuredW={measured.hourlyW} day={day} />
      {measured.loads.length > 0 && (
        <Table
          columns={[
            {
              head: 'Load',
              cell: ({ loadId, unsure }) => (
                <>
                  {nameOf(design, loadId)}
                  {unsure && <small className={styles.unsure}> unsure: it may have gone off in a step with others</small>}
                </>
              ),
            },
            { head: 'measured, h a day', as: 'figure', cell: ({ hours }) => formatNumber(hours, 2) },
            { head: 'planned', as: 'figure', cell: ({ loadId }) => formatNumber(scenario.loads.get(loadId)?.hours ?? 0, 2) },
            { head: 'times a day', as: 'figure', cell: ({ times }) => formatNumber(times, 1) },
            {
              label: 'Take',
              cell: (one) => (
                <Button size="small" aria-label={`Take the measured hours of ${nameOf(design, one.loadId)}`} onClick={() => correct([one])}>
                  Take
                </Button>
              ),
            },
          ]}
          rows={measured.loads}
          keyOf={({ loadId }) => loadId}
        />
      )}
      {sure.length > 1 && (
        <Button size="small" onClick={() => correct(sure)}>
          Take all that are sure
        </Button>
      )}
    </>
  );
}
