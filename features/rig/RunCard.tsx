'use client';

import { Button, Select } from 'antd';
import { Split } from 'lucide-react';
import { useMemo, type ReactNode } from 'react';
import type { Analysis } from '@/core/analysis/types';
import { nameOf } from '@/core/design/names';
import type { LaidWire } from '@/core/rig/layout';
import { avoidRoute, setVia } from '@/core/rig/edits';
import { formatConductor, formatLength, formatTemperature } from '@/core/units/quantity';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { Table } from '@/ui/Table';
import type { Selection } from './selection';
import { useRefusal } from '@/features/design/useRefusal';
import styles from './Cards.module.css';

interface RunCardProps {
  circuitId: string | null;
  onCircuit(id: string): void;
  onSelect(selection: Selection): void;
}

/** What a wire's length is made of: a stretch, the slack, all of it. */
interface Part {
  id: string;
  name: ReactNode;
  length: ReactNode;
  isMeasured?: boolean;
  /** How to go round it. */
  way?: ReactNode;
}

/** One circuit through the vehicle: each of its wires with the parts its length is made of. */
export function RunCard({ circuitId, onCircuit, onSelect }: RunCardProps) {
  const units = useUnits();
  const analysis = useDesign((state) => state.analysis);
  const wires = useMemo(() => wiresOf(analysis, circuitId), [analysis, circuitId]);
  const { layout } = analysis.index;
  const { refusal, commit } = useRefusal();
  const partsOf = (wire: LaidWire): Part[] => {
    const run = layout.runs.get(wire.id);
    const stretches = (run?.routeIds ?? []).map((id): Part => {
      const { route, length } = layout.routes.get(id)!;
      return {
        id,
        name: (
          <button type="button" className={styles.plain} onClick={() => onSelect({ kind: 'route', id })}>
            {route.name}
          </button>
        ),
        length: formatLength(length.mm, units),
        isMeasured: length.measured,
        way: (
          <Button
            size="small"
            type="text"
            aria-label={`Keep ${nameOf(analysis.design, wire.id)} off ${route.name}`}
            title="Take another way than this stretch"
            icon={<Split size={14} />}
            onClick={() => commit('Send a wire another way', (design) => avoidRoute(design, wire.id, id))}
          />
        ),
      };
    });
    const whole = wire.lengthMeasured ? 'measured itself' : run?.routeIds ? 'together' : 'typed, its ends are not placed or joined';
    return [
      ...stretches,
      ...(run?.routeIds ? [{ id: 'slack', name: 'slack at both ends', length: formatLength(run.slackMm, units) }] : []),
      { id: 'whole', name: <b>{whole}</b>, length: <b>{formatLength(wire.lengthMm, units)}</b>, isMeasured: wire.lengthMeasured },
    ];
  };
  return (
    <section className={styles.card} aria-label="One circuit through the vehicle">
      <Select
        size="small"
        showSearch
        aria-label="Circuit shown"
        value={circuitId}
        style={{ width: '100%' }}
        optionFilterProp="label"
        onChange={onCircuit}
        options={analysis.circuits.map(({ id }) => ({ value: id, label: nameOf(analysis.design, id) }))}
      />
      {refusal}
      {wires.map((wire) => {
        const run = layout.runs.get(wire.id);
        const { ambientC } = analysis.exposures.get(wire.id)!;
        return (
          <div key={wire.id}>
            <h4>{nameOf(analysis.design, wire.id)}</h4>
            <Table
              columns={[
                { cell: ({ name }) => name },
                { as: 'figure', look: ({ isMeasured }) => (isMeasured ? 'measured' : undefined), cell: ({ length }) => length },
                { cell: ({ way }) => way },
              ]}
              rows={partsOf(wire)}
              keyOf={({ id }) => id}
            />
            <p className={styles.soft}>
              {formatConductor(wire.conductor)}, up to {formatTemperature(ambientC, units)}
              {run?.byHand && (
                <>
                  , way chosen by hand{' '}
                  <Button
                    size="small"
                    type="link"
                    onClick={() => commit('Take the shortest way', (design) => setVia(design, wire.id, null))}
                  >
                    shortest again
                  </Button>
                </>
              )}
            </p>
          </div>
        );
      })}
    </section>
  );
}

/** The circuit's own wires, supply first. */
export function wiresOf({ circuits, index }: Analysis, circuitId: string | null) {
  const circuit = circuits.find(({ id }) => id === circuitId);
  const ids = circuit ? [...circuit.supplyWireIds, ...circuit.returnWireIds] : [];
  const byId = new Map(index.wires.map((wire) => [wire.id, wire]));
  return ids.map((id) => byId.get(id)!);
}
