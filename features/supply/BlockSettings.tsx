'use client';

import { Button, Checkbox, Popover, Select } from 'antd';
import { Settings2 } from 'lucide-react';
import { useState } from 'react';
import { NO_CHANGE, setting, updateRecords, type FieldsOf } from '@/core/design/change';
import type { FuseBlock } from '@/core/design/schema';
import { removePart, whyNotRemoved } from '@/core/switching/partsByHand';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { Field, Fields } from '@/ui/Fields';
import { NameField } from '@/ui/NameField';

/** What is set of a fuse block once: its name, where it stands, its return bar and indicators; and taking it out when it is empty. */
export function BlockSettings({ block }: { block: FuseBlock }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      title={`About ${block.name}`}
      content={open && <BlockFields block={block} onClose={() => setOpen(false)} />}
    >
      <Button size="small" type="text" aria-label={`About ${block.name}`} icon={<Settings2 size={15} />} />
    </Popover>
  );
}

function BlockFields({ block, onClose }: { block: FuseBlock; onClose(): void }) {
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const why = useDesign(({ analysis }) => whyNotRemoved(analysis, block));
  const { commit, refusal } = useRefusal();
  const set = (label: string, fields: FieldsOf<typeof block>) => commit(label, (now) => updateRecords(now, [setting(block, fields)]));
  return (
    <div style={{ width: 330 }}>
      <Fields>
        <Field label="Name">
          <NameField label={`Name of ${block.name}`} name={block.name} onCommit={(name) => set(`Rename ${block.name}`, { name })} />
        </Field>
        <Field label="Zone">
          <Select<string>
            size="small"
            aria-label={`Zone of ${block.name}`}
            value={block.zoneId ?? ''}
            style={{ width: 190 }}
            onChange={(zoneId) => set(`Move ${block.name}`, { zoneId: zoneId || null })}
            options={[{ value: '', label: 'in no zone' }, ...zones.map(({ id, name }) => ({ value: id, label: name }))]}
          />
        </Field>
      </Fields>
      <p>
        <Checkbox checked={block.returnBar ?? false} onChange={(event) => set(`Change ${block.name}`, { returnBar: event.target.checked })}>
          has a bar for the returns
        </Checkbox>
        <br />
        <Checkbox
          checked={block.indicators ?? false}
          onChange={(event) => set(`Change ${block.name}`, { indicators: event.target.checked })}
        >
          a lamp glows where a fuse is open
        </Checkbox>
      </p>
      {refusal}
      <Button
        size="small"
        danger
        disabled={why !== null}
        onClick={() => {
          if (commit(`Take ${block.name} out`, (now) => removePart(now, block.id) ?? NO_CHANGE) === null) onClose();
        }}
      >
        Take the block out
      </Button>
      {why && <p style={{ margin: '4px 0 0', color: 'var(--ink-soft)' }}>{why}</p>}
    </div>
  );
}
