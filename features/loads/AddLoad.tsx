'use client';

import { Button, Dropdown, Input, Select } from 'antd';
import { Plus } from 'lucide-react';
import { memo, useState } from 'react';
import { CATALOG_LOADS, type CatalogLoad } from '@/core/catalog/loads';
import { formatDraw } from '@/core/formats/drawText';
import { newLoad } from '@/core/switching/schemes';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import styles from './LoadsStage.module.css';

/** A name and a zone make a load; the rest is filled in on its line. The field stays ready for the next one. */
export const AddLoad = memo(function AddLoad() {
  const store = useDesignStore();
  const units = useUnits();
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const [name, setName] = useState('');
  const [chosen, setZone] = useState<string | null>(null);
  const zoneId = zones.some(({ id }) => id === chosen) ? chosen : (zones[0]?.id ?? null);
  const add = () => {
    const wanted = name.trim();
    if (!wanted) return;
    const load = newLoad(wanted, zoneId);
    store.commit(`Add ${wanted}`, () => ({ added: [load], updated: [], removed: [] }));
    setName('');
  };
  const addUsual = ({ name: usual, more, rated, behaviour, continuous }: CatalogLoad) => {
    const load = { ...newLoad(usual, zoneId), rated, behaviour, continuous, ...more };
    store.commit(`Add ${usual}`, () => ({ added: [load], updated: [], removed: [] }));
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
      <Button size="small" type="primary" icon={<Plus size={15} />} disabled={!name.trim()} onClick={add}>
        Add load
      </Button>
      <Dropdown
        trigger={['click']}
        menu={{
          style: { maxHeight: 420, overflow: 'auto' },
          items: CATALOG_LOADS.map((usual) => ({
            key: usual.name,
            label: `${usual.name}, ${formatDraw(usual.rated, 12, units)}`,
            onClick: () => addUsual(usual),
          })),
        }}
      >
        <Button size="small">A usual one</Button>
      </Dropdown>
    </span>
  );
});
