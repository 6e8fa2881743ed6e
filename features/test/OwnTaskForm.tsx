'use client';

import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { LIMITS } from '@/core/catalog/vocabulary';
import { recordsOf } from '@/core/design/design';
import type { Edit } from '@/core/design/edit';
import { addOwnTask } from '@/core/plan/handTasks';
import { parseNumber } from '@/core/units/parse';
import { useDesign } from '@/features/design/DesignProvider';
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
  const [minutes, setMinutes] = useState('15');
  const read = parseNumber(minutes);
  const isWrong = !read.ok || read.value < 1 || read.value > LIMITS.taskMinutes;
  return (
    <form
      className={styles.own}
      aria-label="A task of your own"
      onSubmit={(event) => {
        event.preventDefault();
        if (!read.ok || isWrong || text.trim() === '') return;
        if (onEdit(`Task: ${text.trim()}`, (edit) => addOwnTask(edit, text.trim(), placeId, read.value))) setText('');
      }}
    >
      <Input
        size="small"
        aria-label="What is to be done"
        placeholder="a task of your own: paint, parts to fetch, a helper to ring"
        maxLength={LIMITS.nameLength}
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
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
      <Input
        size="small"
        aria-label="Minutes it takes"
        inputMode="decimal"
        suffix="min"
        style={{ width: 92 }}
        value={minutes}
        {...(isWrong && { status: 'error' as const })}
        onChange={({ target }) => setMinutes(target.value)}
      />
      <Button size="small" htmlType="submit">
        Add
      </Button>
      {isWrong && <span role="alert">{`1 to ${LIMITS.taskMinutes} minutes`}</span>}
    </form>
  );
}
