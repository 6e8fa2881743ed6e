'use client';

import { useMemo } from 'react';
import { marginsOf } from '@/core/analysis/margins';
import type { CircuitAnalysis } from '@/core/analysis/types';
import { nameOf } from '@/core/design/names';
import { findingKey } from '@/core/analysis/finding';
import { wordFinding } from '@/core/wording/wording';
import { formatAmps, formatConductor, formatNumber, formatPercent, formatRating, formatVolts } from '@/core/units/quantity';
import { solvedRun } from '@/core/analysis/solvedRun';
import { RemedyButtons } from '@/features/findings/RemedyButtons';
import { networkWords } from '@/core/wording/networkWords';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import type { PickedState } from '@/features/design/designStore';
import { choiceFor, isSolved, useSolved } from '@/features/design/useSolved';
import { layOutStrip, type StripGeometry, type StripScale } from '@/ui/runStrip/geometry';
import { VoltageProfile } from '@/ui/runStrip/VoltageProfile';
import { Verdict } from '@/ui/Verdict';
import { CircuitSettings } from './CircuitSettings';
import { DeadShortNote } from './DeadShortNote';
import { JointsNote } from './JointsNote';
import { Margins } from './Margins';
import { OtherSchools } from './OtherSchools';
import { PutIntoRun } from './PutIntoRun';
import { WireLengths } from './WireLengths';
import styles from './StripDetail.module.css';

interface StripDetailProps {
  circuit: CircuitAnalysis;
  geometry: StripGeometry;
  scale: StripScale;
}

/** An opened strip: the voltage along the run, the lengths, what can be set, and the reasons. */
export function StripDetail({ circuit, geometry, scale }: StripDetailProps) {
  const { width, sourceV } = scale;
  const units = useUnits();
  const nominalV = useDesign(({ analysis }) => analysis.index.settings.nominalV);
  const design = useDesign((state) => state.design);
  const picked = useDesign((state) => state.picked);
  const solved = useSolved(choiceFor(picked, circuit.id));
  const solvedGeometry = useMemo(
    () => (isSolved(solved) ? layOutStrip(solvedRun(circuit, solved), { ...scale, sourceV: solved.batteryV, countShared: true }) : null),
    [circuit, scale, solved],
  );
  if (circuit.worstLoadId === null) return <CircuitSettings circuit={circuit} />;
  const limitV = sourceV - (circuit.targetPercent / 100) * nominalV;
  const supplyV = sourceV - geometry.supply.at(-1)![1];
  const worst = nameOf(design, circuit.worstLoadId);
  const description = `Voltage along circuit ${circuit.name}: ${formatVolts(sourceV)} at the battery, ${formatVolts(sourceV - circuit.dropV)} across ${worst}, limit ${formatVolts(limitV)}`;
  const solvedV = solvedGeometry?.across.at(-1)?.[1];
  return (
    <div className={styles.detail}>
      <WireLengths circuit={circuit} geometry={geometry} width={width} />
      <VoltageProfile
        geometry={geometry}
        width={width}
        units={units}
        sourceV={sourceV}
        limitV={limitV}
        solved={solvedGeometry}
        description={description}
      />
      <p className={styles.legend}>
        <span className={styles.copper}>supply loses {formatVolts(supplyV)}</span>
        <span className={styles.slate}>return takes {formatVolts(circuit.dropV - supplyV)}</span>
        <span>
          {formatVolts(circuit.dropV)} lost by {worst}, {formatVolts(circuit.sharedDropV)} of it on shared cable
        </span>
        {isSolved(solved) && solvedV !== undefined && (
          <span className={styles.solved} data-solved>
            solved as wired, {pickedWords(picked)}: {formatVolts(solved.batteryV)} at the battery, {formatVolts(solvedV)} at {worst}
          </span>
        )}
        {solved !== null && !isSolved(solved) && (
          <span role="alert">The network has no answer: {networkWords(solved.problem, design)}</span>
        )}
      </p>
      <PutIntoRun circuit={circuit} />
      <div className={styles.lower}>
        <CircuitSettings circuit={circuit} />
        <Reasons circuit={circuit} />
      </div>
    </div>
  );
}

function pickedWords(picked: PickedState): string {
  if (picked === 'allOn') return 'everything on';
  if (picked === 'allOff') return 'everything off';
  return picked === 'onlyThis' ? 'this circuit alone' : 'as the scenario uses it';
}

function Reasons({ circuit }: { circuit: CircuitAnalysis }) {
  const analysis = useDesign((state) => state.analysis);
  const units = useUnits();
  const all = useDesign((state) => state.findings);
  const findings = useMemo(() => all.filter(({ circuitId }) => circuitId === circuit.id), [all, circuit.id]);
  const { ampacity, choice } = circuit;
  const margins = useMemo(() => marginsOf(analysis, circuit), [analysis, circuit]);
  return (
    <div className={styles.reasons}>
      <Margins margins={margins} />
      {ampacity && circuit.conductor && (
        <p>
          <b>{formatConductor(circuit.conductor)}</b> carries {formatAmps(ampacity.amps)} here: {formatAmps(ampacity.baseA)} in the table at{' '}
          {formatNumber(ampacity.columnC, 0)} °C insulation
          {ampacity.factorFor !== 'none' &&
            `, times ${formatNumber(ampacity.factor / ampacity.bundleFactor, 2)} for ${ampacity.factorFor === 'engineSpace' ? 'the engine space' : 'the heat'}`}
          {ampacity.bundleFactor < 1 &&
            `, times ${formatNumber(ampacity.bundleFactor, 2)} for ${ampacity.loaded} loaded conductors laid together`}
          . For hours {formatAmps(circuit.continuousA)}, so a fuse of {formatAmps(circuit.continuousA * 1.25)} or more.
        </p>
      )}
      {circuit.formulaDropV !== null && (
        <p>
          By the standard’s formula {formatVolts(circuit.formulaDropV)}, real cable {formatVolts(circuit.cableDropV)}; the larger is used
          wire by wire.
        </p>
      )}
      {choice && (
        <p>
          The least that does it all: <b>{formatConductor(choice.conductor)}</b> with {formatRating(choice.fuseA)}, dropping{' '}
          {formatPercent(((choice.dropV + circuit.sharedDropV) / analysis.index.settings.nominalV) * 100)}.
        </p>
      )}
      <JointsNote circuit={circuit} />
      <OtherSchools circuitId={circuit.id} />
      <DeadShortNote circuit={circuit} />
      {findings.map((finding) => {
        const { title, message } = wordFinding(finding, analysis.design, units);
        return (
          <div key={findingKey(finding)} className={styles.finding}>
            <Verdict severity={finding.severity} />
            <span>
              <b>{title}.</b> {message}
            </span>
            <span className={styles.remedies}>
              <RemedyButtons finding={finding} />
            </span>
          </div>
        );
      })}
    </div>
  );
}
