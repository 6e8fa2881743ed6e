'use client';

import { useMemo, useState, type PointerEvent } from 'react';
import type { Duty, Load, Scenario, Span, Use } from '@/core/design/schema';
import { paintSpans } from '@/core/energy/paint';
import { isWithin, settingDay, settingOf } from '@/core/energy/setting';
import { fillShares } from '@/core/energy/use';
import styles from './Band.module.css';

const STEPS = 48;
const BAND = { width: 480, height: 18 };

interface BandProps {
  load: Load;
  duty: Duty | null;
  scenario: Scenario;
  onSet(use: Use): void;
}

/** One load's day in half hours, painted with the hand; what a rule makes of the day is shown as it comes out. */
export function Band({ load, duty, scenario, onSet }: BandProps) {
  const [painting, setPainting] = useState<{ from: number; to: number; on: boolean } | null>(null);
  const painted = useMemo(() => (duty?.use?.rule === 'hours' ? duty.use.spans : []), [duty]);
  const spans = painting ? paint(painted, painting) : painted;
  const shares = useMemo(() => sharesOf(load, duty, scenario), [load, duty, scenario]);
  const { sunriseMin, sunsetMin } = useMemo(() => settingDay(settingOf(scenario), 0), [scenario]);
  const stepAt = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return Math.max(0, Math.min(STEPS - 1, Math.floor(((event.clientX - box.left) / box.width) * STEPS)));
  };
  const x = (minutes: number) => (minutes / 1440) * BAND.width;
  return (
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
        if (painting) onSet({ rule: 'hours', spans: paint(painted, painting) });
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
              <rect key={fromMin} x={x(fromMin)} width={x(toMin) - x(fromMin)} y={2} height={BAND.height - 4} rx={2} fill="var(--copper)" />
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
