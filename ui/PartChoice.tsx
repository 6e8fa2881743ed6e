'use client';

import { Select } from 'antd';
import type { Part } from '@/core/devices/parts';

interface PartChoiceProps {
  label: string;
  placeholder?: string;
  width?: number | string;
  parts: readonly Part[];
  onChoose(part: Part): void;
}

/** A box to find a part in by any word for it. */
export function PartChoice({ label, placeholder = 'a switch, relay, joint, plug…', width = 230, parts, onChoose }: PartChoiceProps) {
  return (
    <Select<string>
      size="small"
      aria-label={label}
      value={null}
      placeholder={placeholder}
      style={{ width }}
      popupMatchSelectWidth={false}
      showSearch={{
        filterOption: (typed, option) =>
          matches(
            typed,
            parts.find(({ id }) => id === option?.value),
          ),
      }}
      notFoundContent="no part goes by that name here"
      onChange={(id) => {
        const part = parts.find((one) => one.id === id);
        if (part) onChoose(part);
      }}
      options={parts.map(({ id, label: text }) => ({ value: id, label: text }))}
    />
  );
}

function matches(typed: string, part: Part | undefined): boolean {
  const text = part ? `${part.label} ${part.also}`.toLowerCase() : '';
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
