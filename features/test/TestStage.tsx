'use client';

import { Segmented, Select } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import { nameOf } from '@/core/design/names';
import { useDesign } from '@/features/design/DesignProvider';
import { EmptyStage } from '@/ui/EmptyStage';
import { later } from '@/ui/later';
import { QuantityField } from '@/ui/QuantityField';
import frame from '@/ui/Stage.module.css';
import { usePreload } from '@/ui/usePreload';
import { PlanView } from './PlanView';
import { useMovesFor } from './useMovesFor';
import styles from './Test.module.css';

const FirstPowerView = later(() => import('./FirstPowerView').then(({ FirstPowerView: view }) => view));
const CircuitReadings = later(() => import('./ReadingsOf').then(({ CircuitReadings: view }) => view));
const AllReadings = later(() => import('./ReadingsOf').then(({ AllReadings: view }) => view));
const FaultView = later(() => import('./FaultView').then(({ FaultView: view }) => view));
const LogView = later(() => import('./LogView').then(({ LogView: view }) => view));

const OPENED_LATER = [FirstPowerView, CircuitReadings, FaultView, LogView];

type Shown = 'plan' | 'power' | 'readings' | 'find' | 'log';

/** Volts the battery is taken to have until somebody reads it, of a 12 V system. Common practice: a rested, charged one. */
const USUAL_V = 12.6;

/** Chosen in place of a circuit: all that can be on together. */
const ALL = 'all';

/** Stage Build and test: the work in order, what each point should read, what was read, and what is wrong where it does not. */
export function TestStage() {
  const designId = useDesign((state) => state.id);
  const design = useDesign((state) => state.design);
  const circuits = useDesign(({ analysis }) => analysis.circuits);
  const nominalV = useDesign(({ analysis }) => analysis.index.settings.nominalV);
  const hasBattery = useDesign(({ analysis }) => analysis.index.battery !== null);
  usePreload(OPENED_LATER);
  const [wanted, setWanted] = useState<string | null>(null);
  const [shown, setShown] = useState<Shown>('plan');
  const [batteryV, setBatteryV] = useState((USUAL_V * nominalV) / 12);
  const wired = circuits.filter(({ loadIds, fed }) => loadIds.length > 0 && fed);
  const circuit = wired.find(({ id }) => id === wanted) ?? wired[0] ?? null;
  const moved = useMovesFor(circuit);
  // The logbook is written whether anything is wired yet or not.
  const isWired = hasBattery && circuit !== null;
  return (
    <div className={frame.stage}>
      <div className={frame.toolbar}>
        <h2>Build and test</h2>
        <Segmented<Shown>
          aria-label="What is shown"
          value={shown}
          onChange={setShown}
          options={[
            { value: 'plan', label: 'Work plan' },
            { value: 'power', label: 'First power' },
            { value: 'readings', label: 'Readings' },
            { value: 'find', label: 'Find a fault' },
            { value: 'log', label: 'Logbook' },
          ]}
        />
        {isWired && (shown === 'readings' || shown === 'find') && (
          <>
            <Select
              showSearch
              aria-label="Circuit"
              value={shown === 'readings' && wanted === ALL ? ALL : circuit.id}
              style={{ width: 230 }}
              optionFilterProp="label"
              onChange={setWanted}
              options={[
                ...(shown === 'readings' ? [{ value: ALL, label: 'everything together' }] : []),
                ...wired.map(({ id }) => ({ value: id, label: nameOf(design, id) })),
              ]}
            />
            <span className={styles.battery}>
              battery now
              <QuantityField
                label="Volts at the battery now"
                value={batteryV}
                decimals={2}
                unit="V"
                least={1}
                most={60}
                width={96}
                onCommit={setBatteryV}
              />
            </span>
          </>
        )}
        {isWired && shown === 'find' && <Link href={`/practise/own/${designId}`}>Practise on a copy</Link>}
      </div>
      {shown === 'log' ? (
        <LogView />
      ) : !isWired ? (
        <EmptyStage
          title="Read and compare"
          text="Once a battery feeds circuits, the work stands here in its order, every point with what it should read, and what is wrong is found from what a meter reads."
        >
          <Link href={`/d/${designId}/circuits`}>Give the loads circuits</Link>
        </EmptyStage>
      ) : shown === 'plan' ? (
        <PlanView />
      ) : shown === 'power' ? (
        <FirstPowerView />
      ) : shown === 'readings' && wanted === ALL ? (
        <AllReadings batteryV={batteryV} onFind={() => setShown('find')} />
      ) : moved === null ? (
        <p className={styles.none}>
          Nothing that a hand moves lights {nameOf(design, circuit.id)}. Switching shows why; until then there is nothing to read.
        </p>
      ) : shown === 'readings' ? (
        <CircuitReadings key={circuit.id} circuit={circuit} moved={moved} batteryV={batteryV} onFind={() => setShown('find')} />
      ) : (
        <FaultView circuit={circuit} moved={moved} batteryV={batteryV} />
      )}
    </div>
  );
}
