'use client';

import type { InputRef } from 'antd';
import type { CSSProperties, Ref } from 'react';
import { LIMITS } from '@/core/catalog/vocabulary';
import { nameProblem } from './nameProblem';
import { Input } from './Input';

interface NameInputProps {
  label: string;
  value: string;
  onChange(value: string): void;
  onEnter?(): void;
  onBlur?(): void;
  placeholder?: string;
  size?: 'small' | 'middle';
  autoFocus?: boolean;
  most?: number;
  style?: CSSProperties;
  ref?: Ref<InputRef>;
}

/** What a cell of a spreadsheet brings along, tabs above all, and no name has. */
const CONTROLS = /[\u0000-\u001f\u007f]+/g;

/** A name being written. One too long stays as it was written and says so. */
export function NameInput({ label, value, onChange, onEnter, onBlur, most = LIMITS.nameLength, size = 'small', ...rest }: NameInputProps) {
  const problem = nameProblem(value, most);
  return (
    <>
      <Input
        {...rest}
        size={size}
        aria-label={label}
        aria-invalid={problem !== null}
        status={problem ? 'error' : undefined}
        value={value}
        onChange={(event) => onChange(event.target.value.replace(CONTROLS, ' '))}
        onPressEnter={() => problem === null && onEnter?.()}
        onBlur={onBlur}
      />
      {problem && (
        <small role="alert" style={{ color: 'var(--brick)', whiteSpace: 'nowrap' }}>
          {problem}
        </small>
      )}
    </>
  );
}
