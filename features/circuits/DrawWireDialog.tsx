'use client';

import { Select } from 'antd';
import { useMemo, useState } from 'react';
import type { ConductorSize } from '@/core/catalog/conductorSizes';
import { LIMITS } from '@/core/catalog/vocabulary';
import { NO_CHANGE } from '@/core/design/change';
import { nameOf } from '@/core/design/names';
import { recordOf, settingsOf } from '@/core/design/design';
import type { TerminalRef } from '@/core/design/schema';
import { sizesLike } from '@/core/sizing/conductorChoice';
import { drawWire, sensibleEnds } from '@/core/switching/drawWire';
import { usualScheme } from '@/core/switching/usualScheme';
import { terminalName } from '@/core/wording/terminalNames';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { Dialog } from '@/ui/Dialog';
import { ConductorSelect } from '@/ui/ConductorSelect';
import { Field, Fields } from '@/ui/Fields';
import { AlongField } from './AlongField';
import styles from './Parts.module.css';

const USUAL_MM = 1000;

const keyOf = (end: TerminalRef) => `${end.deviceId}/${end.terminal}`;

/** Draws a wire from a terminal: to where, how long, how thick. Only ends that make no short and no ring are offered. */
export function DrawWireDialog({ from, to: asked, onClose }: { from: TerminalRef; to?: TerminalRef | undefined; onClose(): void }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const ends = useMemo(() => sensibleEnds(design, from), [design, from]);
  const [to, setTo] = useState<string | null>(asked ? keyOf(asked) : null);
  const [lengthMm, setLength] = useState(USUAL_MM);
  const usual = usualScheme(design, '', null).conductor;
  const [conductor, setConductor] = useState<ConductorSize>(usual);
  const [problem, setProblem] = useState<string | null>(null);
  const device = recordOf(design, from.deviceId, 'device');
  if (!device) return null;
  const chosen = ends.find((end) => keyOf(end) === to);
  const take = () => {
    if (!chosen) return;
    const end = { deviceId: chosen.deviceId, terminal: chosen.terminal };
    const why = store.commit(
      `Draw a wire from ${device.name} to ${chosen.device.name}`,
      (now) => drawWire(now, from, end, lengthMm, conductor) ?? NO_CHANGE,
    );
    if (why === null) onClose();
    else setProblem(why);
  };
  const side = { supply: 'on the battery’s plus', return: 'on its minus' };
  return (
    <Dialog
      open
      title={`A wire from ${device.name}, ${terminalName(device, from.terminal)}`}
      okText="Draw it"
      okButtonProps={{ disabled: !chosen }}
      onOk={take}
      onCancel={onClose}
      width={520}
    >
      {ends.length === 0 ? (
        <p>Nothing in the design can sensibly be joined to it: every other end would make a short, or a second way to the same point.</p>
      ) : (
        <Fields>
          <Field label="To">
            <Select<string>
              aria-label="Where the wire goes"
              value={to}
              placeholder="a device and its terminal"
              style={{ width: '100%' }}
              showSearch={{ optionFilterProp: 'label' }}
              onChange={setTo}
              options={ends.map((end) => ({
                value: keyOf(end),
                label: `${end.device.name}, ${terminalName(end.device, end.terminal)} (${end.side === null ? 'free' : side[end.side]}${end.device.zoneId ? `, ${nameOf(design, end.device.zoneId)}` : ''})`,
              }))}
            />
          </Field>
          <Field label="Length">
            <AlongField label="Length of the wire" mm={lengthMm} mostMm={LIMITS.lengthMm} onCommit={setLength} />
          </Field>
          <Field label="Conductor">
            <ConductorSelect
              label="Conductor of the wire"
              value={conductor}
              sizes={sizesLike(settingsOf(design).conductorStandard, usual)}
              width={140}
              onChange={setConductor}
            />
          </Field>
        </Fields>
      )}
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
    </Dialog>
  );
}
