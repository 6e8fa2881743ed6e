'use client';

import { useMemo } from 'react';
import type { Analysis } from '@/core/analysis/types';
import type { Load } from '@/core/design/schema';
import { dutyHours } from '@/core/energy/budget';
import { settingOf } from '@/core/energy/setting';
import { formatUse } from '@/core/formats/useText';
import { nameOf } from '@/core/design/names';
import { functionWord } from '@/core/switching/lampFunctions';
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

/** The line last made for a load's record, which is itself kept while nothing in it changes. */
const lineOf = new WeakMap<Load, LoadRow>();

export function makeRows({ loads, index, design, scenario }: Analysis): LoadRow[] {
  const duties = new Map(index.duties.filter(({ scenarioId }) => scenarioId === scenario?.id).map((duty) => [duty.loadId, duty]));
  const scenarioRecord = index.scenarios.find(({ id }) => id === scenario?.id);
  const setting = scenarioRecord ? settingOf(scenarioRecord) : null;
  return Array.from(loads.values(), ({ id, load, draw, dailyWh, circuitId }) => {
    const duty = duties.get(id);
    const row: LoadRow = {
      ...{ id, load, draw, dailyWh },
      word: load.partOf ? functionWord(load.name, nameOf(design, load.partOf.loadId)) : null,
      zone: load.zoneId === null ? NO_CIRCUIT : nameOf(design, load.zoneId),
      circuit: circuitId === null ? NO_CIRCUIT : nameOf(design, circuitId),
      when: formatUse(duty?.use),
      hours: duty ? (duty.use ? dutyHours(load, { ...duty, sharePercent: 100 }, draw.watts, setting!) : duty.hoursPerDay) : null,
      share: load.thermostat ? null : (duty?.sharePercent ?? null),
    };
    const before = lineOf.get(load);
    if (before && showsTheSame(before, row)) return before;
    lineOf.set(load, row);
    return row;
  });
}

/** For lines of one load record, whose draw is therefore the same. */
function showsTheSame(a: LoadRow, b: LoadRow): boolean {
  return (
    a.zone === b.zone &&
    a.word === b.word &&
    a.when === b.when &&
    a.circuit === b.circuit &&
    a.hours === b.hours &&
    a.share === b.share &&
    a.dailyWh === b.dailyWh
  );
}

function groupRows({ index, circuits, design, loads }: Analysis, rows: LoadRow[], grouping: Grouping): GridGroup<LoadRow>[] {
  if (grouping === 'none') return [{ id: 'all', title: '', rows }];
  const keyOf = ({ id, load }: LoadRow) => (grouping === 'zone' ? load.zoneId : (loads.get(id)?.circuitId ?? null));
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
    return [{ id: key ?? 'none', title, sums: sumsOf(here), rows: here }];
  });
}

function sumsOf(rows: LoadRow[]): Record<string, string> {
  const sum = (measure: (row: LoadRow) => number) => rows.reduce((total, row) => total + measure(row), 0);
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
