'use client';

import { Drawer, type InputRef } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { readingsOf } from '@/core/analysis/readings';
import { formatAmps, formatNumber, MISSING } from '@/core/units/quantity';
import { terminalName } from '@/core/wording/terminalNames';
import { networkWords } from '@/core/wording/networkWords';
import { useDesign } from '@/features/design/DesignProvider';
import { choiceFor, isSolved, useSolved } from '@/features/design/useSolved';
import { Table } from '@/ui/Table';
import { StatePicker } from './StatePicker';
import drawer from '@/ui/Drawer.module.css';
import { Input } from '@/ui/Input';
import styles from './ReadingsDrawer.module.css';

const MOST_ROWS = 250;

/** What a meter would read at any terminal of the design as wired, in the picked state. */
export function ReadingsDrawer({ onClose }: { onClose(): void }) {
  const picked = useDesign((state) => state.picked);
  const firstCircuit = useDesign(({ analysis }) => analysis.circuits[0]?.id ?? '');
  const [wanted, setWanted] = useState('');
  const search = useRef<InputRef>(null);
  const solved = useSolved(choiceFor(picked, firstCircuit));
  const readings = useMemo(() => (isSolved(solved) ? readingsOf(solved) : []), [solved]);
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const design = useDesign((state) => state.design);
  const devices = useDesign(({ analysis }) => analysis.index.devices);
  const called = (deviceId: string, terminal: string) => {
    const device = devices.get(deviceId);
    return device && terminal !== 'plus' && terminal !== 'minus' ? terminalName(device, terminal) : terminal;
  };
  const found = readings.filter(({ deviceId, device, terminal }) =>
    words.every((word) => `${device} ${terminal} ${called(deviceId, terminal)}`.toLowerCase().includes(word)),
  );
  return (
    <Drawer
      open
      title="Readings"
      placement="right"
      size={600}
      onClose={onClose}
      mask={false}
      rootClassName={drawer.root}
      afterOpenChange={(isOpen) => isOpen && search.current?.focus()}
    >
      <div className={styles.tools}>
        <StatePicker />
        <Input
          ref={search}
          allowClear
          aria-label="Find a terminal"
          placeholder="a device or terminal, as: fridge minus"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
        />
      </div>
      {solved === null && <p role="status">Solving…</p>}
      {solved !== null && !isSolved(solved) && (
        <p role="alert" className={styles.problem}>
          The network has no answer: {networkWords(solved.problem, design)}. Check the wiring there.
        </p>
      )}
      {isSolved(solved) && (
        <>
          <p className={styles.note}>
            Volts over the battery’s minus; amperes into the device at that terminal; the short-circuit current a dead short there would
            carry: the greatest, which a fuse there must break, and the least, which the fuse ahead must end.
            {picked === 'onlyThis' && ' With the first circuit alone.'}
            {solved.outcome.kind === 'oscillating' && ' The state does not settle: what is shown is one moment of it.'}
          </p>
          <Table
            label="Readings"
            columns={[
              { head: 'Device', cell: ({ device }) => device },
              { head: 'Terminal', cell: ({ deviceId, terminal }) => called(deviceId, terminal) },
              { head: 'Voltage', as: 'figure', cell: ({ adrift, volts }) => (adrift ? 'not joined' : `${formatNumber(volts, 3)} V`) },
              { head: 'Current', as: 'figure', cell: ({ adrift, amps }) => (amps === null || adrift ? MISSING : formatAmps(amps)) },
              {
                head: 'Greatest short',
                title: 'New, full battery, cold wires, no return counted: what a fuse there must break',
                as: 'figure',
                cell: ({ adrift, short }) => (short === null || adrift ? MISSING : `${formatNumber(short.greatestA, 0)} A`),
              },
              {
                head: 'Least short',
                title: 'Worn battery, warm wires, every contact, and the way back: what the fuse ahead must end',
                as: 'figure',
                cell: ({ adrift, short }) => (short === null || adrift ? MISSING : `${formatNumber(short.leastA, 0)} A`),
              },
            ]}
            rows={found.slice(0, MOST_ROWS)}
            keyOf={({ deviceId, terminal }) => `${deviceId}/${terminal}`}
          />
          {found.length === 0 && <p>No terminal answers to that.</p>}
          {found.length > MOST_ROWS && (
            <p>
              {MOST_ROWS} of {found.length} shown; type more to narrow it down.
            </p>
          )}
        </>
      )}
    </Drawer>
  );
}
