import { useState } from 'react';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import type { Measurement } from '@/core/diagnosis/diagnose';
import type { Moved } from '@/core/diagnosis/foresee';
import { readingOf, unitOf } from '@/core/diagnosis/readings';
import { parseNumber } from '@/core/units/parse';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { today } from '@/core/units/days';
import { unreadWords } from '@/core/wording/unreadWords';
import styles from './Test.module.css';

interface ReadingFieldProps {
  /** Where the leads are, for a screen reader. */
  label: string;
  what: Measurement;
  moved: readonly Moved[];
  batteryV: number | null;
  /** What was read before that day is history and does not stand in the field; absent: whatever was read last does. */
  since?: string;
  /** Told whether what is in the field is not what is kept. */
  onDraft?(isDraft: boolean): void;
}

/** What a meter read at one point, kept with the design; emptied, it is gone. */
export function ReadingField({ label, what, moved, batteryV, since = '', onDraft }: ReadingFieldProps) {
  const last = useDesign((state) => readingOf(state.design, what, moved));
  const kept = last && last.on >= since ? last : null;
  const { commit, refusal } = useRefusal();
  const [draft, setText] = useState<string | null>(null);
  const setDraft = (text: string | null) => {
    setText(text);
    onDraft?.(text !== null);
  };
  const [why, setWhy] = useState<string | null>(null);
  const unit = unitOf(what);
  const take = () => {
    if (draft === null) return;
    const text = draft.trim();
    const read = text === '' ? null : parseNumber(text, [unit]);
    if (read && (!read.ok || Math.abs(read.value) > 10_000)) return setWhy(read.ok ? 'no meter reads that' : unreadWords(read.why));
    setWhy(null);
    setDraft(null);
    if (read === null && !kept) return;
    if (read?.ok && kept?.value === read.value && kept.batteryV === batteryV && kept.on === today()) return;
    commit(read === null ? 'Remove a reading' : `Reading ${text} ${unit}`, (now) => {
      const edit = new Edit(now);
      // What was read on another day stays: by it one sees how a joint ages.
      if (kept && (read === null || kept.on === today())) edit.remove(kept.id);
      if (read?.ok)
        edit.add({
          ...{ id: newId('read'), type: 'reading', what, value: read.value, batteryV, moved: [...moved] },
          on: today(),
        });
      return edit.change;
    });
  };
  return (
    <span className={styles.entry}>
      <input
        type="text"
        inputMode="decimal"
        autoComplete="off"
        aria-label={label}
        aria-invalid={why !== null}
        value={draft ?? (kept ? String(kept.value) : '')}
        placeholder="–"
        onChange={({ target }) => {
          setDraft(target.value);
          setWhy(null);
        }}
        onBlur={take}
        onKeyDown={({ key }) => {
          if (key === 'Enter') take();
          if (key === 'Escape') {
            setDraft(null);
            setWhy(null);
          }
        }}
      />
      <span>{unit}</span>
      {why && <em role="alert">{why}</em>}
      {refusal}
    </span>
  );
}
