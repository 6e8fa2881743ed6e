'use client';

import { Select } from 'antd';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import type { PickedState } from '@/features/design/designStore';
import styles from './CircuitsStage.module.css';

/** Which loads run while the network is solved. */
export function StatePicker() {
  const store = useDesignStore();
  const picked = useDesign((state) => state.picked);
  const scenarios = useDesign(({ analysis }) => analysis.index.scenarios);
  return (
    <label className={styles.picker}>
      <span>Solved with</span>
      <Select<PickedState>
        size="small"
        aria-label="State the network is solved in"
        value={picked}
        onChange={(next) => store.setState({ picked: next })}
        popupMatchSelectWidth={false}
        options={[
          { value: 'allOn', label: 'all on' },
          { value: 'onlyThis', label: 'only each circuit itself' },
          ...scenarios.map(({ id, name }) => ({ value: `scenario:${id}` as const, label: `what “${name}” uses` })),
          { value: 'allOff', label: 'all off' },
        ]}
      />
    </label>
  );
}
