'use client';

import { Checkbox } from 'antd';
import { Edit } from '@/core/design/edit';
import type { Duty, Load } from '@/core/design/schema';
import { settingOf } from '@/core/energy/setting';
import { formatWattHours } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { Band } from '@/features/energy/Band';
import { Field, Fields } from '@/ui/Fields';
import { QuantityField } from '@/ui/QuantityField';
import { setDuty } from '@/core/design/duties';
import styles from './LoadDetails.module.css';

/** How a load is used in the scenario shown, beyond its hours. */
export function UseFields({ load }: { load: Load }) {
  const store = useDesignStore();
  const scenario = useDesign(({ analysis }) => analysis.scenario);
  const record = useDesign(({ analysis }) => analysis.index.scenarios.find(({ id }) => id === analysis.scenario?.id) ?? null);
  const duty = useDesign(
    ({ analysis }) => analysis.index.duties.find((one) => one.loadId === load.id && one.scenarioId === analysis.scenario?.id) ?? null,
  );
  if (!scenario || !record) return null;
  const set = (fields: Partial<Duty>) =>
    store.commit(`Change how ${load.name} is used`, (design) => {
      const edit = new Edit(design);
      setDuty(edit, load.id, fields);
      return edit.change;
    });
  const use = scenario.loads.get(load.id);
  const { people } = settingOf(record);
  return (
    <section>
      <h3>In {scenario.name}</h3>
      <p className={styles.said}>
        {use ? `${formatWattHours(use.wattHours)} a day` : 'Not used'}
        {use && use.standbyWh > 0 && `, ${formatWattHours(use.standbyWh)} of it standing by`}. Its hours, to be painted or wiped:
      </p>
      <Band load={load} duty={duty} scenario={record} onSet={(times) => void set({ use: times })} />
      <Fields>
        {!load.levels?.length && !load.thermostat && (
          <Field label="Dimmed to">
            <QuantityField
              label="Dim level"
              value={duty?.levelPercent ?? 100}
              unit="%"
              decimals={0}
              least={0}
              most={100}
              onCommit={(levelPercent) => void set({ levelPercent })}
            />
            <span className={styles.aside}>of its draw</span>
          </Field>
        )}
        {load.thermostat && (
          <Field label="Door opened">
            <QuantityField
              label="Door openings a day"
              value={duty?.openingsPerDay ?? 0}
              unit="times"
              decimals={0}
              least={0}
              most={500}
              onCommit={(openingsPerDay) => void set({ openingsPerDay })}
            />
            <span className={styles.aside}>a day</span>
          </Field>
        )}
        <Field label="Counted">
          <Checkbox checked={duty?.perPerson ?? false} onChange={(event) => void set({ perPerson: event.target.checked })}>
            for each of {people === 1 ? 'one person' : `${people} people`}
          </Checkbox>
        </Field>
      </Fields>
    </section>
  );
}
