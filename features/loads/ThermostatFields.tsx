'use client';

import { Select } from 'antd';
import type { Load, Thermostat } from '@/core/design/schema';
import { useUnits } from '@/features/design/DesignProvider';
import { Field, Fields } from '@/ui/Fields';
import { QuantityField } from '@/ui/QuantityField';
import { TemperatureField } from '@/ui/TemperatureField';
import styles from './LoadDetails.module.css';
import type { SetLoad } from './setLoad';

const USUAL: Record<Thermostat['mode'], Thermostat> = {
  cools: { mode: 'cools', setC: 4, sharePercent: 33, atC: 25, whPerOpening: 1.5 },
  heats: { mode: 'heats', setC: 20, sharePercent: 50, atC: 0, whPerOpening: 0 },
};

/** A load a thermostat switches: how much of the time it runs, in which air. */
export function ThermostatFields({ load, set }: { load: Load; set: SetLoad }) {
  const units = useUnits();
  const { thermostat } = load;
  const change = (fields: Partial<Thermostat>) => thermostat && set({ thermostat: { ...thermostat, ...fields } });
  return (
    <section>
      <h3>Thermostat</h3>
      <Fields>
        <Field label="Switched by">
          <Select<Thermostat['mode'] | 'none'>
            size="small"
            aria-label="Thermostat"
            value={thermostat?.mode ?? 'none'}
            style={{ width: 220 }}
            onChange={(mode) => set({ thermostat: mode === 'none' ? undefined : USUAL[mode] })}
            options={[
              { value: 'none', label: 'no thermostat' },
              { value: 'cools', label: 'one that cools, as in a fridge' },
              { value: 'heats', label: 'one that heats' },
            ]}
          />
        </Field>
        {thermostat && (
          <>
            <Field label="Set to">
              <TemperatureField
                label="Temperature set"
                celsius={thermostat.setC}
                units={units}
                onCommit={(setC) => change({ setC: within(setC) })}
              />
            </Field>
            <Field label="Runs">
              <QuantityField
                label="Share of the time it runs"
                value={thermostat.sharePercent}
                unit="%"
                decimals={0}
                least={0}
                most={100}
                onCommit={(sharePercent) => change({ sharePercent })}
              />
              <span className={styles.aside}>of the time in air of</span>
              <TemperatureField
                label="Air it runs so much in"
                celsius={thermostat.atC}
                units={units}
                onCommit={(atC) => change({ atC: within(atC) })}
              />
            </Field>
            {thermostat.mode === 'cools' && (
              <Field label="A door opened">
                <QuantityField
                  label="Energy of a door opening"
                  value={thermostat.whPerOpening}
                  unit="Wh"
                  decimals={1}
                  least={0}
                  most={100}
                  onCommit={(whPerOpening) => change({ whPerOpening })}
                />
                <span className={styles.aside}>each time</span>
              </Field>
            )}
          </>
        )}
      </Fields>
    </section>
  );
}

/** The bounds of the record. */
function within(celsius: number): number {
  return Math.min(80, Math.max(-40, Math.round(celsius * 10) / 10));
}
