'use client';

import { Segmented } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { CircuitAnalysis } from '@/core/analysis/types';
import type { Moved } from '@/core/diagnosis/foresee';
import { BlowsView } from './BlowsView';
import { DrainView } from './DrainView';
import { FindView } from './FindView';
import styles from './Test.module.css';

interface FaultViewProps {
  circuit: CircuitAnalysis;
  moved: readonly Moved[];
  batteryV: number | null;
}

type Matter = 'does' | 'blows' | 'drain';

/** What is the matter with a circuit decides how it is looked for. */
export function FaultView({ circuit, moved, batteryV }: FaultViewProps) {
  const [matter, setMatter] = useState<Matter>('does');
  return (
    <>
      <div className={styles.matter}>
        <Segmented<Matter>
          aria-label="What is the matter"
          value={matter}
          onChange={setMatter}
          options={[
            { value: 'does', label: 'It does not do what it should' },
            { value: 'blows', label: 'Its fuse blows' },
            { value: 'drain', label: 'Battery goes flat' },
          ]}
        />
        <Link href={`/handbook/${matter === 'blows' ? 'fuse-blows' : matter === 'drain' ? 'battery-flat' : 'faults'}`}>
          {matter === 'does' ? 'Faults as they come' : 'How it is done'}
        </Link>
      </div>
      {matter === 'does' && <FindView key={circuit.id} circuit={circuit} moved={moved} batteryV={batteryV} />}
      {matter === 'blows' && <BlowsView key={circuit.id} circuit={circuit} moved={moved} />}
      {matter === 'drain' && <DrainView />}
    </>
  );
}
