'use client';

import { useMemo } from 'react';
import { voltsLeft } from '@/core/analysis/leastVolts';
import { SEEN_V, zoneDrops } from '@/core/analysis/zoneDrops';
import { nameOf } from '@/core/design/names';
import { formatPercent, formatVolts, MISSING } from '@/core/units/quantity';
import { isOver } from '@/core/units/compare';
import { useDesign } from '@/features/design/DesignProvider';
import styles from './ZonesView.module.css';

/** Alike in every zone, so that figures stand under one another down the page. */
const COLUMNS = ['21%', '25%', '8%', '10%', '9%', '9%', '9%', '9%'];

/** Drop by zone on one page: the worst, the mean, and how alike the lamps of a zone burn. */
export function ZonesView() {
  const analysis = useDesign((state) => state.analysis);
  const zones = useMemo(() => zoneDrops(analysis), [analysis]);
  const { design, circuits } = analysis;
  const left = useMemo(() => voltsLeft(analysis), [analysis]);
  const targets = useMemo(() => new Map(circuits.map(({ id, targetPercent }) => [id, targetPercent])), [circuits]);
  if (zones.length === 0) return <p className={styles.nothing}>Once loads hang on circuits, this shows how evenly each zone is fed.</p>;
  const most = Math.max(...zones.map(({ worstPercent }) => worstPercent), ...targets.values());
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
          <table>
            <colgroup>
              {COLUMNS.map((width, at) => (
                <col key={at} style={{ width }} />
              ))}
            </colgroup>
            <thead>
              <tr>
                <th scope="col">Load</th>
                <th scope="col" colSpan={3}>
                  Drop, of its target
                </th>
                <th scope="col">Lost</th>
                <th scope="col">Battery low</th>
                <th scope="col">At idle</th>
                <th scope="col">Needs</th>
              </tr>
            </thead>
            <tbody>
              {loads.map((entry) => {
                const { id: loadId, circuitId, dropPercent, dropV } = entry;
                const target = targets.get(circuitId!)!;
                const volts = left?.(entry) ?? null;
                return (
                  <tr key={loadId}>
                    <th scope="row">{nameOf(design, loadId)}</th>
                    <td className={styles.barCell}>
                      <span className={styles.bar} aria-hidden>
                        <span
                          className={styles.fill}
                          data-over={isOver(dropPercent, target, 1) || undefined}
                          style={{ width: `${(dropPercent / most) * 100}%` }}
                        />
                        <span className={styles.target} style={{ left: `${(target / most) * 100}%` }} />
                      </span>
                    </td>
                    <td className="reading">{formatPercent(dropPercent)}</td>
                    <td className="reading">of {formatPercent(target)}</td>
                    <td className="reading">{dropV > 0 ? formatVolts(dropV) : MISSING}</td>
                    <td className="reading" data-starved={(volts?.starved && !volts.engineOnly) || undefined}>
                      {formatVolts(volts?.lowV ?? null)}
                    </td>
                    <td className="reading" data-starved={(volts?.starved && volts.engineOnly) || undefined}>
                      {formatVolts(volts?.idleV ?? null)}
                    </td>
                    <td className="reading">{formatVolts(volts?.needsV ?? null)}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </section>
      ))}
    </div>
  );
}
