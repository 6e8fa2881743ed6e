'use client';

import { Modal, Select } from 'antd';
import { useState } from 'react';
import { useDesign } from '@/features/design/DesignProvider';
import { NameInput, nameProblem } from '@/ui/NameInput';
import styles from './NewCircuit.module.css';

/** Asks for the two things a new circuit needs; the rest has a sensible start and is set on its strip. */
export function NewCircuit({ onAdd, onClose }: { onAdd(name: string, zoneId: string | null): void; onClose(): void }) {
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const [name, setName] = useState('');
  const [zoneId, setZoneId] = useState<string | null>(zones[0]?.id ?? null);
  const add = () => name.trim() && onAdd(name.trim(), zoneId);
  return (
    <Modal
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
          <NameInput label="Name" autoFocus size="middle" value={name} placeholder="Galley lights" onChange={setName} onEnter={add} />
        </span>
        <label htmlFor="new-circuit-zone">Zone</label>
        <Select
          id="new-circuit-zone"
          value={zoneId}
          onChange={setZoneId}
          options={zones.map(({ id, name: label }) => ({ value: id, label }))}
        />
      </div>
    </Modal>
  );
}
