'use client';

import { Button, Checkbox, Select } from 'antd';
import { useMemo, useState } from 'react';
import { readMonitorLog, type LogMapping } from '@/core/formats/monitorLog';
import type { MonitorLog } from '@/core/energy/monitored';
import { faultWords } from '@/core/formats/faultWords';
import styles from './Energy.module.css';

const COLUMNS = [
  { key: 'time', label: 'Time' },
  { key: 'volts', label: 'Volts' },
  { key: 'amps', label: 'Amperes' },
] as const;

/** A log as it lies in a file: which column is what, what cannot be read, and taking it. */
export function TakeLog({ text, onTake, onLeave }: { text: string; onTake(log: MonitorLog): void; onLeave(): void }) {
  const [given, setGiven] = useState<Partial<LogMapping>>({});
  const read = useMemo(() => readMonitorLog(text, given), [text, given]);
  const options = read.headings.map((heading, at) => ({ value: at, label: heading.slice(0, 40) || `column ${at + 1}` }));
  const mapping = { ...(read.ok ? read.mapping : {}), ...given };
  return (
    <div className={styles.take}>
      {read.headings.length > 0 && (
        <p className={styles.row}>
          {COLUMNS.map(({ key, label }) => (
            <label key={key}>
              {label}
              <Select<number>
                size="small"
                aria-label={`Column of ${label.toLowerCase()}`}
                value={mapping[key]}
                placeholder="choose"
                style={{ width: 130 }}
                popupMatchSelectWidth={false}
                options={options}
                onChange={(at) => setGiven((now) => ({ ...now, [key]: at }))}
              />
            </label>
          ))}
          <Checkbox
            checked={mapping.outIsNegative ?? true}
            onChange={(event) => setGiven((now) => ({ ...now, outIsNegative: event.target.checked }))}
          >
            out of the battery is negative
          </Checkbox>
        </p>
      )}
      {read.ok ? (
        <p className={styles.row}>
          <span>{read.log.atMin.length} readings can be read.</span>
          <Button size="small" type="primary" onClick={() => onTake(read.log)}>
            Take and keep it
          </Button>
          <Button size="small" onClick={onLeave}>
            Leave it
          </Button>
        </p>
      ) : (
        <>
          <ul role="alert" className={styles.faults}>
            {read.problems.map(faultWords).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
          <Button size="small" onClick={onLeave}>
            Leave it
          </Button>
        </>
      )}
    </div>
  );
}
