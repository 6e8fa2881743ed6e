'use client';

import { Button, Progress } from 'antd';
import { useState } from 'react';
import { isEmpty } from '@/core/design/change';
import { nameOf } from '@/core/design/names';
import { wordFinding } from '@/core/wording/wording';
import type { Measure } from '@/core/advice/proposal';
import { leastWay, type Way, type WayKind } from '@/core/advice/ways/compareWays';
import { usualTrunkMm } from '@/core/advice/ways/subBlock';
import { formatConductor, formatLength, formatNumber, formatPercent, formatRating, MISSING } from '@/core/units/quantity';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { MmField } from '@/ui/MmField';
import { usePrices } from '@/features/design/usePrices';
import { Table } from '@/ui/Table';
import styles from './ProposeDialog.module.css';
import { useSizing } from './useSizing';

const WAY_WORDS: Record<WayKind, string> = {
  asItIs: 'As it is',
  oneSize: 'One size a circuit',
  ownSizes: 'Every wire its own size',
  subBlock: 'A fuse block nearer to them',
  twoTrunks: 'A second trunk',
};

/** The ways to wire a zone or a circuit side by side, each taken by a click. */
export function WaysTable({ circuitIds, measure, onTaken }: { circuitIds: readonly string[]; measure: Measure; onTaken(): void }) {
  const store = useDesignStore();
  const units = useUnits();
  const prices = usePrices();
  const analysis = useDesign((state) => state.analysis);
  const [trunkMm, setTrunkMm] = useState<number | null>(null);
  const usualMm = usualTrunkMm(analysis, circuitIds);
  const { done, answer } = useSizing({ ask: 'ways', circuitIds, measure, prices, trunkMm });
  const ways = answer && 'ways' in answer ? answer.ways : null;
  const best = ways && leastWay(ways, measure);
  const take = (way: Way) => {
    const refused = store.commit(`${WAY_WORDS[way.kind]}: ${scopeName(circuitIds.length)}`, () => way.change);
    if (refused === null) onTaken();
  };
  return (
    <>
      {usualMm !== null && (
        <p className={styles.bar}>
          <label>
            a nearer block stands
            <MmField
              label="How far from the fuse block a nearer one stands"
              mm={trunkMm ?? usualMm}
              units={units}
              least={300}
              most={usualMm}
              onPreview={() => null}
              onCommit={setTrunkMm}
              onCancel={() => undefined}
            />
            from the one there is
          </label>
        </p>
      )}
      {!ways && <Progress percent={Math.round(done * 100)} aria-label="Ways tried" />}
      {ways && (
        <div className={styles.scroller} role="region" aria-label="Ways side by side" tabIndex={0}>
          <Table
            columns={[
              {
                head: 'Way',
                cell: (way) => (
                  <>
                    {WAY_WORDS[way.kind]}
                    {way === best && <b className={styles.best}>least</b>}
                    <Takes way={way} of={circuitIds.length} />
                  </>
                ),
              },
              { head: `Cable, ${prices.currency}`, as: 'figure', cell: ({ cableCost }) => formatNumber(cableCost, 1) },
              { head: 'Blocks and fuses', as: 'figure', cell: ({ partsCost }) => (partsCost === 0 ? MISSING : formatNumber(partsCost, 1)) },
              { head: 'Together', as: 'figure', cell: ({ cableCost, partsCost }) => formatNumber(cableCost + partsCost, 1) },
              { head: 'Copper, g', as: 'figure', cell: ({ weightKg }) => formatNumber(weightKg * 1000, 0) },
              { head: 'Worst drop', as: 'figure', cell: ({ worstDropPercent }) => formatPercent(worstDropPercent) },
              { head: 'Mean drop', as: 'figure', cell: ({ meanDropPercent }) => formatPercent(meanDropPercent) },
              {
                label: 'Take',
                cell: (way) =>
                  way.kind !== 'asItIs' && (
                    <Button
                      size="small"
                      disabled={isEmpty(way.change) || way.breaks.length > 0}
                      aria-label={`Take: ${WAY_WORDS[way.kind]}`}
                      onClick={() => take(way)}
                    >
                      Take
                    </Button>
                  ),
              },
            ]}
            rows={ways}
            keyOf={({ kind }) => kind}
            lookOf={(way) => (way === best ? styles.least : undefined)}
            className={styles.table}
          />
        </div>
      )}
    </>
  );
}

function scopeName(count: number): string {
  return count === 1 ? 'one circuit' : `${count} circuits`;
}

/** What a way needs beside cable, or what stands against it. */
function Takes({ way: { takes, breaks, leaves }, of }: { way: Way; of: number }) {
  const units = useUnits();
  const design = useDesign((state) => state.design);
  if (breaks.length > 0)
    return <span className={styles.against}>no way: {wordFinding(breaks[0]!, design, units).title.toLowerCase()}</span>;
  if (leaves.length > 0)
    return <span className={styles.against}>does not keep every rule: {wordFinding(leaves[0]!, design, units).title.toLowerCase()}</span>;
  if (takes?.kind === 'twoTrunks') return <span className={styles.takes}>to {nameOf(design, takes.loadId)} and what hangs behind it</span>;
  if (takes?.kind !== 'subBlock') return null;
  const { blockName, moved, slots, ratingA, conductor, trunkMm } = takes;
  return (
    <span className={styles.takes}>
      {blockName}, {slots} slots for {moved} of {of} circuits, fed by {formatRating(ratingA)} over {formatLength(trunkMm, units)} of{' '}
      {formatConductor(conductor)}
    </span>
  );
}
