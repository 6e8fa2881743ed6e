'use client';

import { useState } from 'react';
import { leavesOnly } from './leavesOnly';
import { nameProblem } from './nameProblem';
import { Input } from './Input';

interface TextFieldProps {
  label: string;
  text: string;
  placeholder?: string;
  width?: number | string;
  /** Takes what was written; why it cannot be read, or null. */
  onCommit(text: string): string | null;
}

/** A field for words with a meaning: Enter or leaving takes them, Escape leaves them, and what cannot be read says why and stays. */
export function TextField({ label, text, placeholder, width = '100%', onCommit }: TextFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const commit = () => {
    if (draft === null) return;
    const why = draft.trim() === text.trim() ? null : (nameProblem(draft, 200) ?? onCommit(draft));
    setProblem(why);
    if (why === null) setDraft(null);
  };
  return (
    <span style={{ display: 'block', width }}>
      <Input
        size="small"
        aria-label={label}
        aria-invalid={problem !== null}
        status={problem ? 'error' : undefined}
        value={draft ?? text}
        placeholder={placeholder}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') {
            leavesOnly(event, draft !== null);
            setDraft(null);
            setProblem(null);
          }
        }}
      />
      {problem && (
        <small role="alert" style={{ color: 'var(--brick)' }}>
          {problem}
        </small>
      )}
    </span>
  );
}
