'use client';

import { Button, Segmented, Select } from 'antd';
import { Plus } from 'lucide-react';
import { memo } from 'react';
import { StatePicker } from './StatePicker';
import styles from './CircuitsStage.module.css';

export type Order = 'number' | 'worst' | 'zone';

/** What of the circuits is looked at. */
export type CircuitsShown = 'runs' | 'protection' | 'zones' | 'parts';

interface CircuitsToolbarProps {
  shown: CircuitsShown;
  onShown(shown: CircuitsShown): void;
  order: Order;
  anyOpen: boolean;
  onOrder(order: Order): void;
  onOpenAll(all: boolean): void;
  onAdd(): void;
  onReadings(): void;
  onPropose(): void;
}

export const CircuitsToolbar = memo(function CircuitsToolbar({
  shown,
  onShown,
  order,
  anyOpen,
  onOrder,
  onOpenAll,
  onAdd,
  onReadings,
  onPropose,
}: CircuitsToolbarProps) {
  return (
    <div className={styles.toolbar}>
      <h2>Circuits</h2>
      <Segmented<CircuitsShown>
        aria-label="What is shown"
        value={shown}
        onChange={onShown}
        options={[
          { value: 'runs', label: 'Runs' },
          { value: 'protection', label: 'Protection' },
          { value: 'zones', label: 'Zones' },
          { value: 'parts', label: 'Parts' },
        ]}
      />
      {shown === 'runs' && (
        <>
          <Select<Order>
            size="small"
            aria-label="Order of circuits"
            value={order}
            onChange={onOrder}
            popupMatchSelectWidth={false}
            options={[
              { value: 'number', label: 'By number' },
              { value: 'worst', label: 'Worst first' },
              { value: 'zone', label: 'By zone' },
            ]}
          />
          <Button size="small" onClick={() => onOpenAll(!anyOpen)}>
            {anyOpen ? 'Close all' : 'Open all'}
          </Button>
          <StatePicker />
        </>
      )}
      <Button size="small" onClick={onReadings}>
        Readings
      </Button>
      <Button size="small" onClick={onPropose}>
        Propose sizes
      </Button>
      <Button size="small" type="primary" icon={<Plus size={15} />} onClick={onAdd} className={styles.add}>
        Add circuit
      </Button>
    </div>
  );
});
