'use client';

import { Input } from 'antd';
import { useState } from 'react';
import { LIMITS } from '@/core/catalog/vocabulary';
import { leavesOnly } from './leavesOnly';

interface NoteFieldProps {
  label: string;
  text: string;
  placeholder?: string;
  onCommit(text: string): void;
}

/** A few sentences: leaving the field takes them, so does Enter with Ctrl or the command key; Escape leaves them as they were. */
export function NoteField({ label, text, placeholder, onCommit }: NoteFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const commit = () => {
    if (draft !== null && draft.trim() !== text) onCommit(draft.trim());
    setDraft(null);
  };
  return (
    <Input.TextArea
      aria-label={label}
      autoSize={{ minRows: 2, maxRows: 8 }}
      maxLength={LIMITS.noteLength}
      placeholder={placeholder}
      value={draft ?? text}
      onChange={({ target }) => setDraft(target.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) commit();
        if (event.key !== 'Escape') return;
        leavesOnly(event, draft !== null);
        setDraft(null);
      }}
    />
  );
}
