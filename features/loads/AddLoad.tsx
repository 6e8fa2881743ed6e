'use client';

import { Button, Input, Select } from 'antd';
import { useState, type ReactNode } from 'react';
import type { Zone } from '@/core/design/schema';
import styles from './LoadsStage.module.css';

/** A name and a zone make a load; the rest is filled in on its line. The field stays ready for the next one. */
export function AddLoad({ zones, onAdd, icon }: { zones: Zone[]; onAdd(name: string, zoneId: string | null): void; icon?: ReactNode }) {
  const [name, setName] = useState('');
  const [chosen, setZone] = useState<string | null>(null);
  const zoneId = zones.some(({ id }) => id === chosen) ? chosen : (zones[0]?.id ?? null);
  const add = () => {
    if (!name.trim()) return;
    onAdd(name.trim(), zoneId);
    setName('');
  };
  return (
    <span className={styles.addLoad}>
      <Input
        size="small"
        aria-label="Name of a new load"
        placeholder="New load, such as Reading light"
        value={name}
        maxLength={80}
        style={{ width: 230 }}
        onChange={(event) => setName(event.target.value)}
        onPressEnter={add}
      />
      <Select
        size="small"
        aria-label="Zone of the new load"
        value={zoneId}
        onChange={setZone}
        style={{ width: 130 }}
        options={zones.map(({ id, name: label }) => ({ value: id, label }))}
      />
      <Button size="small" type="primary" icon={icon} disabled={!name.trim()} onClick={add}>
        Add load
      </Button>
    </span>
  );
}
