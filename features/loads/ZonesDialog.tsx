'use client';

import { Button, Checkbox } from 'antd';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { setting, updateRecords } from '@/core/design/change';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import type { Zone } from '@/core/design/schema';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { Dialog } from '@/ui/Dialog';
import { TemperatureField } from '@/ui/TemperatureField';
import { NameInput } from '@/ui/NameInput';
import { nameProblem } from '@/ui/nameProblem';
import { NameField } from '@/ui/NameField';
import { Table } from '@/ui/Table';
import styles from './ZonesDialog.module.css';

/** The zones of the vehicle and what they do to wiring. */
export function ZonesDialog({ onClose }: { onClose(): void }) {
  const store = useDesignStore();
  const units = useUnits();
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const counts = useDesign(({ analysis }) => analysis.zones);
  const [name, setName] = useState('');

  const set = (zone: Zone, fields: Partial<Zone>) =>
    store.commit(`Change zone ${zone.name}`, (design) => updateRecords(design, [setting(zone, fields)]));
  /** Zones are told apart by their names, in tables and in what is pasted. */
  const taken = (wanted: string, but?: string) => zones.some((zone) => zone.id !== but && isSameName(zone.name, wanted));
  const add = () => {
    const wanted = name.trim();
    if (!wanted || taken(wanted)) return;
    setName('');
    const zone: Zone = { id: newId('zone'), type: 'zone', name: wanted, order: zones.length, ambientC: 30, engineSpace: false };
    store.commit(`Add zone ${wanted}`, () => ({ added: [zone], updated: [], removed: [] }));
  };
  const remove = (zone: Zone) =>
    store.commit(`Remove zone ${zone.name}`, (design) => {
      const edit = new Edit(design);
      for (const record of design.records.values()) {
        if ((record.type === 'device' || record.type === 'circuit' || record.type === 'place') && record.zoneId === zone.id)
          edit.set(record, { zoneId: null });
      }
      edit.remove(zone.id);
      return edit.change;
    });

  return (
    <Dialog open title="Zones of the vehicle" footer={<Button onClick={onClose}>Close</Button>} onCancel={onClose} width={620}>
      <p className={styles.why}>
        Heat takes away from what a wire carries: above 30 °C each wire that ends in the zone is rated down, in an engine space by the
        standard’s own factor.
      </p>
      <Table
        columns={[
          {
            head: 'Zone',
            cell: (zone) => (
              <NameField
                label={`Name of zone ${zone.name}`}
                name={zone.name}
                refuses={(wanted) => (taken(wanted, zone.id) ? doubleWords(wanted) : null)}
                onCommit={(wanted) => set(zone, { name: wanted })}
              />
            ),
          },
          {
            head: 'Hottest air',
            cell: (zone) => (
              <TemperatureField
                label={`Hottest air in ${zone.name}`}
                celsius={zone.ambientC}
                units={units}
                onCommit={(ambientC) => set(zone, { ambientC })}
              />
            ),
          },
          {
            head: 'Engine space',
            cell: (zone) => (
              <Checkbox
                aria-label={`${zone.name} is an engine space`}
                checked={zone.engineSpace}
                onChange={(event) => set(zone, { engineSpace: event.target.checked })}
              />
            ),
          },
          { head: 'Loads', as: 'figure', cell: (zone) => counts.find(({ id }) => id === zone.id)?.loadCount ?? 0 },
          {
            label: 'Remove',
            cell: (zone) => (
              <Button
                size="small"
                type="text"
                danger
                aria-label={`Remove zone ${zone.name}`}
                icon={<Trash2 size={15} />}
                onClick={() => remove(zone)}
              />
            ),
          },
        ]}
        rows={zones}
        keyOf={({ id }) => id}
      />
      <div className={styles.add}>
        <NameInput label="Name of a new zone" placeholder="New zone" value={name} onChange={setName} onEnter={add} />
        <Button size="small" type="primary" disabled={!name.trim() || taken(name) || nameProblem(name) !== null} onClick={add}>
          Add zone
        </Button>
      </div>
      {taken(name) && (
        <p role="alert" className={styles.why}>
          {doubleWords(name.trim())}
        </p>
      )}
    </Dialog>
  );
}

function doubleWords(name: string): string {
  return `There is a zone called “${name}” already. Give this one a name of its own, such as “${name} 2”.`;
}

function isSameName(one: string, other: string): boolean {
  return one.trim().toLowerCase() === other.trim().toLowerCase();
}
