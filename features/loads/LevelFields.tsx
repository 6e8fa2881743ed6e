'use client';

import { Button } from 'antd';
import { Edit } from '@/core/design/edit';
import { NO_CHANGE } from '@/core/design/change';
import type { Duty, Load } from '@/core/design/schema';
import { LIMITS } from '@/core/catalog/vocabulary';
import { drawOf } from '@/core/devices/load';
import { formatUse, parseUse } from '@/core/formats/useText';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { QuantityField } from '@/ui/QuantityField';
import { TextField } from '@/ui/TextField';
import { levelToFunction } from '@/core/switching/lampFunctions';
import { unreadWords } from '@/core/wording/unreadWords';
import { setDuty } from '@/core/design/duties';
import styles from './LoadDetails.module.css';
import type { SetLoad } from './setLoad';

const MOST = 8;
const USUAL = ['Dimmed', 'Low', 'High'];

/** What a load draws in each of its settings on the same two wires, with the times of each in the scenario shown. */
export function LevelFields({ load, set }: { load: Load; set: SetLoad }) {
  const store = useDesignStore();
  const duties = useDesign(({ analysis }) => analysis.index.duties);
  const scenario = useDesign(({ analysis }) => analysis.scenario);
  const levels = load.levels ?? [];
  const dutyOfLevel = (name: string) =>
    duties.find((duty) => duty.loadId === load.id && duty.scenarioId === scenario?.id && duty.level === name) ?? null;
  const setUse = (name: string, fields: Partial<Duty>) =>
    store.commit(`Change when ${load.name}, ${name}, runs`, (design) => {
      const edit = new Edit(design);
      setDuty(edit, load.id, fields, name);
      return edit.change;
    });
  const rename = (at: number, name: string) => {
    if (name === '') return 'a level needs a name';
    if (name.length > 40) return 'at most 40 characters';
    if (levels.some((one, other) => other !== at && one.name === name)) return 'there is one of that name';
    const before = levels[at]!.name;
    return store.commit(`Change ${load.name}`, (design) => {
      const edit = new Edit(design);
      edit.set(load, { levels: levels.map((one, place) => (place === at ? { ...one, name } : one)) });
      for (const record of design.records.values()) {
        if (record.type === 'duty' && record.loadId === load.id && record.level === before) edit.set(record, { level: name });
      }
      return edit.change;
    });
  };
  const remove = (name: string) =>
    store.commit(`Remove ${name} of ${load.name}`, (design) => {
      const edit = new Edit(design);
      const left = levels.filter((one) => one.name !== name);
      edit.set(load, { levels: left.length > 0 ? left : undefined });
      for (const record of design.records.values()) {
        if (record.type === 'duty' && record.loadId === load.id && record.level === name) edit.remove(record.id);
      }
      return edit.change;
    });
  const add = () => {
    const name = USUAL.find((usual) => !levels.some((one) => one.name === usual)) ?? `Level ${levels.length + 1}`;
    set({ levels: [...levels, { name, watts: Math.round(drawOf(load.rated).watts * 10) / 10 }] });
  };
  return (
    <section>
      <h3>Levels on the same wires</h3>
      {levels.length === 0 && <p className={styles.said}>One draw. What can be dimmed, or set low and high, has a draw for each.</p>}
      {levels.map(({ name, watts }, at) => {
        const duty = dutyOfLevel(name);
        return (
          <div key={at} className={styles.function} role="group" aria-label={name}>
            <TextField label={`Name of level ${at + 1}`} text={name} width={92} onCommit={(text) => rename(at, text.trim())} />
            <QuantityField
              label={`Draw of ${name}, each`}
              value={watts}
              unit="W"
              decimals={1}
              least={0}
              most={LIMITS.watts}
              width={74}
              onCommit={(next) => set({ levels: levels.map((one, place) => (place === at ? { ...one, watts: next } : one)) })}
            />
            <TextField
              label={`When ${name} runs`}
              text={formatUse(duty?.use)}
              placeholder={duty && duty.hoursPerDay > 0 ? `${duty.hoursPerDay} h` : 'not used'}
              width={104}
              onCommit={(text) => {
                const read = parseUse(text);
                if (!read.ok) return unreadWords(read.why);
                return scenario ? setUse(name, { use: read.value }) : 'add a scenario first';
              }}
            />
            {!load.partOf && (
              <Button
                size="small"
                title="A function of its own, with its own wire"
                aria-label={`Give ${name} a wire of its own`}
                onClick={() =>
                  store.commit(`Give ${name} of ${load.name} a wire`, (design) => levelToFunction(design, load.id, name) ?? NO_CHANGE)
                }
              >
                wire
              </Button>
            )}
            <Button size="small" aria-label={`Remove ${name}`} onClick={() => remove(name)}>
              ×
            </Button>
          </div>
        );
      })}
      {levels.length < MOST && (
        <Button size="small" onClick={add}>
          Add a level
        </Button>
      )}
    </section>
  );
}
