'use client';

import { Button, Select } from 'antd';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { updateRecords } from '@/core/design/change';
import { Edit } from '@/core/design/edit';
import type { Kit } from '@/core/design/schema';
import { addKit, setKitDevices } from '@/core/harness/editLeads';
import { useDesign } from '@/features/design/DesignProvider';
import type { useRefusal } from '@/features/design/useRefusal';
import { Input } from '@/ui/Input';
import shared from './Harness.module.css';
import styles from './Cables.module.css';

type Commit = ReturnType<typeof useRefusal>['commit'];

/** Kits: what came in one box, what it lacks and what of it is left. */
export function Kits({ kits, onCommit }: { kits: readonly Kit[]; onCommit: Commit }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const [name, setName] = useState('');
  const devices = Array.from(index.devices.values());
  const add = () => {
    if (name.trim() === '') return;
    onCommit(`Kit ${name.trim()}`, (now) => {
      const edit = new Edit(now);
      addKit(edit, name.trim());
      return edit.change;
    });
    setName('');
  };
  return (
    <section aria-label="Kits" className={styles.kits}>
      <h3>Kits</h3>
      <p className={shared.soft}>
        What comes in one box is bought once, its fuses and leads with it; what it does not bring stands in the parts list.
      </p>
      {kits.map((kit) => (
        <div key={kit.id} role="group" aria-label={`Kit ${kit.name}`} className={styles.kit}>
          <b>{kit.name}</b>
          <Select
            mode="multiple"
            showSearch
            aria-label={`Parts of ${kit.name}`}
            placeholder="its parts; wires between two of them come with it"
            value={devices.filter(({ kitId }) => kitId === kit.id).map(({ id }) => id)}
            optionFilterProp="label"
            options={devices.filter(({ kitId }) => !kitId || kitId === kit.id).map(({ id, name: label }) => ({ value: id, label }))}
            onChange={(ids: string[]) =>
              onCommit(`Parts of ${kit.name}`, (now) => {
                const edit = new Edit(now);
                setKitDevices(edit, kit, ids);
                return edit.change;
              })
            }
          />
          <Things label={`What ${kit.name} lacks`} placeholder="it lacks: mounting plate" kit={kit} field="lacks" onCommit={onCommit} />
          <Things label={`Left over of ${kit.name}`} placeholder="left over: its switch" kit={kit} field="leftOver" onCommit={onCommit} />
          <Button
            size="small"
            aria-label={`Remove kit ${kit.name}`}
            icon={<Trash2 size={14} />}
            onClick={() =>
              onCommit(`Remove kit ${kit.name}`, (now) => {
                const edit = new Edit(now);
                edit.remove(kit.id);
                return edit.change;
              })
            }
          />
        </div>
      ))}
      <div className={styles.bar}>
        <Input
          size="small"
          aria-label="Name of a kit"
          placeholder="a kit: radio switch with its harness"
          value={name}
          maxLength={80}
          style={{ width: 300 }}
          onChange={({ target }) => setName(target.value)}
          onPressEnter={add}
        />
        <Button size="small" onClick={add}>
          Add kit
        </Button>
      </div>
    </section>
  );
}

interface ThingsProps {
  label: string;
  placeholder: string;
  kit: Kit;
  field: 'lacks' | 'leftOver';
  onCommit: Commit;
}

/** A list of things in the person’s own words. */
function Things({ label, placeholder, kit, field, onCommit }: ThingsProps) {
  return (
    <Select<string[]>
      mode="tags"
      open={false}
      suffixIcon={null}
      aria-label={label}
      placeholder={placeholder}
      value={kit[field]}
      tokenSeparators={[',']}
      onChange={(things) =>
        onCommit(label, (now) =>
          updateRecords(now, [
            {
              id: kit.id,
              set: {
                [field]: things
                  .map((thing) => thing.trim().slice(0, 80))
                  .filter(Boolean)
                  .slice(0, 40),
              },
            },
          ]),
        )
      }
    />
  );
}
