'use client';

import Link from 'next/link';
import { runtimeWords, withoutHoursWords } from '@/core/wording/energyWords';
import { useDesign } from '@/features/design/DesignProvider';
import { budgetRows } from '@/core/advice/budgetTable';
import type { Analysis } from '@/core/analysis/types';
import { nameOf } from '@/core/design/names';
import { formatAmpHours, formatAmps, formatPercent, formatRating, formatVolts, formatWattHours } from '@/core/units/quantity';
import { Prose } from '@/ui/Prose';
import { Table } from '@/ui/Table';
import styles from './MeterDetail.module.css';

export type MeterId = 'connected' | 'together' | 'energy' | 'runtime' | 'drop' | 'main';

interface Detail {
  title: string;
  explain: string;
  rows: { name: string; value: string; href?: string }[];
}

const MOST_ROWS = 7;

/** What one reading of the meter bar is made of. */
export function MeterDetail({ id, onLeave }: { id: MeterId; onLeave(): void }) {
  const analysis = useDesign((state) => state.analysis);
  const designId = useDesign((state) => state.id);
  const { title, explain, rows } = DETAILS[id](analysis, `/d/${designId}`);
  return (
    <div className={styles.detail}>
      <h3>{title}</h3>
      <p>
        <Prose text={explain} />
      </p>
      <Table
        columns={[
          {
            as: 'name',
            cell: ({ name, href }) =>
              href ? (
                <Link href={href} onClick={onLeave}>
                  {name}
                </Link>
              ) : (
                name
              ),
          },
          { as: 'figure', look: styles.value, cell: ({ value }) => value },
        ]}
        rows={rows.slice(0, MOST_ROWS)}
        keyOf={(_, at) => at}
      />
      {rows.length > MOST_ROWS && <p className={styles.more}>and {rows.length - MOST_ROWS} more</p>}
    </div>
  );
}

const DETAILS: Record<MeterId, (analysis: Analysis, base: string) => Detail> = {
  connected: ({ loads, totals }, base) => ({
    title: 'Connected current',
    explain: `Every load added up, as if all were on. ${formatAmps(totals.continuousA)} of it runs for hours.`,
    rows: byMost(Array.from(loads.values()), ({ draw }) => draw.amps).map(({ id, load, draw }) => ({
      name: load.name,
      value: formatAmps(draw.amps),
      href: `${base}/loads#${id}`,
    })),
  }),
  together: ({ scenarios, totals }) => ({
    title: 'Most current at once',
    explain: `The heaviest scenario${totals.worstScenario ? `, ${totals.worstScenario}` : ''}: all it uses switched on together; of lamps that exclude each other the larger one counts.`,
    rows: scenarios.map(({ name, peakA }) => ({ name, value: formatAmps(peakA) })),
  }),
  energy: (analysis, base) => ({
    title: 'Energy a day',
    explain: analysis.scenario
      ? `${analysis.scenario.name}: watts times hours in use, with what parts draw by themselves, the largest first. ${withoutHoursWords(analysis.totals.withoutHours)}`
      : 'No scenario yet.',
    rows: (analysis.scenario ? budgetRows(analysis, analysis.scenario, 'load') : []).map(({ id, name, wattHours }) => ({
      name,
      value: formatWattHours(wattHours),
      ...(analysis.loads.has(id ?? '') && { href: `${base}/loads#${id}` }),
    })),
  }),
  runtime: ({ scenarios, bank, totals }, base) => ({
    title: 'Runtime without charging',
    explain: bank
      ? `${formatAmpHours(bank.usableAh)} of ${formatAmpHours(bank.capacityAh)} may be used (${formatPercent(bank.usableDepth * 100)}); lived through quarter hour by quarter hour from full at 18:00, with Peukert above the rated current and less in the cold. ${withoutHoursWords(totals.withoutHours)}`
      : 'There is no battery yet.',
    rows: scenarios.map(({ name, runtimeH, dailyAh }) => ({
      name: `${name}, ${formatAmpHours(dailyAh)} a day`,
      value: runtimeWords(runtimeH, totals.withoutHours),
      href: `${base}/energy`,
    })),
  }),
  drop: ({ circuits }, base) => ({
    title: 'Voltage drop',
    explain:
      'The bar shows the network solved as wired with everything on, and each of two ways to a load by itself: battery, fuses, switches and joints counted. Below, the cables alone by the formula, against each circuit’s target.',
    rows: byMost(circuits, ({ dropPercent, targetPercent }) => dropPercent / targetPercent).map(
      ({ id, number, name, dropPercent, targetPercent, dropV }) => ({
        name: `${String(number).padStart(2, '0')} ${name}`,
        value: `${formatVolts(dropV)}  ${formatPercent(dropPercent)} of ${formatPercent(targetPercent)}`,
        href: `${base}/circuits#${id}`,
      }),
    ),
  }),
  main: ({ main, design, blocks }, base) => ({
    title: 'Main protection',
    explain: main
      ? `${nameOf(design, main.protectionId)}, ${formatRating(main.ratingA)}: up to ${formatAmps(main.peakA)} at once flows through it, ${formatAmps(main.continuousA)} of it for hours.`
      : 'Nothing protects the main cable yet.',
    rows: blocks.map(({ id, peakA, blockMaxA }) => ({
      name: nameOf(design, id),
      value: `${formatAmps(peakA)} of ${formatRating(blockMaxA)}`,
      href: `${base}/supply`,
    })),
  }),
};

function byMost<T>(list: readonly T[], measure: (entry: T) => number): T[] {
  return [...list].sort((a, b) => measure(b) - measure(a));
}
