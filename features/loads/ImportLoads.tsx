'use client';

import { Alert, Modal, Table, Tag } from 'antd';
import { useMemo, useState } from 'react';
import { readLoadsCsv, type CsvRow } from '@/core/formats/loadsCsv';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { CSV_ACTIONS, CsvSource } from '@/ui/CsvSource';

/** Loads from CSV: what would become of each row is shown before anything is taken. */
export function ImportLoads({ onClose }: { onClose(): void }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const [text, setText] = useState('');
  const reading = useMemo(() => (text.trim() === '' ? null : readLoadsCsv(text, design)), [text, design]);
  const good = reading?.rows.filter(({ action }) => action !== 'refuse').length ?? 0;
  const bad = (reading?.rows.length ?? 0) - good;

  const take = () => {
    const change = reading?.change;
    if (!change) return;
    store.commit(`Take ${good} loads from CSV`, () => change);
    onClose();
  };

  return (
    <Modal
      open
      title="Take loads from CSV"
      width={860}
      onCancel={onClose}
      onOk={take}
      okText={good > 0 ? `Take ${good} loads` : 'Take loads'}
      okButtonProps={{ disabled: good === 0 || !reading?.change }}
    >
      <p>
        A heading line, then a load a line: <code>name, zone, quantity, rated, volts, measured, hours, share, lasting</code>. Headings in
        other words are recognised; only a name and a draw are needed.
      </p>
      <CsvSource text={text} onText={setText} />
      {reading?.faults.map((fault) => (
        <Alert key={fault} type="error" showIcon title={`The file cannot be taken: ${fault}.`} />
      ))}
      {reading && reading.faults.length === 0 && (
        <>
          {reading.ignored.length > 0 && <p>Left out, not understood: {reading.ignored.join(', ')}.</p>}
          {reading.newZones.length > 0 && <p>New zones: {reading.newZones.join(', ')}.</p>}
          {bad > 0 && <Alert type="warning" showIcon title={`${bad} of ${reading.rows.length} rows cannot be taken; the others can.`} />}
          <Table<CsvRow>
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
                render: (action: CsvRow['action']) => <Tag color={CSV_ACTIONS[action].colour}>{CSV_ACTIONS[action].text}</Tag>,
              },
              { title: 'Load', dataIndex: 'name', ellipsis: true },
              { title: 'Zone', dataIndex: 'zone', ellipsis: true, width: 130 },
              { title: 'Rated', dataIndex: 'rated', width: 130 },
              { title: 'h a day', dataIndex: 'hours', width: 70 },
              { title: 'What is wrong', dataIndex: 'problems', render: (problems: string[]) => problems.join('; ') },
            ]}
          />
        </>
      )}
    </Modal>
  );
}
