'use client';

import { Select } from 'antd';
import { useMemo, useState } from 'react';
import type { CircuitAnalysis } from '@/core/analysis/types';
import { NO_CHANGE } from '@/core/design/change';
import { nameOf } from '@/core/design/names';
import { PARTS, type Part } from '@/core/devices/parts';
import { putIntoRun, stretchOf } from '@/core/switching/partsByHand';
import { formatLength } from '@/core/units/quantity';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { AlongField } from './AlongField';
import { PartChoice } from '@/ui/PartChoice';
import { PartRow } from './PartRow';
import { partsOfCircuit } from './partsShown';
import styles from './Parts.module.css';
import { WireDrawing } from './WireDrawing';

/** Puts a switch, a joint or any other part into one of a circuit's own wires, at a distance along it, and shows those that are in it. */
export function PutIntoRun({ circuit }: { circuit: CircuitAnalysis }) {
  const { commit, refusal } = useRefusal();
  const units = useUnits();
  const analysis = useDesign((state) => state.analysis);
  const { design } = analysis;
  const parts = useMemo(() => partsOfCircuit(analysis, circuit), [analysis, circuit]);
  const stretches = useMemo(
    () => [...circuit.supplyWireIds, ...circuit.returnWireIds].flatMap((id) => stretchOf(analysis, id) ?? []),
    [analysis, circuit],
  );
  const [picked, setPicked] = useState<string | null>(null);
  const [at, setAt] = useState<number | null>(null);
  const stretch = stretches.find(({ wire }) => wire.id === picked) ?? stretches[0];
  if (!stretch) return null;
  const { wire, side, first } = stretch;
  const atMm = Math.min(at ?? wire.lengthMm / 2, wire.lengthMm);
  const put = (part: Part) => {
    commit(`Put a ${part.label.toLowerCase()} into ${circuit.name}`, (now) => putIntoRun(now, wire.id, part, atMm)?.change ?? NO_CHANGE);
    setAt(null);
  };
  return (
    <section className={styles.run} aria-label={`Parts of the run of ${circuit.name}`}>
      <div className={styles.put}>
        <span>Put</span>
        <PartChoice label={`Part to put into ${circuit.name}`} parts={PARTS.filter(({ sides }) => sides.includes(side))} onChoose={put} />
        <span>into</span>
        <Select<string>
          size="small"
          aria-label={`Wire of ${circuit.name} it goes into`}
          value={wire.id}
          style={{ width: 260 }}
          popupMatchSelectWidth={false}
          onChange={(id) => {
            setPicked(id);
            setAt(null);
          }}
          options={stretches.map((one) => ({
            value: one.wire.id,
            label: `${one.side === 'return' ? 'return, ' : ''}${nameOf(design, one.wire.id)}, ${formatLength(one.wire.lengthMm, units)}`,
          }))}
        />
        <AlongField label={`How far from ${nameOf(design, first.deviceId)}`} mm={atMm} mostMm={wire.lengthMm} onCommit={setAt} />
        <span>from {nameOf(design, first.deviceId)}</span>
        {refusal}
      </div>
      {parts.length > 0 && (
        <WireDrawing>
          <ul className={styles.rows}>
            {parts.map((device) => (
              <PartRow key={device.id} device={device} />
            ))}
          </ul>
        </WireDrawing>
      )}
    </section>
  );
}
