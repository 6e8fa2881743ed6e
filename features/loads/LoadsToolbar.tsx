'use client';

import { Button, Dropdown, Segmented } from 'antd';
import { memo } from 'react';
import { useDesign } from '@/features/design/DesignProvider';
import { ScenarioBar } from './ScenarioBar';
import type { Grouping } from './useLoadRows';
import styles from './LoadsStage.module.css';

interface LoadsToolbarProps {
  grouping: Grouping;
  onGrouping(grouping: Grouping): void;
  onDialog(dialog: 'import' | 'zones'): void;
}

export const LoadsToolbar = memo(function LoadsToolbar({ grouping, onGrouping, onDialog }: LoadsToolbarProps) {
  const id = useDesign((state) => state.id);
  return (
    <div className={styles.toolbar}>
      <h2>Loads</h2>
      <ScenarioBar />
      <Segmented<Grouping>
        aria-label="Group loads"
        value={grouping}
        onChange={onGrouping}
        options={[
          { value: 'zone', label: 'By zone' },
          { value: 'circuit', label: 'By circuit' },
          { value: 'none', label: 'One list' },
        ]}
      />
      <span className={styles.right}>
        <Button size="small" onClick={() => onDialog('zones')}>
          Zones
        </Button>
        <Dropdown
          trigger={['click']}
          menu={{
            items: [
              { key: 'import', label: 'Take loads from a CSV file…', onClick: () => onDialog('import') },
              { key: 'export', label: <a href={`/api/designs/${id}/loads.csv`}>Save loads as CSV</a> },
            ],
          }}
        >
          <Button size="small">CSV</Button>
        </Dropdown>
      </span>
    </div>
  );
});
