'use client';

import { Button, Select } from 'antd';
import { Wrench } from 'lucide-react';
import { memo, useMemo } from 'react';
import type { BenchAct, Fault } from '@/core/design/schema';
import { subjectOf } from '@/core/bench/faults';
import { nameOf } from '@/core/design/names';
import { FAULT_WORDS, faultWords } from '@/core/wording/wishWords';
import { useDesign } from '@/features/design/DesignProvider';
import styles from './Switching.module.css';

/**
 * What is made to go wrong, and mended: wires off, lamps dead, relays that do not pull in or stick. Fuses are pulled among the controls.
 */
export const Faults = memo(function Faults({ faults, onAct }: { faults: readonly Fault[]; onAct(act: BenchAct): void }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const design = useDesign((state) => state.design);
  const possible = useMemo(() => {
    const relays = Array.from(index.devices.values()).filter(({ kind }) => kind === 'relay');
    return [
      ...index.loads.map(({ id }): Fault => ({ kind: 'dead', loadId: id })),
      ...relays.flatMap(({ id }): Fault[] => [{ kind: 'neverPulls', relayId: id }, { kind: 'stuck', relayId: id }]), // prettier-ignore
      ...index.wires.map(({ id }): Fault => ({ kind: 'wireOff', wireId: id })),
    ];
  }, [index]);
  const options = useMemo(() => possible.map((fault, value) => ({ value, label: faultWords(design, fault) })), [possible, design]);
  return (
    <section aria-label="Faults">
      <h3>Faults</h3>
      <Select<number>
        size="small"
        className={styles.fault}
        aria-label="Break something"
        placeholder="break something"
        value={null}
        options={options}
        showSearch={{ optionFilterProp: 'label' }}
        popupMatchSelectWidth={360}
        onChange={(at) => onAct({ kind: 'break', fault: possible[at]! })}
      />
      <ul>
        {faults.map((fault) => (
          <li key={`${fault.kind} ${subjectOf(fault)}`} className={styles.wrong}>
            {nameOf(design, subjectOf(fault))}: <b>{FAULT_WORDS[fault.kind]}</b>{' '}
            <Button
              size="small"
              type="text"
              icon={<Wrench size={14} />}
              aria-label={`Mend ${faultWords(design, fault)}`}
              title="Mend it"
              onClick={() => onAct({ kind: 'mend', fault })}
            />
          </li>
        ))}
      </ul>
    </section>
  );
});
