'use client';

import { Input } from 'antd';

/** A name to type over; an empty one is not taken. */
export function NameField({ label, name, onCommit }: { label: string; name: string; onCommit(name: string): void }) {
  return (
    <Input
      key={name}
      size="small"
      aria-label={label}
      defaultValue={name}
      maxLength={80}
      onBlur={(event) => {
        const wanted = event.target.value.trim();
        if (wanted && wanted !== name) onCommit(wanted);
      }}
      onPressEnter={(event) => event.currentTarget.blur()}
    />
  );
}
