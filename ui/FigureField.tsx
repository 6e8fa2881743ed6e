'use client';

import { parseNumber } from '@/core/units/parse';
import { unreadWords } from '@/core/wording/unreadWords';
import { TextField } from './TextField';

interface FigureFieldProps {
  label: string;
  unit: string;
  /** Undefined: not known. */
  value: number | undefined;
  least: number;
  most: number;
  placeholder?: string;
  width?: number;
  /** Takes the figure, or that it is not known; why not, or null. */
  onCommit(value: number | undefined): string | null;
}

/** A figure that may not be known: empty is not known, never nought. */
export function FigureField({ label, unit, value, least, most, placeholder = 'not known', width = 96, onCommit }: FigureFieldProps) {
  return (
    <TextField
      label={label}
      text={value === undefined ? '' : `${String(value)} ${unit}`}
      placeholder={placeholder}
      width={width}
      onCommit={(text) => {
        if (text.trim() === '') return onCommit(undefined);
        const read = parseNumber(text, [unit]);
        if (!read.ok) return unreadWords(read.why);
        if (read.value < least || read.value > most) return `between ${least} and ${most}`;
        return onCommit(read.value);
      }}
    />
  );
}
