'use client';

import { Button, Input, Select } from 'antd';
import { ImagePlus } from 'lucide-react';
import { useRef, useState } from 'react';
import { EVENT_KINDS, INSPECTIONS, LIMITS, type EventKind, type Inspection } from '@/core/catalog/vocabulary';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import { nameOf } from '@/core/design/names';
import { parseNumber } from '@/core/units/parse';
import { KM_PER_MILE } from '@/core/units/quantity';
import { EVENT_WORDS, INSPECTION_WORDS } from '@/core/wording/logWords';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { FileChoice } from '@/ui/FileChoice';
import { nameProblem } from '@/ui/nameProblem';
import { today } from '@/core/units/days';
import { unreadWords } from '@/core/wording/unreadWords';
import { AboutSelect } from './AboutSelect';
import { useLogDraft } from './useLogDraft';
import { useTakePhoto } from './useTakePhoto';
import styles from './Log.module.css';

/** What is being written, before it is written down. */
export interface LogDraft {
  kind: EventKind;
  on: string;
  text: string;
  by: string;
  odometer: string;
  inspected: Inspection[];
  aboutIds: string[];
}

/** Writes a line of the logbook. What is typed is kept in this browser until it is written down. */
export function LogForm({ onPhotos }: { onPhotos(): void }) {
  const design = useDesign((state) => state.design);
  const designId = useDesign((state) => state.id);
  const units = useUnits();
  const road = units === 'metric' ? 'km' : 'mi';
  const [draft, set, clear] = useLogDraft(designId);
  const [files, setFiles] = useState<readonly File[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const { take, problem: photoProblem } = useTakePhoto(onPhotos);
  const { commit, refusal } = useRefusal();
  const { kind, on, text, by, odometer, inspected, aboutIds } = draft;
  const write = () => {
    const km = odometer.trim() === '' ? null : parseNumber(odometer, [road]);
    const why =
      text.trim() === '' && inspected.length === 0 && files.length === 0
        ? 'Write what was done or seen.'
        : km && (!km.ok || km.value < 0 || km.value > 3_000_000)
          ? `The odometer: ${km.ok ? `from 0 to 3 000 000 ${road}` : unreadWords(km.why)}.`
          : by.trim() !== '' && nameProblem(by, LIMITS.nameLength)
            ? `Who: ${nameProblem(by, LIMITS.nameLength)}.`
            : !/^\d{4}-\d\d-\d\d$/.test(on)
              ? 'Give the day.'
              : null;
    setProblem(why);
    if (why !== null) return;
    const id = newId('event');
    const refused = commit(`Logbook: ${EVENT_WORDS[kind]}`, (now) => {
      const edit = new Edit(now);
      edit.add({
        ...{ id, type: 'event', kind, on, text: text.trim() },
        ...(by.trim() !== '' && { by: by.trim() }),
        ...(km?.ok && { odometerKm: units === 'metric' ? km.value : km.value * KM_PER_MILE }),
        ...(kind === 'inspection' && inspected.length > 0 && { inspected }),
        ...(aboutIds.length > 0 && { about: aboutIds.map((one) => ({ id: one, name: nameOf(design, one).slice(0, LIMITS.nameLength) })) }),
      });
      return edit.change;
    });
    if (refused !== null) return;
    for (const file of files) void take(file, id);
    setFiles([]);
    clear();
  };
  return (
    <form
      className={styles.form}
      aria-label="Write into the logbook"
      onSubmit={(event) => {
        event.preventDefault();
        write();
      }}
    >
      <div className={styles.row}>
        <Select<EventKind>
          aria-label="What kind"
          style={{ width: 160 }}
          value={kind}
          onChange={(value) => set({ kind: value })}
          options={EVENT_KINDS.map((value) => ({ value, label: EVENT_WORDS[value] }))}
        />
        <input type="date" aria-label="Day" value={on} max={today()} onChange={({ target }) => set({ on: target.value })} />
      </div>
      <Input.TextArea
        aria-label="What was done or seen"
        placeholder="What was done or seen, and why"
        value={text}
        maxLength={LIMITS.noteLength}
        autoSize={{ minRows: 2, maxRows: 8 }}
        onChange={({ target }) => set({ text: target.value })}
      />
      {kind === 'inspection' && (
        <Select
          mode="multiple"
          aria-label="What was looked at"
          placeholder="what was looked at and found good"
          style={{ width: '100%' }}
          value={inspected}
          onChange={(value: Inspection[]) => set({ inspected: value })}
          options={INSPECTIONS.map((value) => ({ value, label: INSPECTION_WORDS[value].name }))}
        />
      )}
      <AboutSelect chosen={aboutIds} onChange={(ids) => set({ aboutIds: ids })} />
      <div className={styles.row}>
        <Input aria-label="Who" placeholder="who" style={{ width: 150 }} value={by} onChange={({ target }) => set({ by: target.value })} />
        <Input
          aria-label="Odometer"
          placeholder="odometer"
          suffix={road}
          inputMode="decimal"
          style={{ width: 150 }}
          value={odometer}
          onChange={({ target }) => set({ odometer: target.value })}
        />
        <Button icon={<ImagePlus size={16} />} onClick={() => chooser.current?.click()}>
          {files.length === 0 ? 'Photo' : `${files.length} ${files.length === 1 ? 'photo' : 'photos'}`}
        </Button>
        <Button type="primary" htmlType="submit">
          Write down
        </Button>
      </div>
      <FileChoice
        label="Photo to write down"
        accept="image/*"
        chooser={chooser}
        onFile={(file) => setFiles([...files, file])}
        problems={[problem, photoProblem].flatMap((one) => (one ? [one] : []))}
      />
      {refusal}
    </form>
  );
}
