'use client';

import { Alert, Button } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import { changedFields } from '@/core/design/change';
import type { Design } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { nameOf } from '@/core/design/names';
import { placedProblemWords } from '@/core/wording/problemWords';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import type { EditConflict } from '@/features/design/designStore';
import { outbox } from '@/features/design/outbox';
import { Dialog } from '@/ui/Dialog';
import { saveFile } from '@/ui/saveFile';
import { Table } from '@/ui/Table';
import styles from './Notices.module.css';

/** What a person must know or decide about their edits: a refusal, a conflict with another tab, a design deleted elsewhere. */
export function Notices() {
  const store = useDesignStore();
  const problem = useDesign((state) => state.problem);
  const conflict = useDesign((state) => state.conflict);
  const gone = useDesign((state) => state.gone);
  const aside = useDesign((state) => state.aside);
  return (
    <>
      {problem && (
        <div className={styles.problem}>
          <Alert type="error" showIcon title={problem} closable={{ onClose: store.dismissProblem }} />
        </div>
      )}
      {conflict && <ConflictDialog conflict={conflict} />}
      <Unreadable />
      {aside && <SetAside />}
      {gone && <Gone />}
    </>
  );
}

/** Records of the design that are stored and cannot be read. */
function Unreadable() {
  const id = useDesign((state) => state.id);
  const unreadable = useDesign((state) => state.unreadable);
  const [seen, setSeen] = useState(false);
  if (unreadable.length === 0 || seen) return null;
  const [first] = unreadable;
  return (
    <div className={styles.problem}>
      <Alert
        type="error"
        showIcon
        closable={{ onClose: () => setSeen(true) }}
        title={`${unreadable.length === 1 ? 'A stored record' : `${unreadable.length} stored records`} of this design cannot be read and ${unreadable.length === 1 ? 'is' : 'are'} left out. They stay stored as they are.`}
        description={placedProblemWords(first!.why)}
        action={
          <Button size="small" onClick={() => saveFile(`${id}-unreadable.json`, JSON.stringify(unreadable, null, 1))}>
            Save them as a file
          </Button>
        }
      />
    </div>
  );
}

/** Edits this browser kept that could not be sent. */
function SetAside() {
  const store = useDesignStore();
  const id = useDesign((state) => state.id);
  return (
    <div className={styles.problem}>
      <Alert
        type="warning"
        showIcon
        title="Edits kept in this browser could not be sent. They are set aside and change nothing."
        action={
          <span className={styles.actions}>
            <Button size="small" onClick={() => saveFile(`${id}-set-aside.json`, outbox.asideOf(id) ?? '')}>
              Save them as a file
            </Button>
            <Button size="small" danger onClick={store.dropAside}>
              Drop them
            </Button>
          </span>
        }
      />
    </div>
  );
}

/** The design is gone from the server; what this page shows of it can still be saved. */
function Gone() {
  const store = useDesignStore();
  const id = useDesign((state) => state.id);
  const [seen, setSeen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const bringBack = async () => {
    const answer = await fetch(`/api/designs/${id}/restore`, { method: 'POST' }).catch(() => null);
    if (answer?.ok) window.location.reload();
    else
      setProblem(
        answer?.status === 404 ? 'It has been erased for good: save it as a file and import that.' : 'The server cannot be reached.',
      );
  };
  const save = async () => {
    const { writeDesignFile } = await import('@/core/formats/designFile');
    saveFile(`${id}.json`, writeDesignFile(store.getState().whole));
  };
  return (
    <Dialog
      open={!seen}
      title="This design has been deleted"
      onCancel={() => setSeen(true)}
      footer={
        <span className={styles.actions}>
          <Link href="/">To all designs</Link>
          <Button onClick={() => void save()}>Save what is shown as a file</Button>
          <Button type="primary" onClick={() => void bringBack()}>
            Bring it back
          </Button>
        </span>
      }
    >
      It was deleted in another window. What is shown here is no longer stored, and edits are not taken, until it is brought back.
      {problem && <Alert type="error" showIcon title={problem} />}
    </Dialog>
  );
}

function ConflictDialog({ conflict }: { conflict: EditConflict }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const { mine, current } = conflict;
  const rows = mine.change.updated.flatMap(({ from, to }) => {
    const now = current.find((record) => record?.id === from.id) ?? null;
    return changedRows(from, to, now, design).map((row) => ({ ...row, name: nameOf(design, from.id) }));
  });
  return (
    <Dialog
      open
      closable={false}
      title="The same thing was changed in another window"
      footer={
        <>
          <Button onClick={() => store.resolveConflict('theirs')}>Keep the other change</Button>
          <Button type="primary" onClick={() => store.resolveConflict('mine')}>
            Use mine
          </Button>
        </>
      }
    >
      <p>Your edit “{mine.label}” has not been taken. Nothing is lost: choose which of the two should stand.</p>
      {rows.length > 0 && (
        <Table
          columns={[
            { head: 'What', as: 'name', cell: ({ name, field }) => `${name}, ${field}` },
            { head: 'Before', cell: ({ before }) => before },
            { head: 'The other window', cell: ({ theirs }) => theirs },
            { head: 'Mine', cell: ({ my }) => my },
          ]}
          rows={rows}
          keyOf={({ name, field }) => `${name}${field}`}
        />
      )}
    </Dialog>
  );
}

function changedRows(from: DesignRecord, to: DesignRecord, now: DesignRecord | null, design: Design) {
  const read = (record: DesignRecord | null, field: string) =>
    record === null ? 'removed' : plain((record as Record<string, unknown>)[field], design);
  return changedFields(from, to).map((field) => ({
    ...{ field: fieldWords(field), before: read(from, field), theirs: read(now, field), my: read(to, field) },
  }));
}

/** Field names where taking the record's own word apart would not be understood. */
const FIELD_NAMES: Record<string, string> = {
  ratingA: 'rating, A',
  rated: 'rated draw',
  measured: 'measured draw',
  continuous: 'runs for hours',
  exclusiveGroup: 'never with',
  sharePercent: 'duty, %',
  ambientC: 'hottest air, °C',
  usualC: 'usual air, °C',
  via: 'way by hand',
  mount: 'slot',
};

const UNIT_ENDINGS: [ending: RegExp, unit: string][] = [
  [/PerDay$/, 'a day'],
  [/Milliohm$/, 'mΩ'],
  [/Percent$/, '%'],
  [/Deg$/, '°'],
  [/Ah$/, 'Ah'],
  [/Mm$/, 'mm'],
  [/A$/, 'A'],
  [/V$/, 'V'],
  [/H$/, 'h'],
  [/C$/, '°C'],
];

/** A record's field in words with its unit: `capacityAh` is “capacity, Ah”. */
function fieldWords(field: string): string {
  const known = FIELD_NAMES[field];
  if (known !== undefined) return known;
  const unit = UNIT_ENDINGS.find(([ending]) => ending.test(field));
  const words = (unit ? field.replace(unit[0], '') : field)
    .replace(/Id$/, '')
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase();
  return unit ? `${words}, ${unit[1]}` : words;
}

function plain(value: unknown, design: Design): string {
  if (value === null || value === undefined) return '–';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return design.records.has(value) ? nameOf(design, value) : value;
  if (typeof value !== 'object') return String(value);
  return Object.values(value)
    .filter((part) => typeof part !== 'object')
    .map((part) => plain(part, design))
    .join(' ');
}
