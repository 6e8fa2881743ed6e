'use client';

import { Checkbox, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { BUDGET_BY, budgetRows, loadSavings, type BudgetBy, type BudgetRow } from '@/core/advice/budgetTable';
import type { Analysis } from '@/core/analysis/types';
import { formatAmpHours, formatNumber, formatWattHours } from '@/core/units/quantity';
import { useDesign } from '@/features/design/DesignProvider';
import { Table, type Column } from '@/ui/Table';
import { Input } from '@/ui/Input';
import { ComparedLines } from './ComparedLines';
import { WhatIf } from './WhatIf';
import styles from './BudgetView.module.css';

const BY: Record<BudgetBy, string> = { load: 'By load', zone: 'By zone', circuit: 'By circuit' };
type SortBy = 'wattHours' | 'standbyWh' | 'name' | 'measuredWh' | 'dimmedWh' | 'leftOnWh';

interface Line extends BudgetRow {
  measuredWh: number | null;
  dimmedWh: number | null;
  leftOnWh: number | null;
}

/** What a day of the scenario costs, by load, zone or circuit, and what turning things down would save. */
export function BudgetView({ onOpen }: { onOpen(loadId: string): void }) {
  const analysis = useDesign((state) => state.analysis);
  const [by, setBy] = useState<BudgetBy>('load');
  const [wanted, setWanted] = useState('');
  const [sort, setSort] = useState<{ by: SortBy; up: boolean }>({ by: 'wattHours', up: false });
  const lines = useMemo(() => linesOf(analysis, by), [analysis, by]);
  const [picked, setPicked] = useState<readonly (string | null)[]>([]);
  const pick = (id: string | null, on: boolean) => setPicked((now) => (on ? [...now, id].slice(-2) : now.filter((one) => one !== id)));
  const { scenario } = analysis;
  if (!scenario || scenario.dailyWh === 0) {
    return <p className={styles.nothing}>Give loads hours or times in the list, and this shows what a day of them costs.</p>;
  }
  const shown = lines.filter(({ name }) => name.toLowerCase().includes(wanted.trim().toLowerCase())).sort((a, b) => compare(a, b, sort));
  const most = Math.max(...lines.map(({ wattHours }) => wattHours));
  const total = (of: (line: Line) => number) => shown.reduce((before, line) => before + of(line), 0);
  const sum = total(({ wattHours }) => wattHours);
  const sortedBy = (key: SortBy, title: string): Pick<Column<Line>, 'head' | 'sorted'> => ({
    head: (
      <button type="button" onClick={() => setSort({ by: key, up: sort.by === key ? !sort.up : key === 'name' })}>
        {title}
        {sort.by === key && <span aria-hidden>{sort.up ? ' ▴' : ' ▾'}</span>}
      </button>
    ),
    sorted: sort.by === key ? (sort.up ? 'ascending' : 'descending') : 'none',
  });
  const columns: Column<Line>[] = [
    {
      ...sortedBy('name', by === 'load' ? 'Load' : by === 'zone' ? 'Zone' : 'Circuit'),
      as: 'name',
      cell: (line) => (
        <span className={styles.named}>
          <Checkbox
            aria-label={`Compare ${line.name}`}
            checked={picked.includes(line.id)}
            onChange={(event) => pick(line.id, event.target.checked)}
          />
          {by === 'load' && line.id && analysis.loads.has(line.id) ? (
            <button type="button" className={styles.name} onClick={() => onOpen(line.id!)}>
              {line.name}
            </button>
          ) : (
            line.name
          )}
        </span>
      ),
      foot: shown.length === lines.length ? 'Together' : `${shown.length} of ${lines.length}`,
    },
    {
      head: 'of the day',
      look: styles.barCell,
      cell: ({ wattHours, sharePercent }) => (
        <>
          <span className={styles.share} style={{ width: `${(wattHours / most) * 100}%` }} />
          <span className="reading">{formatNumber(sharePercent, sharePercent < 9.95 ? 1 : 0)} %</span>
        </>
      ),
    },
    {
      ...sortedBy('wattHours', 'Wh a day'),
      as: 'figure',
      cell: ({ wattHours }) => formatNumber(wattHours, wattHours < 9.95 ? 1 : 0),
      foot: formatNumber(sum, 0),
    },
    {
      head: 'Ah',
      as: 'figure',
      cell: ({ ampHours }) => formatNumber(ampHours, ampHours < 9.95 ? 2 : 1),
      foot: formatNumber(
        total(({ ampHours }) => ampHours),
        1,
      ),
    },
    {
      ...sortedBy('standbyWh', 'standing by'),
      as: 'figure',
      cell: ({ standbyWh }) => orNothing(standbyWh),
      foot: orNothing(total(({ standbyWh }) => standbyWh)),
    },
  ];
  if (by === 'load')
    columns.push(
      {
        ...sortedBy('measuredWh', 'measuring saves'),
        title: 'What its box would have had it use, less what the meter says',
        as: 'figure',
        cell: ({ measuredWh }) => (measuredWh === null ? '' : signed(measuredWh)),
      },
      {
        ...sortedBy('dimmedWh', 'dimming saves'),
        title: 'Saved by the level it is dimmed to',
        as: 'figure',
        cell: ({ dimmedWh }) => orNothing(dimmedWh),
      },
      {
        ...sortedBy('leftOnWh', 'left on costs'),
        title: 'What it would cost more, left on by mistake for a day',
        as: 'figure',
        cell: ({ leftOnWh }) => orNothing(leftOnWh),
      },
    );
  return (
    <div className={styles.body}>
      <section className={styles.card} aria-label="Budget">
        <div className={styles.bar}>
          <Segmented<BudgetBy>
            aria-label="Budget by"
            value={by}
            onChange={(next) => {
              setBy(next);
              setPicked([]);
            }}
            options={BUDGET_BY.map((value) => ({ value, label: BY[value] }))}
          />
          <Input
            size="small"
            allowClear
            aria-label="Only those named"
            placeholder="Only those named …"
            value={wanted}
            style={{ width: 170 }}
            onChange={(event) => setWanted(event.target.value)}
          />
          <span className={styles.sum}>
            {scenario.name}: <b className="reading">{formatWattHours(scenario.dailyWh)}</b>, {formatAmpHours(scenario.dailyAh)} a day,{' '}
            {formatWattHours(scenario.standbyWh)} of it standing by
          </span>
        </div>
        <Table className={styles.table} columns={columns} rows={shown} keyOf={({ id }) => id ?? 'none'} />
        <ComparedLines lines={lines.filter(({ id }) => picked.includes(id))} dailyAh={scenario.dailyAh} runtimeH={scenario.runtimeH} />
      </section>
      <WhatIf />
    </div>
  );
}

function linesOf(analysis: Analysis, by: BudgetBy): Line[] {
  const { scenario } = analysis;
  if (!scenario) return [];
  return budgetRows(analysis, scenario, by).map((row) => ({
    ...row,
    ...(by === 'load' ? loadSavings(analysis, scenario, row.id!) : { measuredWh: null, dimmedWh: null, leftOnWh: null }),
  }));
}

function compare(a: Line, b: Line, { by, up }: { by: SortBy; up: boolean }): number {
  const order = by === 'name' ? a.name.localeCompare(b.name) : (a[by] ?? -Infinity) - (b[by] ?? -Infinity);
  return up ? order : -order;
}

function orNothing(wattHours: number | null): string {
  return wattHours === null || wattHours < 0.05 ? '' : formatNumber(wattHours, wattHours < 9.95 ? 1 : 0);
}

function signed(wattHours: number): string {
  const text = formatNumber(wattHours, Math.abs(wattHours) < 9.95 ? 1 : 0);
  return wattHours > 0.05 ? `+${text}` : text;
}
