'use client';

import { useRef, useState } from 'react';
import { parseHours, parseNumber, type Parsed } from '@/core/units/parse';
import { formatEntered } from '@/core/units/quantity';
import { outOfRange, unreadWords } from '@/core/wording/unreadWords';
import { leavesOnly } from './leavesOnly';
import styles from './QuantityField.module.css';

interface FieldProps {
  label: string;
  /** A value at the end of the range, written for a person; absent: the number and the unit. */
  write?(value: number): string;
  /** The value as text while nobody types. */
  text: string;
  unit: string;
  parse(text: string): Parsed;
  least: number;
  most: number;
  onPreview?(value: number): string | null;
  onCommit(value: number): void;
  onCancel?(): void;
  measured?: boolean;
  /** In pixels; absent: wide enough for four digits beside the unit. */
  width?: number;
}

/** A field that reads a quantity as people write it, shows the result as they type, and says what is wrong in place. */
export function ParsedField({
  label,
  text,
  unit,
  parse,
  least,
  most,
  write = (value) => `${Number(value.toFixed(3))} ${unit}`.trim(),
  onPreview,
  onCommit,
  onCancel,
  measured = false,
  width = Math.max(84, 36 + 8 * unit.length),
}: FieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const left = useRef(false);

  const input = useRef<HTMLInputElement>(null);
  const read = (typed: string): number | null => {
    const parsed = parse(typed);
    const why = !parsed.ok ? unreadWords(parsed.why) : parsed.value < least || parsed.value > most ? outOfRange(least, most, write) : null;
    setProblem(why);
    // A form is not sent with a number in it that was not taken.
    input.current?.setCustomValidity(why ?? '');
    return parsed.ok && why === null ? parsed.value : null;
  };
  const type = (typed: string) => {
    left.current = false;
    setDraft(typed);
    const value = read(typed);
    if (value !== null) onPreview?.(value);
  };
  const finish = () => {
    if (draft === null || left.current) return;
    const value = read(draft);
    if (value === null) return;
    setDraft(null);
    onCommit(value);
  };
  const leave = () => {
    left.current = true;
    setDraft(null);
    setProblem(null);
    input.current?.setCustomValidity('');
    onCancel?.();
  };
  return (
    <span className={`${styles.field} ${problem ? styles.wrong : ''} ${measured ? styles.measured : ''}`} style={{ width }}>
      <input
        ref={input}
        className="reading"
        aria-label={label}
        aria-invalid={problem !== null}
        title={problem ?? label}
        inputMode="decimal"
        value={draft ?? text}
        onFocus={(event) => {
          left.current = false;
          event.target.select();
        }}
        onChange={(event) => type(event.target.value)}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key === 'Enter') finish();
          if (event.key !== 'Escape') return;
          leavesOnly(event, draft !== null);
          leave();
        }}
      />
      <span className={styles.unit}>{unit}</span>
      {problem && (
        <span role="alert" className={styles.problem}>
          {problem}
        </span>
      )}
    </span>
  );
}

interface QuantityFieldProps extends Omit<FieldProps, 'text' | 'parse'> {
  value: number;
  decimals: number;
}

/** A plain number with its unit. */
export function QuantityField({ value, decimals, unit, ...rest }: QuantityFieldProps) {
  const parse = unit === 'h' ? parseHours : (text: string) => parseNumber(text, [unit]);
  return <ParsedField {...rest} unit={unit} text={formatEntered(value, decimals)} parse={parse} />;
}
