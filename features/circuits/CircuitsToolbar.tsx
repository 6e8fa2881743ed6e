'use client';

import { Button, Segmented } from 'antd';
import { Plus } from 'lucide-react';
import { memo } from 'react';
import { StatePicker } from './StatePicker';
import styles from './CircuitsStage.module.css';

export type Order = 'number' | 'worst' | 'zone';

interface CircuitsToolbarProps {
  order: Order;
  anyOpen: boolean;
  onOrder(order: Order): void;
  onOpenAll(all: boolean): void;
  onAdd(): void;
  onReadings(): void;
}

export const CircuitsToolbar = memo(function CircuitsToolbar({
  order,
  anyOpen,
  onOrder,
  onOpenAll,
  onAdd,
  onReadings,
}: CircuitsToolbarProps) {
  return (
    <div className={styles.toolbar}>
      <h2>Circuits</h2>
      <Segmented<Order>
        aria-label="Order of circuits"
        value={order}
        onChange={onOrder}
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
      <Button size="small" onClick={onReadings}>
        Readings
      </Button>
      <Button size="small" type="primary" icon={<Plus size={15} />} onClick={onAdd} className={styles.add}>
        Add circuit
      </Button>
    </div>
  );
});
