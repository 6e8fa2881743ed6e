'use client';

import { Alert, Modal, Table, Tag } from 'antd';
import { useMemo, useState } from 'react';
import { readRigCsv, type RigCsvRow } from '@/core/formats/rigCsv';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { CSV_ACTIONS, CsvSource } from '@/ui/CsvSource';

/** Places or routes from CSV: what would become of each row is shown before anything is taken. */
export function ImportRig({ onClose }: { onClose(): void }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const [text, setText] = useState('');
  const reading = useMemo(() => (text.trim() === '' ? null : readRigCsv(text, design)), [text, design]);
  const good = reading?.rows.filter(({ action }) => action !== 'refuse').length ?? 0;
  const bad = (reading?.rows.length ?? 0) - good;
  const take = () => {
    const change = reading?.change;
    if (!change) return;
    store.commit(`Take ${good} rows from CSV`, () => change);
    onClose();
  };
  return (
    <Modal
      open
      title="Take places or routes from CSV"
      width={860}
      onCancel={onClose}
      onOk={take}
      okText={good > 0 ? `Take ${good} rows` : 'Take them'}
      okButtonProps={{ disabled: good === 0 || !reading?.change }}
    >
      <p>
        Places: <code>place, zone, from front, from left, height, free behind, behind</code>. Routes:{' '}
        <code>route, from, to, kind, measured, inside</code>. Bare numbers are millimetres; 3.4 m or 11 ft 2 in may be written too. One of a
        name that is there already is changed.
      </p>
      <CsvSource text={text} onText={setText} />
      {reading?.faults.map((fault) => (
        <Alert key={fault} type="error" showIcon title={`The file cannot be taken: ${fault}.`} />
      ))}
      {reading && reading.faults.length === 0 && (
        <>
          {bad > 0 && <Alert type="warning" showIcon title={`${bad} of ${reading.rows.length} rows cannot be taken; the others can.`} />}
          <Table<RigCsvRow>
            size="small"
            rowKey="line"
            dataSource={reading.rows}
            pagination={{ pageSize: 12, hideOnSinglePage: true, showSizeChanger: false }}
            columns={[
              { title: 'Line', dataIndex: 'line', width: 56 },
              {
                title: '',
                dataIndex: 'action',
                width: 90,
                render: (action: RigCsvRow['action']) => <Tag color={CSV_ACTIONS[action].colour}>{CSV_ACTIONS[action].text}</Tag>,
              },
              { title: 'Name', dataIndex: 'name', ellipsis: true },
              { title: 'Where', dataIndex: 'says', ellipsis: true },
              { title: 'What is wrong', dataIndex: 'problems', render: (problems: string[]) => problems.join('; ') },
            ]}
          />
        </>
      )}
    </Modal>
  );
}
