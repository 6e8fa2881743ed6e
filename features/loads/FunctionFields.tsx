'use client';

import { Button } from 'antd';
import { Edit } from '@/core/design/edit';
import type { Duty, Load } from '@/core/design/schema';
import { LIMITS } from '@/core/catalog/vocabulary';
import { drawOf } from '@/core/devices/load';
import { formatUse, parseUse } from '@/core/formats/useText';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { QuantityField } from '@/ui/QuantityField';
import { TextField } from '@/ui/TextField';
import { setDuty } from './cells';
import styles from './LoadDetails.module.css';
import type { SetLoad } from './setLoad';

const MOST = 8;
const USUAL = ['White', 'Amber', 'Backlight', 'Low', 'High'];

/** The functions of one lamp, each with its own draw and its own times in the scenario shown. */
export function FunctionFields({ load, set }: { load: Load; set: SetLoad }) {
  const store = useDesignStore();
  const duties = useDesign(({ analysis }) => analysis.index.duties);
  const scenario = useDesign(({ analysis }) => analysis.scenario);
  const functions = load.functions ?? [];
  const dutyOfFunction = (name: string) =>
    duties.find((duty) => duty.loadId === load.id && duty.scenarioId === scenario?.id && duty.function === name) ?? null;
  const setUse = (name: string, fields: Partial<Duty>) =>
    store.commit(`Change when ${load.name}, ${name}, runs`, (design) => {
      const edit = new Edit(design);
      setDuty(edit, load.id, fields, name);
      return edit.change;
    });
  const rename = (at: number, name: string) => {
    if (name === '') return 'a function needs a name';
    if (name.length > 40) return 'at most 40 characters';
    if (functions.some((one, other) => other !== at && one.name === name)) return 'there is one of that name';
    const before = functions[at]!.name;
    return store.commit(`Change ${load.name}`, (design) => {
      const edit = new Edit(design);
      edit.set(load.id, { functions: functions.map((one, place) => (place === at ? { ...one, name } : one)) });
      for (const record of design.records.values()) {
        if (record.type === 'duty' && record.loadId === load.id && record.function === before) edit.set(record.id, { function: name });
      }
      return edit.change;
    });
  };
  const remove = (name: string) =>
    store.commit(`Remove ${name} of ${load.name}`, (design) => {
      const edit = new Edit(design);
      const left = functions.filter((one) => one.name !== name);
      edit.set(load.id, { functions: left.length > 0 ? left : undefined });
      for (const record of design.records.values()) {
        if (record.type === 'duty' && record.loadId === load.id && record.function === name) edit.remove(record.id);
      }
      return edit.change;
    });
  const add = () => {
    const name = USUAL.find((usual) => !functions.some((one) => one.name === usual)) ?? `Function ${functions.length + 1}`;
    set({ functions: [...functions, { name, watts: Math.round(drawOf(load.rated).watts * 10) / 10 }] });
  };
  return (
    <section>
      <h3>Functions</h3>
      {functions.length === 0 && (
        <p className={styles.said}>One draw. A lamp with a white and an amber side, or a low and a high beam, has a function for each.</p>
      )}
      {functions.map(({ name, watts }, at) => {
        const duty = dutyOfFunction(name);
        return (
          <div key={at} className={styles.function} role="group" aria-label={name}>
            <TextField label={`Name of function ${at + 1}`} text={name} width={92} onCommit={(text) => rename(at, text.trim())} />
            <QuantityField
              label={`Draw of ${name}, each`}
              value={watts}
              unit="W"
              decimals={1}
              least={0}
              most={LIMITS.watts}
              width={74}
              onCommit={(next) => set({ functions: functions.map((one, place) => (place === at ? { ...one, watts: next } : one)) })}
            />
            <TextField
              label={`When ${name} runs`}
              text={formatUse(duty?.use)}
              placeholder={duty && duty.hoursPerDay > 0 ? `${duty.hoursPerDay} h` : 'not used'}
              width={104}
              onCommit={(text) => {
                const read = parseUse(text);
                if (!read.ok) return read.why;
                return scenario ? setUse(name, { use: read.value }) : 'add a scenario first';
              }}
            />
            <Button size="small" aria-label={`Remove ${name}`} onClick={() => remove(name)}>
              ×
            </Button>
          </div>
        );
      })}
      {functions.length < MOST && (
        <Button size="small" onClick={add}>
          Add a function
        </Button>
      )}
    </section>
  );
}
