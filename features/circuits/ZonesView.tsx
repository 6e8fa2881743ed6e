'use client';

import { useMemo } from 'react';
import { voltsLeft, type VoltsLeft } from '@/core/analysis/leastVolts';
import { SEEN_V, zoneDrops } from '@/core/analysis/zoneDrops';
import type { LoadAnalysis } from '@/core/analysis/types';
import { nameOf } from '@/core/design/names';
import { formatPercent, formatVolts, MISSING } from '@/core/units/quantity';
import { isOver } from '@/core/units/compare';
import { useDesign } from '@/features/design/DesignProvider';
import { Table, type Column } from '@/ui/Table';
import styles from './ZonesView.module.css';

/** Drop by zone on one page: the worst, the mean, and how alike the lamps of a zone burn. */
export function ZonesView() {
  const analysis = useDesign((state) => state.analysis);
  const zones = useMemo(() => zoneDrops(analysis), [analysis]);
  const { design, circuits } = analysis;
  const left = useMemo(() => voltsLeft(analysis), [analysis]);
  const targets = useMemo(() => new Map(circuits.map(({ id, targetPercent }) => [id, targetPercent])), [circuits]);
  if (zones.length === 0) return <p className={styles.nothing}>Once loads hang on circuits, this shows how evenly each zone is fed.</p>;
  const most = Math.max(...zones.map(({ worstPercent }) => worstPercent), ...targets.values());
  const target = ({ circuitId }: LoadAnalysis) => targets.get(circuitId!)!;
  // As wide in every zone, so that figures stand under one another down the page.
  const columns: Column<LoadAnalysis>[] = [
    { head: 'Load', as: 'name', width: '21%', look: styles.name, cell: ({ id }) => nameOf(design, id) },
    {
      head: 'Drop, of its target',
      spans: 3,
      width: '25%',
      cell: (load) => (
        <span className={styles.bar} aria-hidden>
          <span
            className={styles.fill}
            data-over={isOver(load.dropPercent, target(load), 1) || undefined}
            style={{ width: `${(load.dropPercent / most) * 100}%` }}
          />
          <span className={styles.target} style={{ left: `${(target(load) / most) * 100}%` }} />
        </span>
      ),
    },
    { as: 'figure', width: '8%', cell: ({ dropPercent }) => formatPercent(dropPercent) },
    { as: 'figure', width: '10%', cell: (load) => `of ${formatPercent(target(load))}` },
    { head: 'Lost', as: 'figure', width: '9%', cell: ({ dropV }) => (dropV > 0 ? formatVolts(dropV) : MISSING) },
    {
      head: 'Battery low',
      as: 'figure',
      width: '9%',
      look: (load) => starved(left?.(load), false),
      cell: (load) => formatVolts(left?.(load)?.lowV ?? null),
    },
    {
      head: 'At idle',
      as: 'figure',
      width: '9%',
      look: (load) => starved(left?.(load), true),
      cell: (load) => formatVolts(left?.(load)?.idleV ?? null),
    },
    { head: 'Needs', as: 'figure', width: '9%', cell: (load) => formatVolts(left?.(load)?.needsV ?? null) },
  ];
  return (
    <div className={styles.body} role="region" aria-label="Drop by zone" tabIndex={0}>
      {zones.map(({ id, loads, worstPercent, meanPercent, lampSpreadV }) => (
        <section key={id ?? 'none'} className={styles.card} aria-label={id ? nameOf(design, id) : 'In no zone'}>
          <h3>{id ? nameOf(design, id) : 'In no zone'}</h3>
          <p className={styles.said}>
            worst <b className="reading">{formatPercent(worstPercent)}</b>, mean {formatPercent(meanPercent)}
            {lampSpreadV !== null && (
              <>
                , lamps differ by <span className={lampSpreadV > SEEN_V ? styles.seen : undefined}>{formatVolts(lampSpreadV)}</span>
                {lampSpreadV > SEEN_V && ', which shows side by side'}
              </>
            )}
          </p>
          <Table columns={columns} rows={loads} keyOf={({ id: loadId }) => loadId} />
        </section>
      ))}
    </div>
  );
}

/** How what is starved shows, at idle where it runs with the engine alone, otherwise with the battery low. */
const starved = (volts: VoltsLeft | undefined, atIdle: boolean) =>
  volts?.starved && volts.engineOnly === atIdle ? styles.starved : undefined;
