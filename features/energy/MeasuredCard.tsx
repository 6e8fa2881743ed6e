'use client';

import { Button } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import type { Duty } from '@/core/design/schema';
import { measureDays } from '@/core/energy/measuredDay';
import { MOST_LOG_BYTES, readMonitorLog, type MonitorLog } from '@/core/formats/monitorLog';
import { nameOf } from '@/core/findings/wording';
import { formatNumber, formatVolts, formatWattHours } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { FileChoice } from '@/ui/FileChoice';
import styles from './Energy.module.css';

/** A battery monitor's log against the plan: the day's energy, and load by load the hours that switching shows. */
export function MeasuredCard() {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const loads = useDesign(({ analysis }) => analysis.loads);
  const scenario = useDesign(({ analysis }) => analysis.scenario);
  const chooser = useRef<HTMLInputElement>(null);
  const [log, setLog] = useState<{ name: string; log: MonitorLog } | null>(null);
  const [problems, setProblems] = useState<string[]>([]);
  const measured = useMemo(() => {
    if (!log) return null;
    const draws = Array.from(loads.values(), ({ id, draw }) => ({ loadId: id, amps: draw.amps }));
    return measureDays(log.log, draws);
  }, [log, loads]);
  const take = async (file: File) => {
    if (file.size > MOST_LOG_BYTES) return setProblems([`${file.name} is larger than ${MOST_LOG_BYTES / 1_000_000} MB`]);
    const read = readMonitorLog(await file.text());
    setProblems(read.ok ? [] : read.problems);
    if (read.ok) setLog({ name: file.name, log: read.log });
  };
  const correct = (hours: readonly { loadId: string; hours: number }[]) =>
    store.commit(hours.length === 1 ? `Take measured hours of ${nameOf(design, hours[0]!.loadId)}` : 'Take measured hours', (current) => {
      const edit = new Edit(current);
      for (const { loadId, hours: measuredH } of hours) {
        const duty = Array.from(current.records.values()).find(
          (record) => record.type === 'duty' && record.loadId === loadId && record.scenarioId === scenario!.id,
        );
        const fields = { hoursPerDay: Math.min(24, Math.round(measuredH * 100) / 100), sharePercent: 100, use: null };
        if (duty) edit.set(duty.id, fields);
        else edit.add<Duty>({ id: newId('duty'), type: 'duty', scenarioId: scenario!.id, loadId, ...fields });
      }
      return edit.change;
    });
  if (!scenario) return null;
  return (
    <section className={styles.card} aria-label="Measured">
      <div className={styles.row}>
        <h3>Measured</h3>
        <Button size="small" onClick={() => chooser.current?.click()}>
          {log ? 'Another log' : 'Take a monitor’s log'}
        </Button>
        {log && <span className={styles.small}>{log.name}; it stays on this page and is not kept</span>}
      </div>
      <FileChoice
        label="Log of a battery monitor"
        accept=".csv,.txt,text/csv"
        chooser={chooser}
        onFile={(file) => void take(file)}
        problems={problems}
      />
      {!log && problems.length === 0 && (
        <p className={styles.small}>
          A CSV of time, volts and amperes, as battery monitors save it. The day as it was is set against the plan, load by load where
          switching shows it.
        </p>
      )}
      {measured && (
        <>
          <p className={styles.said}>
            {formatNumber(measured.days, 1)} days: {formatWattHours(measured.usedWh)} out and {formatWattHours(measured.chargedWh)} in a
            day, lowest {formatVolts(measured.lowestV)}. {scenario.name} plans {formatWattHours(scenario.dailyWh)}
            {measured.unknownSteps > 0 && `; ${measured.unknownSteps} steps fit no load, or several alike`}.
          </p>
          <table className={styles.table}>
            <thead>
              <tr>
                <th scope="col">Load</th>
                <th scope="col">measured, h a day</th>
                <th scope="col">planned</th>
                <th scope="col">times a day</th>
                <th scope="col" aria-label="Take" />
              </tr>
            </thead>
            <tbody>
              {measured.loads.map((one) => (
                <tr key={one.loadId}>
                  <td>{nameOf(design, one.loadId)}</td>
                  <td className="reading">{formatNumber(one.hours, 2)}</td>
                  <td className="reading">{formatNumber(scenario.loads.get(one.loadId)?.hours ?? 0, 2)}</td>
                  <td className="reading">{formatNumber(one.times, 1)}</td>
                  <td>
                    <Button
                      size="small"
                      aria-label={`Take the measured hours of ${nameOf(design, one.loadId)}`}
                      onClick={() => correct([one])}
                    >
                      Take
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {measured.loads.length > 1 && (
            <Button size="small" onClick={() => correct(measured.loads)}>
              Take them all
            </Button>
          )}
        </>
      )}
    </section>
  );
}
