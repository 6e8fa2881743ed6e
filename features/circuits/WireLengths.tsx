'use client';

import type { CircuitAnalysis } from '@/core/analysis/types';
import { nameOf } from '@/core/design/names';
import { isRouted } from '@/core/rig/layout';
import { LIMITS } from '@/core/catalog/vocabulary';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { LengthField } from '@/ui/LengthField';
import type { StripGeometry } from '@/ui/runStrip/geometry';
import { setLength } from './edits';
import styles from './WireLengths.module.css';

/** The lengths of the circuit's own wires, each under its place on the run, and the return's. */
export function WireLengths({ circuit, geometry, width }: { circuit: CircuitAnalysis; geometry: StripGeometry; width: number }) {
  const store = useDesignStore();
  const analysis = useDesign((state) => state.analysis);
  const units = useUnits();
  const field = (wireId: string) => {
    const wire = analysis.wires.get(wireId)?.wire;
    if (!wire) return null;
    const routed = isRouted(analysis.index, wireId);
    const commit = (lengthMm: number, measured: boolean) =>
      store.commit(`Set a length in ${circuit.name}`, (now) => setLength(now, circuit, wireId, lengthMm, measured));
    return (
      <LengthField
        label={`Length ${nameOf(analysis.design, wireId)}`}
        lengthMm={wire.lengthMm}
        measured={wire.lengthMeasured}
        routed={routed}
        units={units}
        mostMm={LIMITS.lengthMm}
        onPreview={(lengthMm) => store.preview((now) => setLength(now, circuit, wireId, lengthMm, routed || wire.lengthMeasured))}
        onCommit={(lengthMm) => commit(lengthMm, routed || wire.lengthMeasured)}
        onMeasured={(measured) => commit(wire.lengthMm, measured)}
        onCancel={store.cancel}
      />
    );
  };
  const own = geometry.wires.filter(
    ({ shared, wireId }, at) => !shared && geometry.wires.findIndex((wire) => wire.wireId === wireId) === at,
  );
  const places = spread(
    own.map(({ x1, x2 }) => (x1 + x2) / 2),
    width - RETURN_LABEL - Math.min(3, circuit.returnWireIds.length) * FIELD_WIDTH,
  );
  return (
    <div className={styles.lengths} style={{ width }}>
      {own.map(({ wireId }, at) => (
        <span key={wireId} className={styles.place} style={{ left: places[at] }}>
          {field(wireId)}
        </span>
      ))}
      {circuit.returnWireIds.length > 0 && (
        <span className={styles.returns}>
          <span>return</span>
          {circuit.returnWireIds.slice(0, 3).map((wireId) => (
            <span key={wireId}>{field(wireId)}</span>
          ))}
        </span>
      )}
    </div>
  );
}

const FIELD_WIDTH = 106;
const RETURN_LABEL = 60;

/** Moves fields apart so that none covers another, as little as possible and from the left. */
function spread(centres: number[], width: number): number[] {
  let edge = 0;
  const lefts = centres.map((centre) => {
    const left = Math.max(edge, centre - FIELD_WIDTH / 2);
    edge = left + FIELD_WIDTH;
    return left;
  });
  const over = Math.max(0, edge - width);
  return lefts.map((left) => Math.max(0, left - over));
}
