'use client';

import { ChevronDown, ChevronRight } from 'lucide-react';
import { memo, useMemo } from 'react';
import { CHEMISTRY_FACTS } from '@/core/catalog/chemistries';
import { RATINGS_A } from '@/core/catalog/fuses';
import type { CircuitAnalysis } from '@/core/analysis/types';
import { deviceOf } from '@/core/design/design';
import { nameOf } from '@/core/design/names';
import type { DesignState } from '@/features/design/designStore';
import type { Governor } from '@/core/sizing/conductorChoice';
import { formatAmps, formatConductor, formatPercent, formatRating, MISSING } from '@/core/units/quantity';
import { shareOf } from '@/core/units/compare';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { layOutStrip } from '@/ui/runStrip/geometry';
import { RunDrawing } from '@/ui/runStrip/RunDrawing';
import { Stepper } from '@/ui/Stepper';
import { Verdict } from '@/ui/Verdict';
import { later } from '@/ui/later';
import { sizesFor, stepConductor, stepFuse } from './edits';
import styles from './CircuitStrip.module.css';

/** Fetched when the first strip is opened. */
export const StripDetail = later(() => import('./StripDetail').then(({ StripDetail: detail }) => detail));

const GOVERNOR_WORDS: Record<Governor, string> = { minimum: 'least size', ampacity: 'ampacity', fuse: 'fuse', drop: 'drop' };

interface CircuitStripProps {
  id: string;
  open: boolean;
  width: number;
  onToggle(id: string): void;
}

/** One circuit: its figures and its run in two lines; opened, the voltage along it and everything that can be set. */
export const CircuitStrip = memo(function CircuitStrip({ id, ...shown }: CircuitStripProps) {
  const circuit = useDesign(({ analysis }) => analysis.circuits.find((one) => one.id === id));
  return circuit && <Strip circuit={circuit} {...shown} />;
});

function Strip({ circuit, open, width, onToggle }: Omit<CircuitStripProps, 'id'> & { circuit: CircuitAnalysis }) {
  const store = useDesignStore();
  const units = useUnits();
  const zone = useDesign(({ design }) => nameOf(design, circuit.zoneId ?? undefined));
  const family = useDesign(({ design }) => deviceOf(design, circuit.protectionId, 'protection')?.family ?? 'blade');
  const sourceV = useDesign(({ analysis }) => sourceVolts(analysis.index.battery?.chemistry, analysis.index.settings.nominalV));
  const countShared = useDesign(({ analysis }) => analysis.index.settings.dropFrom === 'battery');
  const worst = useDesign(({ design }) => deviceOf(design, circuit.worstLoadId, 'load'));
  const drawWidth = Math.max(420, width - 56);
  const scale = useMemo(
    () => ({
      ...{ width: drawWidth, sourceV, countShared, tickMm: tickFor(circuit.loopMm / 2, units) },
      row: { quantity: worst?.quantity ?? 1, spacingMm: worst?.spacingMm ?? 0 },
    }),
    [circuit.loopMm, countShared, drawWidth, sourceV, units, worst?.quantity, worst?.spacingMm],
  );
  const geometry = useMemo(() => layOutStrip(circuit, scale), [circuit, scale]);
  const { id, number, name, conductor, ratingA, peakA, dropPercent, targetPercent } = circuit;
  const no = String(number).padStart(2, '0');
  const ratings = RATINGS_A[family];
  const wireIds = [...circuit.supplyWireIds, ...circuit.returnWireIds];
  const verdict = useDesign((state) => worstVerdict(state, circuit));
  const nameFor = (deviceId: string) => nameOf(store.getState().design, deviceId);
  const share = shareOf(dropPercent, targetPercent, 1);

  return (
    <article id={id} data-strip className={`${styles.strip} ${open ? styles.open : ''}`} aria-label={`Circuit ${no} ${name}`}>
      <div className={styles.line}>
        <span className={`reading ${styles.number}`}>{no}</span>
        <button type="button" data-strip-toggle className={styles.toggle} aria-expanded={open} onClick={() => onToggle(id)}>
          {open ? <ChevronDown size={15} /> : <ChevronRight size={15} />}
          <span className={styles.name}>{name}</span>
          <span className={styles.zone}>{zone}</span>
        </button>
        <span className={styles.amps}>
          <span className="reading">{formatAmps(peakA)}</span>
          <span className={styles.of}>of</span>
          <Stepper
            label={`Fuse of ${no} ${name}`}
            tone="copper"
            text={formatRating(ratingA)}
            at={Math.max(0, ratings.indexOf(ratingA))}
            count={ratings.length}
            onStep={(by) => store.commit(`Step the fuse of ${no} ${name}`, (design) => stepFuse(design, circuit, by))}
          />
        </span>
        <span>
          {conductor ? (
            <Stepper
              label={`Conductor of ${no} ${name}`}
              text={`${circuit.mixedConductors ? '≥ ' : ''}${formatConductor(conductor)}`}
              at={Math.max(0, sizesFor(store.getState().design, conductor).indexOf(conductor))}
              count={sizesFor(store.getState().design, conductor).length}
              onStep={(by) =>
                store.commit(`Step the conductor of ${no} ${name}`, (design) => stepConductor(design, wireIds, conductor, by))
              }
            />
          ) : (
            <span className={styles.of}>no wire yet</span>
          )}
        </span>
        <span className={styles.drop}>
          <span className={`reading ${share > 1 ? styles.over : ''}`}>{circuit.worstLoadId ? formatPercent(dropPercent) : MISSING}</span>
          <span className={styles.of}>of {formatPercent(targetPercent)}</span>
          <span className={styles.bar} aria-hidden>
            <span className={share > 1 ? styles.barOver : ''} style={{ width: `${Math.min(100, share * 100)}%` }} />
          </span>
        </span>
        <span className={styles.governed}>
          {circuit.choice ? GOVERNOR_WORDS[circuit.choice.governedBy] : circuit.worstLoadId ? 'nothing fits' : MISSING}
        </span>
        {verdict ? <Verdict severity={verdict} /> : <span className={styles.judged}>being judged</span>}
      </div>
      <div className={styles.drawing}>
        {circuit.supplyRun.length > 0 ? (
          <RunDrawing geometry={geometry} width={drawWidth} nameOf={nameFor} />
        ) : (
          <span className={styles.of}>
            {circuit.secondWayIds.length > 0
              ? `The second way to ${circuit.secondWayIds.map(nameFor).join(', ')}, drawn with the first.`
              : circuit.partIds.length > 0
                ? `It works ${circuit.partIds.map(nameFor).join(', ')}, and feeds no load.`
                : 'Nothing hangs on this circuit. Give it a load in Loads.'}
          </span>
        )}
      </div>
      {open && <StripDetail circuit={circuit} geometry={geometry} scale={scale} />}
    </article>
  );
}

/** The circuit's verdict with what only the solved network shows; null while that is not known. Findings come with the worst first. */
function worstVerdict({ findings, judgedCircuits }: DesignState, circuit: CircuitAnalysis): CircuitAnalysis['verdict'] | null {
  const worst = findings.find(({ circuitId }) => circuitId === circuit.id)?.severity ?? circuit.verdict;
  return worst === 'ok' && !judgedCircuits.has(circuit) ? null : worst;
}

/** A rested, full battery's volts, where the run starts. */
function sourceVolts(chemistry: keyof typeof CHEMISTRY_FACTS | undefined, nominalV: number): number {
  return chemistry ? (CHEMISTRY_FACTS[chemistry].restedFullV * nominalV) / 12 : nominalV;
}

function tickFor(lengthMm: number, units: 'metric' | 'us'): number {
  const unit = units === 'metric' ? 1000 : 304.8 * 2;
  return unit * Math.max(1, Math.ceil(lengthMm / unit / 14));
}
