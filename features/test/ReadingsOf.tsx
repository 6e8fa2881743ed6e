'use client';

import { useMemo } from 'react';
import type { CircuitAnalysis } from '@/core/analysis/types';
import type { Measurement } from '@/core/diagnosis/diagnose';
import { pointsOf } from '@/core/diagnosis/expect';
import type { Moved } from '@/core/diagnosis/foresee';
import { movesTogether } from '@/core/diagnosis/moves';
import { benchOf } from '@/core/plan/firstPower';
import { trialsOf, trialsOfAll } from '@/core/plan/trials';
import { useDesign } from '@/features/design/DesignProvider';
import { ReadingsView } from './ReadingsView';

interface Shared {
  batteryV: number | null;
  onFind(): void;
}

/** What a circuit reads and is tried by while it works. */
export function CircuitReadings({ circuit, moved, ...shared }: Shared & { circuit: CircuitAnalysis; moved: readonly Moved[] }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  const points = useMemo(() => pointsOf(index).filter((what) => isOf(what, circuit)), [index, circuit]);
  const trials = useMemo(() => trialsOf(index, wiring, circuit, moved), [index, wiring, circuit, moved]);
  return <ReadingsView points={points} trials={trials} moved={moved} {...shared} />;
}

/**
 * What of all points belongs to a circuit: its block, its fuse, its loads, and what flows in its own feed. The battery's own volts are what
 * is entered above.
 */
function isOf(what: Measurement, { protectionId, loadIds, supplyWireIds, block }: CircuitAnalysis): boolean {
  if (what.kind === 'amps') return supplyWireIds.includes(what.wireId);
  return [protectionId, block?.id, ...loadIds].includes(what.at.deviceId);
}

/** Loads read with everything on: those that lose most on the way. */
const MOST_LOADS = 3;

/** What the battery, its lead, the blocks and the loads that lose most read with all that can be on together. */
export function AllReadings(shared: Shared) {
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  const circuits = useDesign(({ analysis }) => analysis.circuits);
  const loads = useDesign(({ analysis }) => analysis.loads);
  const moved = useMemo(() => movesTogether(index, wiring, circuits.map(({ loadIds }) => loadIds).filter((ids) => ids.length > 0)), [index, wiring, circuits]); // prettier-ignore
  const points = useMemo(() => {
    // What cannot be on with the rest reads nothing.
    const bench = benchOf(index);
    for (const { mover, position } of moved) bench?.do({ kind: 'move', mover, position });
    const lit = new Set(bench?.answer.loads.flatMap(({ id, state }) => (state === 'off' ? [] : [id])));
    const worst = new Set([...loads.values()].filter(({ id }) => lit.has(id)).sort((a, b) => b.dropPercent - a.dropPercent).slice(0, MOST_LOADS).map(({ id }) => id)); // prettier-ignore
    const { battery } = index;
    const leads = new Set(index.wires.filter(({ from, to }) => [from, to].some(({ deviceId, terminal }) => deviceId === battery?.id && terminal === 'plus')).map(({ id }) => id)); // prettier-ignore
    return pointsOf(index).filter((what) => {
      if (what.kind === 'amps') return leads.has(what.wireId);
      const kind = index.devices.get(what.at.deviceId)?.kind;
      return kind === 'fuseBlock' || worst.has(what.at.deviceId);
    });
  }, [index, loads, moved]);
  const trials = useMemo(() => trialsOfAll(index), [index]);
  return <ReadingsView points={points} trials={trials} moved={moved} {...shared} />;
}
