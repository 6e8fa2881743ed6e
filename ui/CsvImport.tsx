'use client';

import { Alert, Button, Input } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import type { Change } from '@/core/design/change';
import { LIMITS } from '@/core/catalog/vocabulary';
import { Dialog } from './Dialog';
import styles from './CsvImport.module.css';
import { FileButton } from './FileButton';
import { Table, type Column } from './Table';

const ACTIONS = { add: 'new', change: 'changes', refuse: 'left out' } as const;

/** Rows shown at first, and again with each press. */
const SHOWN = 100;

/** A row of CSV and what would become of it. */
interface Row {
  line: number;
  action: keyof typeof ACTIONS;
  problems: string[];
}

interface CsvImportProps<R extends Row> {
  title: string;
  /** What the file should look like. */
  help: ReactNode;
  /** What one of its rows is. */
  noun: 'load' | 'row' | 'line';
  /** Reads a text without taking anything. Give the same function while what it reads against is the same. */
  read(text: string): { rows: R[]; faults: string[]; change: Change | null; notes?: string[] };
  /** Columns between what becomes of a row and what is wrong with it. */
  columns: readonly Column<R>[];
  /** What was pasted elsewhere, already in the box. */
  pasted?: string;
  /** @param what how many of what, in words */
  onTake(change: Change, what: string): void;
  onClose(): void;
}

/** Records from CSV, from a file or pasted: what would become of each row is shown before anything is taken. */
export function CsvImport<R extends Row>({ title, help, noun, read, columns, pasted = '', onTake, onClose }: CsvImportProps<R>) {
  const [text, setText] = useState(pasted);
  const [tooLarge, setTooLarge] = useState(false);
  const [shown, setShown] = useState(SHOWN);
  const reading = useMemo(() => (text.trim() === '' ? null : read(text)), [text, read]);
  const all = reading?.rows ?? [];
  const leftOut = all.filter(({ action }) => action === 'refuse');
  const [good, bad] = [all.length - leftOut.length, leftOut.length];
  // Where not all are shown, what is wrong is not among those that are not.
  const ordered = all.length > shown ? [...leftOut, ...all.filter(({ action }) => action !== 'refuse')] : all;
  const rows = ordered.slice(0, shown);
  const hidden = all.length - rows.length;
  const counted = good === 0 ? `${noun}s` : good === 1 ? `one ${noun}` : `${good} ${noun}s`;

  const open = (file: File) => {
    setTooLarge(file.size > LIMITS.importBytes);
    if (file.size <= LIMITS.importBytes) void file.text().then(setText);
  };
  const take = () => {
    if (!reading?.change) return;
    onTake(reading.change, counted);
    onClose();
  };
  return (
    <Dialog
      open
      title={title}
      width={860}
      onCancel={onClose}
      onOk={take}
      okText={`Take ${counted}`}
      okButtonProps={{ disabled: good === 0 || !reading?.change }}
    >
      {help}
      <div style={{ display: 'flex', gap: 10, marginBottom: 10 }}>
        <FileButton text="Choose a file" accept=".csv,.tsv,.txt,text/csv" onFile={open} />
        <Input.TextArea
          aria-label="CSV text"
          rows={3}
          value={text}
          placeholder="or paste it here"
          onChange={(event) => setText(event.target.value)}
        />
      </div>
      {tooLarge && (
        <Alert type="error" showIcon title={`That file is larger than ${LIMITS.importBytes / 1_000_000} MB; nothing was read.`} />
      )}
      {reading?.faults.map((fault) => (
        <Alert key={fault} type="error" showIcon title={`The file cannot be taken: ${fault}.`} />
      ))}
      {reading && reading.faults.length === 0 && (
        <>
          {reading.notes?.map((note) => (
            <p key={note}>{note}</p>
          ))}
          {bad > 0 && <Alert type="warning" showIcon title={`${bad} of ${all.length} rows cannot be taken; the others can.`} />}
          <div className={styles.rows} tabIndex={0} role="group" aria-label="Rows read">
            <Table<R>
              rows={rows}
              keyOf={({ line }) => line}
              columns={[
                { head: 'Line', as: 'figure', cell: ({ line }) => line },
                {
                  head: 'Is',
                  look: ({ action }) => styles[action],
                  cell: ({ action }) => ACTIONS[action],
                },
                ...columns,
                { head: 'What is wrong', cell: ({ problems }) => problems.join('; ') },
              ]}
            />
            {hidden > 0 && (
              <Button onClick={() => setShown(shown + SHOWN)}>
                Show {Math.min(hidden, SHOWN)} more of {hidden}
              </Button>
            )}
          </div>
        </>
      )}
    </Dialog>
  );
}
