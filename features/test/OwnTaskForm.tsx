'use client';

import { Button, Select } from 'antd';
import { useState } from 'react';
import { LIMITS } from '@/core/catalog/vocabulary';
import { recordsOf } from '@/core/design/design';
import type { Edit } from '@/core/design/edit';
import { addOwnTask } from '@/core/plan/handTasks';
import { useDesign } from '@/features/design/DesignProvider';
import { NameInput } from '@/ui/NameInput';
import { nameProblem } from '@/ui/nameProblem';
import { QuantityField } from '@/ui/QuantityField';
import styles from './Plan.module.css';

interface OwnTaskFormProps {
  /** Whether it was taken. */
  onEdit(label: string, steps: (edit: Edit) => void): boolean;
}

/** A task of one's own: what, where, how long. */
export function OwnTaskForm({ onEdit }: OwnTaskFormProps) {
  const design = useDesign((state) => state.design);
  const [text, setText] = useState('');
  const [placeId, setPlaceId] = useState<string | null>(null);
  const [minutes, setMinutes] = useState(15);
  const task = text.trim();
  return (
    <form
      className={styles.own}
      aria-label="A task of your own"
      onSubmit={(event) => {
        event.preventDefault();
        if (task === '' || nameProblem(task)) return;
        if (onEdit(`Task: ${task}`, (edit) => addOwnTask(edit, task, placeId, minutes))) setText('');
      }}
    >
      <span className={styles.text}>
        <NameInput
          label="What is to be done"
          placeholder="a task of your own: paint, parts to fetch, a helper to ring"
          value={text}
          onChange={setText}
        />
      </span>
      <Select<string>
        size="small"
        allowClear
        showSearch
        aria-label="Where it is done"
        placeholder="anywhere"
        optionFilterProp="label"
        style={{ width: 170 }}
        value={placeId}
        options={recordsOf(design, 'place').map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(id: string | undefined) => setPlaceId(id ?? null)}
      />
      <QuantityField
        label="Minutes it takes"
        value={minutes}
        unit="min"
        decimals={0}
        least={1}
        most={LIMITS.taskMinutes}
        onCommit={setMinutes}
      />
      <Button size="small" htmlType="submit">
        Add
      </Button>
    </form>
  );
}
