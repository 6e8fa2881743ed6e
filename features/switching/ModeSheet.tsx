'use client';

import { Checkbox, Select } from 'antd';
import { useMemo } from 'react';
import { modeSheet, type ModeStep } from '@/core/bench/modeSheet';
import { setting, updateRecords } from '@/core/design/change';
import type { Receiver } from '@/core/devices/receiver';
import { NetworkError } from '@/core/network/networkError';
import { MODE_WORDS } from '@/core/wording/hubWords';
import { actWords } from '@/core/wording/wishWords';
import { useDesign } from '@/features/design/DesignProvider';
import type { useRefusal } from '@/features/design/useRefusal';
import styles from './HubDrawer.module.css';

const MODES = (['latching', 'momentary'] as const).map((value) => ({ value, label: MODE_WORDS[value] }));

/** A receiver that remembers its mode: how it comes, and what is done to set it, with what each act shows. */
export function ReceiverMode({ receiver, onCommit }: { receiver: Receiver; onCommit: ReturnType<typeof useRefusal>['commit'] }) {
  const { remembers, mode, name, channels } = receiver;
  const set = (fields: Partial<Pick<Receiver, 'mode' | 'remembers'>>) =>
    onCommit(`Mode of ${name}`, (now) => updateRecords(now, [setting(receiver, fields)]));
  return (
    <section className={styles.hub} aria-label={name}>
      <h3>{name}</h3>
      <div className={styles.fields}>
        <div className={styles.field}>
          <span>A press</span>
          <Select size="small" aria-label={`A press of ${name}`} value={mode} options={MODES} onChange={(next) => set({ mode: next })} />
          <Checkbox
            checked={remembers !== undefined}
            onChange={({ target }) => set({ remembers: target.checked ? { comesAs: mode, holds: 1 } : undefined })}
          >
            it remembers its mode, and can be set
          </Checkbox>
        </div>
        {remembers && (
          <div className={styles.field}>
            <span>Now it</span>
            <Select
              size="small"
              aria-label={`${name} now`}
              value={remembers.comesAs}
              options={MODES}
              onChange={(comesAs) => set({ remembers: { ...remembers, comesAs } })}
            />
            <Select
              size="small"
              aria-label={`Button that sets ${name}`}
              value={remembers.holds}
              options={Array.from({ length: channels }, (_, at) => ({ value: at + 1, label: `button ${at + 1} sets it` }))}
              onChange={(holds) => set({ remembers: { ...remembers, holds } })}
            />
          </div>
        )}
      </div>
      {remembers && <Sheet receiver={receiver} />}
    </section>
  );
}

function Sheet({ receiver }: { receiver: Receiver }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  const design = useDesign((state) => state.design);
  const sheet = useMemo(() => {
    try {
      return modeSheet(index, wiring, receiver);
    } catch (error) {
      if (error instanceof NetworkError) return null;
      throw error;
    }
  }, [index, wiring, receiver]);
  if (!sheet) return <p>No fuse takes its power away: it cannot be set so.</p>;
  const { comesAs, holds } = receiver.remembers!;
  const other = comesAs === 'latching' ? 'momentary' : 'latching';
  const steps = (list: readonly ModeStep[]) => list.map(({ act, on }) => ({ says: actWords(design, act), shows: `channel ${holds} ${on ? 'on' : 'off'}` })); // prettier-ignore
  return (
    <>
      <p className={styles.says}>
        To have it so that it {MODE_WORDS[other]}; done once more, it {MODE_WORDS[comesAs]} again:
      </p>
      <Steps list={steps(sheet.series)} />
      <p className={styles.says}>What proves it:</p>
      <Steps list={steps(sheet.check)} />
      {sheet.harmless.map(({ acts, check }) => (
        <div key={actWords(design, acts[0]!.act)}>
          <p className={styles.says}>This must change nothing:</p>
          <Steps list={steps([...acts, ...check])} />
        </div>
      ))}
      {!sheet.isProved && <p role="alert">Played on the bench this does not set it. Ask its maker’s sheet how it is set.</p>}
    </>
  );
}

function Steps({ list }: { list: { says: string; shows: string }[] }) {
  return (
    <ol className={styles.steps}>
      {list.map(({ says, shows }, at) => (
        <li key={at}>
          {says} <span>{shows}</span>
        </li>
      ))}
    </ol>
  );
}
