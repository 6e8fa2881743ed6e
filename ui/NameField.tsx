'use client';

import { useState } from 'react';
import { leavesOnly } from './leavesOnly';
import { NameInput } from './NameInput';
import { nameProblem } from './nameProblem';

interface NameFieldProps {
  label: string;
  name: string;
  most?: number;
  placeholder?: string;
  /** Whether nothing may stand there. */
  mayBeEmpty?: boolean;
  /** Why a name cannot be had, or null. */
  refuses?(name: string): string | null;
  onCommit(name: string): void;
}

/** A name to type over. An empty one is not taken; one too long or not to be had stays as it was written and says why. */
export function NameField({ label, name, most, placeholder, mayBeEmpty = false, refuses, onCommit }: NameFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const commit = () => {
    const wanted = draft?.trim();
    if (wanted === undefined || nameProblem(wanted, most)) return;
    const why = wanted === name ? null : (refuses?.(wanted) ?? null);
    setProblem(why);
    if (why !== null) return;
    setDraft(null);
    if (wanted !== name && (wanted !== '' || mayBeEmpty)) onCommit(wanted);
  };
  return (
    <span
      style={{ display: 'block', width: '100%' }}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        leavesOnly(event, draft !== null);
        setDraft(null);
        setProblem(null);
      }}
    >
      <NameInput
        label={label}
        value={draft ?? name}
        onChange={setDraft}
        onEnter={commit}
        onBlur={commit}
        {...(most !== undefined && { most })}
        {...(placeholder !== undefined && { placeholder })}
      />
      {problem && (
        <small role="alert" style={{ color: 'var(--brick)' }}>
          {problem}
        </small>
      )}
    </span>
  );
}
