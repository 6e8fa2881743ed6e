'use client';

import { useMemo } from 'react';
import type { Analysis, LoadAnalysis } from '@/core/analysis/types';
import { nameOf } from '@/core/findings/wording';
import { formatNumber } from '@/core/units/quantity';
import { useDesign } from '@/features/design/DesignProvider';
import type { GridGroup } from '@/ui/grid/types';
import { NO_CIRCUIT } from './cells';
import type { LoadRow } from './columns';

export type Grouping = 'zone' | 'circuit' | 'none';

/** The loads as lines of the table, grouped; a line stays the same object while nothing on it changes. */
export function useLoadRows(grouping: Grouping): GridGroup<LoadRow>[] {
  const analysis = useDesign((state) => state.analysis);
  return useMemo(() => groupRows(analysis, makeRows(analysis), grouping), [analysis, grouping]);
}

/** The line last made for a load's analysis, which is itself kept while nothing in it changes. */
const lineOf = new WeakMap<LoadAnalysis, LoadRow>();

function makeRows({ loads, index, design, scenario }: Analysis): LoadRow[] {
  const duties = new Map(index.duties.filter(({ scenarioId }) => scenarioId === scenario?.id).map((duty) => [duty.loadId, duty]));
  return Array.from(loads.values(), (entry) => {
    const duty = duties.get(entry.id);
    const row: LoadRow = {
      id: entry.id,
      entry,
      zone: entry.load.zoneId === null ? NO_CIRCUIT : nameOf(design, entry.load.zoneId),
      circuit: entry.circuitId === null ? NO_CIRCUIT : nameOf(design, entry.circuitId),
      hours: duty?.hoursPerDay ?? null,
      share: duty?.sharePercent ?? null,
    };
    const before = lineOf.get(entry);
    if (before && before.zone === row.zone && before.circuit === row.circuit && before.hours === row.hours && before.share === row.share)
      return before;
    lineOf.set(entry, row);
    return row;
  });
}

function groupRows({ index, circuits, design }: Analysis, rows: LoadRow[], grouping: Grouping): GridGroup<LoadRow>[] {
  if (grouping === 'none') return [{ id: 'all', title: '', rows }];
  const keyOf = ({ entry }: LoadRow) => (grouping === 'zone' ? entry.load.zoneId : entry.circuitId);
  const order: (string | null)[] = [...(grouping === 'zone' ? index.zones : circuits).map(({ id }) => id), null];
  const byKey = new Map<string | null, LoadRow[]>();
  for (const row of rows) {
    const key = keyOf(row);
    const here = byKey.get(key);
    if (here) here.push(row);
    else byKey.set(key, [row]);
  }
  return order.flatMap((key) => {
    const here = byKey.get(key);
    if (!here) return [];
    const title = key === null ? (grouping === 'zone' ? 'In no zone' : 'On no circuit') : nameOf(design, key);
    return [{ id: key ?? 'none', title, sums: sumsOf(here.map(({ entry }) => entry)), rows: here }];
  });
}

function sumsOf(entries: LoadAnalysis[]): Record<string, string> {
  const sum = (measure: (entry: LoadAnalysis) => number) => entries.reduce((total, entry) => total + measure(entry), 0);
  return {
    amps: formatNumber(
      sum(({ draw }) => draw.amps),
      2,
    ),
    wh: formatNumber(
      sum(({ dailyWh }) => dailyWh),
      0,
    ),
  };
}
