'use client';

import { Popover } from 'antd';
import { memo, useMemo, useState } from 'react';
import { useDesign } from '@/features/design/DesignProvider';
import { worstDrop, type WorstDrop } from '@/core/analysis/wiredDrops';
import { dayWords, runtimeWords } from '@/core/wording/energyWords';
import { shareOf } from '@/core/units/compare';
import { isSolved, useSolved } from '@/features/design/useSolved';
import { formatAmps, formatHours, formatNumber, formatPercent, formatRating } from '@/core/units/quantity';
import { MeterDetail, type MeterId } from './MeterDetail';
import styles from './MeterBar.module.css';

/** Always there: the whole design in six readings, moving as one types. Each opens what it is made of. */
export function MeterBar() {
  const totals = useDesign(({ analysis }) => analysis.totals);
  const main = useDesign(({ analysis }) => analysis.main);
  const wantedH = useDesign(({ analysis }) => analysis.index.settings.wantedRuntimeH);
  const worst = useWorstDrop();
  const limit = main?.ratingA ?? null;
  const { connectedA, worstSimultaneousA, dailyWh, dailyAh, runtimeH, withoutHours } = totals;
  return (
    <section className={styles.bar} aria-label="Whole design">
      <Meter id="connected" name="Connected" value={formatAmps(connectedA)} share={ratio(connectedA, limit)} />
      <Meter id="together" name="At once" value={formatAmps(worstSimultaneousA)} share={ratio(worstSimultaneousA, limit)} />
      <Meter
        id="energy"
        name="A day"
        value={dayWords(dailyWh, withoutHours)}
        aside={`${formatNumber(dailyAh, 1)} Ah`}
        share={ratio(dailyAh, totals.usableAh)}
      />
      <Meter
        id="runtime"
        name="Runtime"
        value={runtimeWords(runtimeH, withoutHours)}
        aside={`of ${formatHours(wantedH)} wanted`}
        share={ratio(runtimeH, wantedH)}
        fuller
      />
      <Meter
        id="drop"
        name="Worst drop"
        value={formatPercent(worst?.percent ?? null)}
        aside={
          worst
            ? `${worst.wiredPercent === null ? '' : `cable ${formatPercent(worst.cablePercent)} `}of ${formatPercent(worst.targetPercent)}`
            : undefined
        }
        share={worst && shareOf(worst.percent, worst.targetPercent, 1)}
      />
      <Meter
        id="main"
        name="Main margin"
        value={main ? formatAmps(main.ratingA - main.peakA) : '–'}
        aside={main ? `of ${formatRating(main.ratingA)}` : 'no main fuse'}
        share={main ? main.peakA / main.ratingA : null}
      />
    </section>
  );
}

/**
 * The worst drop solved as wired with everything on, battery to load, and that of the cables alone by the formula: fuses, switches and
 * joints add to the one and not to the other. The larger is held against the target, circuit by circuit: the one nearest to or farthest
 * past its own is shown.
 */
function useWorstDrop(): WorstDrop | null {
  const analysis = useDesign((state) => state.analysis);
  const answer = useSolved(ALL_ON);
  return useMemo(() => worstDrop(analysis, isSolved(answer) ? answer.drops : null), [analysis, answer]);
}

const ALL_ON = { kind: 'allOn' } as const;

interface MeterProps {
  id: MeterId;
  name: string;
  value: string;
  aside?: string;
  /** How much of its limit is taken, 1 at the limit. */
  share: number | null;
  /** For a reading that should reach its mark rather than stay under it. */
  fuller?: boolean;
}

const Meter = memo(function Meter({ id, name, value, aside, share, fuller = false }: MeterProps) {
  const [open, setOpen] = useState(false);
  const bad = share !== null && (fuller ? share < 1 : share > 1);
  const filled = share === null ? 0 : Math.min(1, share);
  const detail = <MeterDetail id={id} onLeave={() => setOpen(false)} />;
  return (
    <Popover content={detail} trigger="click" placement="top" open={open} onOpenChange={setOpen} destroyOnHidden>
      <button type="button" className={`${styles.meter} ${bad ? styles.bad : ''}`} aria-expanded={open} data-meter={id}>
        <span className={styles.name}>
          {name}
          {bad && <span className={styles.flag}>{fuller ? ' ▾ short' : ' ▴ over'}</span>}
        </span>
        <span className={styles.figures}>
          <span className={`reading ${styles.value}`}>{value}</span>
          {aside && <span className={styles.aside}>{aside}</span>}
        </span>
        <span className={styles.gauge} aria-hidden>
          <span style={{ width: `${filled * 100}%` }} />
        </span>
      </button>
    </Popover>
  );
});

function ratio(value: number | null, limit: number | null): number | null {
  return value === null || limit === null || limit === 0 ? null : value / limit;
}
