'use client';

import { Alert, Button, Modal } from 'antd';
import Link from 'next/link';
import type { DesignRecord } from '@/core/design/schema';
import { nameOf } from '@/core/design/names';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import type { EditConflict } from '@/features/design/designStore';
import styles from './Notices.module.css';

/** What a person must know or decide about their edits: a refusal, a conflict with another tab, a design deleted elsewhere. */
export function Notices() {
  const store = useDesignStore();
  const problem = useDesign((state) => state.problem);
  const conflict = useDesign((state) => state.conflict);
  const gone = useDesign((state) => state.gone);
  return (
    <>
      {problem && (
        <div className={styles.problem}>
          <Alert type="error" showIcon title={problem} closable={{ onClose: store.dismissProblem }} />
        </div>
      )}
      {conflict && <ConflictDialog conflict={conflict} />}
      {gone && (
        <Modal open title="This design has been deleted" closable={false} footer={<Link href="/">To all designs</Link>}>
          It was deleted in another window. It can be brought back from the list of designs.
        </Modal>
      )}
    </>
  );
}

function ConflictDialog({ conflict }: { conflict: EditConflict }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const { mine, current } = conflict;
  const rows = mine.change.updated.flatMap(({ from, to }) => {
    const now = current.find((record) => record?.id === from.id) ?? null;
    return changedRows(from, to, now).map((row) => ({ ...row, name: nameOf(design, from.id) }));
  });
  return (
    <Modal
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
        <table className={styles.conflict}>
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Before</th>
              <th scope="col">The other window</th>
              <th scope="col">Mine</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ name, field, before, theirs, my }) => (
              <tr key={`${name}${field}`}>
                <th scope="row">
                  {name}, {field}
                </th>
                <td>{before}</td>
                <td>{theirs}</td>
                <td>{my}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Modal>
  );
}

function changedRows(from: DesignRecord, to: DesignRecord, now: DesignRecord | null) {
  const read = (record: DesignRecord | null, field: string) =>
    record === null ? 'removed' : plain((record as Record<string, unknown>)[field]);
  return Object.keys(to)
    .filter((field) => read(from, field) !== read(to, field))
    .map((field) => ({ field: FIELD_NAMES[field] ?? field, before: read(from, field), theirs: read(now, field), my: read(to, field) }));
}

/** Field names where the record's own word would not be understood. */
const FIELD_NAMES: Record<string, string> = {
  ratingA: 'rating, A',
  lengthMm: 'length, mm',
  zoneId: 'zone',
  targetPercent: 'drop target, %',
  capacityAh: 'capacity, Ah',
  rated: 'rated draw',
  hoursPerDay: 'hours a day',
  sharePercent: 'share of the time, %',
};

function plain(value: unknown): string {
  if (value === null || value === undefined) return '–';
  if (typeof value !== 'object') return String(value);
  return Object.values(value)
    .filter((part) => typeof part !== 'object')
    .join(' ');
}
