'use client';

import { scaleLog } from 'd3-scale';
import { area, line } from 'd3-shape';
import { chainDamageS, gateBand, type ProtectionChain } from '@/core/analysis/protectionChain';
import { clearingS } from '@/core/sizing/coordination';
import { familyWords } from '@/core/catalog/fuses';
import { LONGEST_FAULT_S } from '@/core/catalog/fuseTimes';
import { formatAmps, formatConductor, formatNumber, formatRating } from '@/core/units/quantity';
import { Cursor } from '@/ui/charts/Axes';
import { Chart } from '@/ui/charts/Chart';
import styles from '@/ui/charts/Charts.module.css';

const FRAME = { width: 760, height: 380, left: 62, right: 14, top: 10, bottom: 34 };
const POINTS = 60;
const LEAST_S = 0.001;
const MOST_S = 1000;
const TONES = ['var(--copper)', 'var(--slate)', 'var(--stem)', 'var(--measured)'];
const DECADES_S = [0.001, 0.01, 0.1, 1, 10, 100, 1000];

/** Opening times of a chain of fuses against current, both on logarithmic scales, with what the wire and the load's start need. */
export function TimeCurrentChart({ chain, nameOf }: { chain: ProtectionChain; nameOf(id: string): string }) {
  const [own] = chain.links;
  const x = scaleLog([chain.fromA, chain.toA], [FRAME.left, FRAME.width - FRAME.right]);
  const y = scaleLog([LEAST_S, MOST_S], [FRAME.height - FRAME.bottom, FRAME.top]);
  const held = (seconds: number) => y(Math.min(MOST_S, Math.max(LEAST_S, seconds)));
  const band = area<{ amps: number; leastS: number; longestS: number }>()
    .x(({ amps }) => x(amps))
    .y0(({ leastS }) => held(leastS))
    .y1(({ longestS }) => held(longestS));
  const ampsAt = (point: number) => chain.fromA * (chain.toA / chain.fromA) ** (point / (POINTS - 1));
  const damage = Array.from({ length: 120 }, (_, at) => chain.fromA * (chain.toA / chain.fromA) ** (at / 119)).flatMap((amps) => {
    const seconds = chainDamageS(chain, amps);
    return seconds !== null && seconds <= LONGEST_FAULT_S && seconds >= LEAST_S ? [{ amps, seconds }] : [];
  });
  const damageLine = line<{ amps: number; seconds: number }>()
    .x(({ amps }) => x(amps))
    .y(({ seconds }) => y(seconds));
  const said = (amps: number) => {
    const times = chain.links.map((link) => {
      const { leastS, longestS } = clearingS(link.fuse, amps);
      const opens = Number.isFinite(longestS) ? `opens in ${seconds(leastS)} to ${seconds(longestS)}` : 'stays';
      return `${formatRating(link.fuse.ratingA)} ${nameOf(link.id)} ${opens}`;
    });
    const limit = chainDamageS(chain, amps);
    const wire = limit !== null && limit <= LONGEST_FAULT_S ? `; the wire stands ${seconds(limit)}` : '';
    return `${formatAmps(amps)}: ${times.join('; ')}${wire}`;
  };
  const ticks = x.ticks(6).filter((tick) => /^[125]/.test(String(tick)));
  const marks = [
    { amps: own!.endA, text: 'short at the far end', top: 26 },
    { amps: own!.atA, text: 'short at the fuse', top: 12 },
  ];
  return (
    <Chart
      title="Opening times"
      says={`${chain.links.map(({ fuse }) => `${formatRating(fuse.ratingA)} ${familyWords(fuse.family)}`).join(', behind ')}: between soonest and latest`}
      frame={FRAME}
      points={POINTS}
      read={(point) => said(ampsAt(point))}
      table={{
        head: ['Current', ...chain.links.map(({ id }) => `${nameOf(id)}, soonest to latest, s`), 'Wire stands, s'],
        rows: [1.35, 2, 3.5, 6, 10, 20].map((multiple) => {
          const amps = multiple * own!.fuse.ratingA;
          const limit = chainDamageS(chain, amps);
          return [
            formatAmps(amps),
            ...chain.links.map(({ fuse }) => {
              const { leastS, longestS } = clearingS(fuse, amps);
              return Number.isFinite(longestS) ? `${seconds(leastS)} to ${seconds(longestS)}` : 'stays';
            }),
            limit !== null && limit <= LONGEST_FAULT_S ? seconds(limit) : 'over 5 s',
          ];
        }),
      }}
      below={
        <ul className={styles.legend}>
          {chain.links.map(({ id, fuse }, at) => (
            <li key={id}>
              <svg viewBox="0 0 18 11" aria-hidden>
                <rect width={18} height={11} rx={2} fill={TONES[at % TONES.length]} opacity={0.55} />
              </svg>
              {nameOf(id)} <span className="reading">{formatRating(fuse.ratingA)}</span>
            </li>
          ))}
          {chain.wire && (
            <li>
              <svg viewBox="0 0 18 11" aria-hidden>
                <line x1={0} x2={18} y1={6} y2={6} stroke="var(--brick)" strokeWidth={2.5} />
              </svg>
              damage limit of {formatConductor(chain.wire.conductor)}
            </li>
          )}
          {own!.start && (
            <li>
              <svg viewBox="0 0 18 11" aria-hidden>
                <path d="M0 9 H11 V2" fill="none" stroke="var(--ink)" strokeWidth={2} />
              </svg>
              start of {nameOf(own!.start.loadId)}
            </li>
          )}
        </ul>
      }
    >
      {(cursor) => (
        <>
          {DECADES_S.map((tick) => (
            <g key={tick}>
              <line className={styles.rule} x1={FRAME.left} x2={FRAME.width - FRAME.right} y1={y(tick)} y2={y(tick)} />
              <text className={styles.tick} x={FRAME.left - 6} y={y(tick) + 4} textAnchor="end">
                {`${tick} s`}
              </text>
            </g>
          ))}
          {ticks.map((tick) => (
            <g key={tick}>
              <line className={styles.rule} x1={x(tick)} x2={x(tick)} y1={FRAME.top} y2={FRAME.height - FRAME.bottom} />
              <text className={styles.tick} x={x(tick)} y={FRAME.height - FRAME.bottom + 16} textAnchor="middle">
                {formatAmps(tick).replace('.00', '').replace('.0', '')}
              </text>
            </g>
          ))}
          {chain.links.toReversed().map(({ id, fuse }, place) => {
            const tone = TONES[(chain.links.length - 1 - place) % TONES.length];
            return <path key={id} d={band(gateBand(fuse, chain.fromA, chain.toA)) ?? ''} fill={tone} opacity={0.4} stroke={tone} />;
          })}
          <path d={damageLine(damage) ?? ''} fill="none" stroke="var(--brick)" strokeWidth={2.5} />
          {own!.start && own!.start.amps < chain.toA && (
            <path
              d={`M${x(Math.max(chain.fromA, own!.start.amps))} ${y(LEAST_S)} V${held(own!.start.seconds)} H${FRAME.left}`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={2}
            />
          )}
          {marks.map(({ amps, text, top }) =>
            amps === null ? null : (
              <g key={text}>
                <line x1={x(amps)} x2={x(amps)} y1={FRAME.top} y2={FRAME.height - FRAME.bottom} stroke="var(--ink)" strokeDasharray="3 3" />
                <text
                  className={styles.label}
                  x={x(amps) + (x(amps) > FRAME.width * 0.7 ? -5 : 5)}
                  y={FRAME.top + top}
                  textAnchor={x(amps) > FRAME.width * 0.7 ? 'end' : 'start'}
                >
                  {text}, {formatAmps(amps)}
                </text>
              </g>
            ),
          )}
          <Cursor frame={FRAME} at={cursor === null ? null : x(ampsAt(cursor))} />
        </>
      )}
    </Chart>
  );
}

function seconds(value: number): string {
  if (value >= 100) return `${formatNumber(value, 0)} s`;
  return value >= 1 ? `${formatNumber(value, 1)} s` : `${formatNumber(value * 1000, value < 0.01 ? 1 : 0)} ms`;
}
