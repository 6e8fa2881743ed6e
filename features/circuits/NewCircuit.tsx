'use client';

import { Select } from 'antd';
import { SIGNAL_WORDS } from '@/core/devices/signalSource';
import { VEHICLE_SIGNALS } from '@/core/devices/signalSource';
import type { VehicleSource } from '@/core/switching/vehicleCircuit';
import { useState } from 'react';
import { useDesign } from '@/features/design/DesignProvider';
import { Dialog } from '@/ui/Dialog';
import { NameInput } from '@/ui/NameInput';
import { nameProblem } from '@/ui/nameProblem';
import styles from './NewCircuit.module.css';

const HOUSE = 'house';

interface NewCircuitProps {
  /** `source` is null for one fed by the house battery. */
  onAdd(name: string, zoneId: string | null, source: VehicleSource | null): void;
  onClose(): void;
}

/** Asks for the few things a new circuit needs; the rest has a sensible start and is set on its strip, and on its feed among the parts. */
export function NewCircuit({ onAdd, onClose }: NewCircuitProps) {
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const [name, setName] = useState('');
  const [zoneId, setZoneId] = useState<string | null>(zones[0]?.id ?? null);
  const [signal, setSignal] = useState<VehicleSource['signal'] | typeof HOUSE>(HOUSE);
  const [from, setFrom] = useState<VehicleSource['from']>('slot');
  const source = signal === HOUSE ? null : { signal, from, serves: '' };
  const add = () => name.trim() && onAdd(name.trim(), zoneId, source);
  return (
    <Dialog
      open
      title="Add a circuit"
      okText="Add circuit"
      okButtonProps={{ disabled: !name.trim() || nameProblem(name) !== null }}
      onOk={add}
      onCancel={onClose}
      width={420}
    >
      <div className={styles.form}>
        <span aria-hidden>Name</span>
        <span>
          <NameInput label="Name" size="middle" value={name} placeholder="Galley lights" onChange={setName} onEnter={add} />
        </span>
        <label htmlFor="new-circuit-zone">Zone</label>
        <Select
          id="new-circuit-zone"
          value={zoneId}
          onChange={setZoneId}
          options={zones.map(({ id, name: label }) => ({ value: id, label }))}
        />
        <label htmlFor="new-circuit-feed">Fed by</label>
        <Select<typeof signal>
          id="new-circuit-feed"
          value={signal}
          onChange={setSignal}
          options={[
            { value: HOUSE, label: 'the house battery, from a fuse block' },
            ...VEHICLE_SIGNALS.map((value) => ({ value, label: `the vehicle: ${SIGNAL_WORDS[value]}` })),
          ]}
        />
        {signal !== HOUSE && (
          <>
            <label htmlFor="new-circuit-from">Taken from</label>
            <Select<VehicleSource['from']>
              id="new-circuit-from"
              value={from}
              onChange={setFrom}
              options={[
                { value: 'slot', label: 'a slot of its fuse box' },
                { value: 'wire', label: 'one of its wires' },
              ]}
            />
          </>
        )}
      </div>
    </Dialog>
  );
}
