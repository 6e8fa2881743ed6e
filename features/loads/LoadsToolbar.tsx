'use client';

import { Button, Segmented } from 'antd';
import { memo } from 'react';
import { useViewQuery } from '@/features/design/useViewQuery';
import { useDesign } from '@/features/design/DesignProvider';
import { MenuButton } from '@/ui/MenuButton';
import { GiveCircuits } from './GiveCircuits';
import { ScenarioBar } from './ScenarioBar';
import type { Grouping } from './useLoadRows';
import styles from './LoadsStage.module.css';

export type LoadsShown = 'list' | 'budget';

interface LoadsToolbarProps {
  shown: LoadsShown;
  onShown(shown: LoadsShown): void;
  grouping: Grouping;
  onGrouping(grouping: Grouping): void;
  onDialog(dialog: 'import' | 'zones'): void;
  /** Loads that got no circuit, each with why. */
  onLeft(left: string[]): void;
}

export const LoadsToolbar = memo(function LoadsToolbar({ shown, onShown, grouping, onGrouping, onDialog, onLeft }: LoadsToolbarProps) {
  const id = useDesign((state) => state.id);
  const viewQuery = useViewQuery();
  return (
    <div className={styles.toolbar}>
      <h2>Loads</h2>
      <ScenarioBar />
      <Segmented<LoadsShown>
        aria-label="What is shown"
        value={shown}
        onChange={onShown}
        options={[
          { value: 'list', label: 'The list' },
          { value: 'budget', label: 'The budget' },
        ]}
      />
      {shown === 'list' && (
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
      )}
      <span className={styles.right}>
        <GiveCircuits onLeft={onLeft} />
        <Button size="small" onClick={() => onDialog('zones')}>
          Zones
        </Button>
        <MenuButton
          size="small"
          items={[
            { key: 'import', label: 'Take loads from a list or a CSV file…', onClick: () => onDialog('import') },
            { key: 'export', label: <a href={`/api/designs/${id}/loads.csv${viewQuery}`}>Save loads as CSV</a> },
            { key: 'budget', label: <a href={`/api/designs/${id}/budget.csv${viewQuery}`}>Save the budget as CSV</a> },
          ]}
        >
          CSV
        </MenuButton>
      </span>
    </div>
  );
});
