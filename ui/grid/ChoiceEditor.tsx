'use client';

import { Select } from 'antd';
import { useRef, useState, type KeyboardEvent } from 'react';
import type { CellResult } from './types';
import styles from './Grid.module.css';

interface ChoiceEditorProps {
  label: string;
  /** What the cell holds, or the first letter of what is looked for. */
  start: string;
  options: { value: string; label: string }[];
  onFinish(text: string, then: [number, number] | null): CellResult;
  onLeave(): void;
}

/** A cell with a list, open: letters look for an entry, arrows go through them, Enter takes one. Nothing is taken before that. */
export function ChoiceEditor({ label, start, options, onFinish, onLeave }: ChoiceEditorProps) {
  const isValue = options.some(({ value }) => value === start);
  const [search, setSearch] = useState(isValue ? '' : start);
  const [problem, setProblem] = useState<CellResult>(null);
  const done = useRef(false);
  /** The kit empties its field once as it opens; the letter that opened it stays. */
  const opened = useRef(isValue);
  const look = (typed: string) => {
    if (opened.current || typed !== '') setSearch(typed);
    opened.current = true;
  };
  const leave = () => {
    if (done.current) return;
    done.current = true;
    onLeave();
  };
  const take = (value: string) => {
    done.current = true;
    const refused = onFinish(value, [0, 0]);
    done.current = refused === null;
    setProblem(refused);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    event.stopPropagation();
    if (event.key !== 'Escape' && event.key !== 'Tab') return;
    event.preventDefault();
    leave();
  };
  return (
    <span onKeyDown={onKeyDown}>
      <Select
        autoFocus
        defaultOpen
        aria-label={label}
        className={styles.choice}
        size="small"
        variant="borderless"
        popupMatchSelectWidth={false}
        suffixIcon={null}
        defaultActiveFirstOption
        value={isValue ? start : null}
        options={options}
        showSearch={{ searchValue: search, onSearch: look, filterOption: (typed, option) => contains(option?.label ?? '', typed) }}
        onSelect={(value: string | null) => value !== null && take(value)}
        onBlur={leave}
        onOpenChange={(open) => !open && problem === null && leave()}
      />
      {problem && (
        <span role="alert" className={styles.problem}>
          {problem}
        </span>
      )}
    </span>
  );
}

function contains(label: string, typed: string): boolean {
  return label.toLowerCase().includes(typed.trim().toLowerCase());
}
