'use client';

import { memo, useMemo, useState, type PointerEvent } from 'react';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import type { Duty, Load, Scenario, Span, Use } from '@/core/design/schema';
import { paintSpans } from '@/core/energy/paint';
import { isWithin, settingDay, settingOf } from '@/core/energy/setting';
import { fillShares } from '@/core/energy/use';
import { formatUse, parseUse } from '@/core/formats/useText';
import { formatWattHours } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { TextField } from '@/ui/TextField';
import styles from './Energy.module.css';

const STEPS = 48;
const BAND = { width: 480, height: 18 };

/** Every load's day as a band of half hours: painted with the hand, or written. */
export function UseBands({ scenario }: { scenario: Scenario }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const uses = useDesign(({ analysis }) => analysis.scenario?.loads);
  const duties = useMemo(
    () => new Map(index.duties.filter(({ scenarioId }) => scenarioId === scenario.id).map((duty) => [duty.loadId, duty])),
    [index, scenario],
  );
  const { sunriseMin, sunsetMin } = settingDay(settingOf(scenario), 0);
  return (
    <section className={styles.card} aria-label="When each load runs">
      <h3>When each load runs</h3>
      <p className={styles.small}>
        Paint hours with the hand; begin on painted ones to wipe them. Or write them: 7–8:30, 17–21; dusk–22:30; dark; driving; occupied; 20
        x 60 s; left on.
      </p>
      <div className={styles.bands}>
        <span />
        <span />
        <Hours />
        <span />
        {index.loads.map((load) => (
          <UseBand
            key={load.id}
            load={load}
            duty={duties.get(load.id) ?? null}
            scenario={scenario}
            sunriseMin={sunriseMin}
            sunsetMin={sunsetMin}
            wattHours={uses?.get(load.id)?.wattHours ?? 0}
          />
        ))}
      </div>
    </section>
  );
}

interface UseBandProps {
  load: Load;
  duty: Duty | null;
  scenario: Scenario;
  sunriseMin: number;
  sunsetMin: number;
  wattHours: number;
}

const UseBand = memo(function UseBand({ load, duty, scenario, sunriseMin, sunsetMin, wattHours }: UseBandProps) {
  const store = useDesignStore();
  const [painting, setPainting] = useState<{ from: number; to: number; on: boolean } | null>(null);
  const painted = useMemo(() => (duty?.use?.rule === 'hours' ? duty.use.spans : []), [duty]);
  const spans = painting ? paint(painted, painting) : painted;
  const shares = useMemo(() => sharesOf(load, duty, scenario), [load, duty, scenario]);
  const set = (use: Use | null) =>
    store.commit(`Change when ${load.name} runs`, (design) => {
      const edit = new Edit(design);
      if (duty) edit.set(duty.id, { use });
      else
        edit.add<Duty>({
          id: newId('duty'),
          type: 'duty',
          scenarioId: scenario.id,
          loadId: load.id,
          hoursPerDay: 0,
          sharePercent: 100,
          use,
        });
      return edit.change;
    });
  const stepAt = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return Math.max(0, Math.min(STEPS - 1, Math.floor(((event.clientX - box.left) / box.width) * STEPS)));
  };
  const x = (minutes: number) => (minutes / 1440) * BAND.width;
  return (
    <>
      <span className={styles.bandName}>{load.name}</span>
      <TextField
        label={`When ${load.name} runs`}
        text={formatUse(duty?.use)}
        placeholder={duty && duty.hoursPerDay > 0 ? `${Number(duty.hoursPerDay.toFixed(2))} h, any time` : 'not used'}
        onCommit={(text) => {
          const read = parseUse(text);
          return read.ok ? set(read.value) : read.why;
        }}
      />
      <svg
        className={styles.band}
        viewBox={`0 0 ${BAND.width} ${BAND.height}`}
        preserveAspectRatio="none"
        aria-hidden
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          const step = stepAt(event);
          setPainting({ from: step, to: step, on: !isLit(painted, step) });
        }}
        onPointerMove={(event) => {
          const to = stepAt(event);
          if (painting && to !== painting.to) setPainting({ ...painting, to });
        }}
        onPointerUp={() => {
          if (painting) set({ rule: 'hours', spans: paint(painted, painting) });
          setPainting(null);
        }}
        onPointerCancel={() => setPainting(null)}
      >
        <rect width={BAND.width} height={BAND.height} fill="var(--paper-sunk)" />
        <rect width={x(sunriseMin)} height={BAND.height} fill="var(--slate)" opacity={0.16} />
        <rect x={x(sunsetMin)} width={BAND.width - x(sunsetMin)} height={BAND.height} fill="var(--slate)" opacity={0.16} />
        {painting || duty?.use?.rule === 'hours'
          ? spans
              .flatMap(asBars)
              .map(({ fromMin, toMin }) => (
                <rect
                  key={fromMin}
                  x={x(fromMin)}
                  width={x(toMin) - x(fromMin)}
                  y={2}
                  height={BAND.height - 4}
                  rx={2}
                  fill="var(--copper)"
                />
              ))
          : Array.from(shares, (share, step) => (
              <rect
                key={step}
                x={(step * BAND.width) / STEPS}
                width={BAND.width / STEPS + 0.3}
                y={BAND.height - 2 - share * (BAND.height - 4)}
                height={share * (BAND.height - 4)}
                fill="var(--copper)"
                opacity={0.7}
              />
            ))}
        {[6, 12, 18].map((hour) => (
          <line key={hour} x1={x(hour * 60)} x2={x(hour * 60)} y1={0} y2={BAND.height} stroke="var(--line-strong)" strokeWidth={0.6} />
        ))}
      </svg>
      <span className={`reading ${styles.bandWh}`}>{formatWattHours(wattHours)}</span>
    </>
  );
});

function Hours() {
  return (
    <span className={styles.bandHours} aria-hidden>
      {[0, 6, 12, 18, 24].map((hour) => (
        <span key={hour}>{hour}</span>
      ))}
    </span>
  );
}

function paint(spans: readonly Span[], { from, to, on }: { from: number; to: number; on: boolean }): Span[] {
  return paintSpans(spans, Math.min(from, to) * 30, (Math.max(from, to) + 1) * 30, on);
}

function isLit(spans: readonly Span[], step: number): boolean {
  return isWithin(spans, step * 30 + 15);
}

/** A stretch over midnight as the two bars it is drawn as. */
function asBars({ fromMin, toMin }: Span): Span[] {
  if (fromMin <= toMin) return [{ fromMin, toMin }];
  return [
    { fromMin, toMin: 1440 },
    { fromMin: 0, toMin },
  ];
}

function sharesOf(load: Load, duty: Duty | null, scenario: Scenario): Float32Array {
  const shares = new Float32Array(STEPS);
  const setting = settingOf(scenario);
  if (duty) fillShares(shares, 0, STEPS, { load, duty, watts: 0 }, setting, settingDay(setting, 0));
  return shares;
}
