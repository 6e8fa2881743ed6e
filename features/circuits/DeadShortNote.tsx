'use client';

import { useEffect, useState } from 'react';
import type { CircuitAnalysis } from '@/core/analysis/types';
import { nameOf } from '@/core/design/names';
import type { DeadShort } from '@/core/network/shortCircuit';
import { formatAmps, formatSeconds } from '@/core/units/quantity';
import { useDesign } from '@/features/design/DesignProvider';

/** How long the hand rests before the short is worked out, ms. */
const REST_MS = 250;

/** What a dead short at the far load would carry and which protection opens first, for an opened strip. */
export function DeadShortNote({ circuit }: { circuit: CircuitAnalysis }) {
  const analysis = useDesign((state) => state.analysis);
  const [short, setShort] = useState<DeadShort | null>(null);
  const loadId = circuit.worstLoadId;
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(async () => {
      const [{ deadShort }, { stateFor }] = await Promise.all([
        import('@/core/network/shortCircuit'),
        import('@/core/network/namedStates'),
      ]);
      if (!wanted || loadId === null) return;
      const circuitOf = (id: string) => analysis.loads.get(id)?.circuitId ?? null;
      const state = stateFor({ kind: 'onlyCircuit', circuitId: circuit.id }, analysis.index, circuitOf);
      try {
        setShort(deadShort(analysis.index, state, { deviceId: loadId, terminal: 'plus' }, { deviceId: loadId, terminal: 'minus' }));
      } catch {
        setShort(null);
      }
    }, REST_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [analysis, circuit.id, loadId]);
  if (!short || loadId === null) return null;
  const { opensFirst } = short;
  return (
    <p>
      A dead short at {nameOf(analysis.design, loadId)} would carry {formatAmps(short.amps)};{' '}
      {opensFirst ? (
        <>
          {nameOf(analysis.design, opensFirst.protectionId)} opens first, after about {formatSeconds(opensFirst.afterS)} (its gates:{' '}
          {formatSeconds(opensFirst.soonestS)} to {formatSeconds(opensFirst.latestS)}).
        </>
      ) : (
        <b>nothing would open.</b>
      )}
    </p>
  );
}
