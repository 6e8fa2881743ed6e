'use client';

import type { Zone } from '@/core/design/schema';
import { useDesign } from '@/features/design/DesignProvider';
import type { Box } from './labels';
import { zoneLook } from './look';
import type { Projection } from './projection';
import type { Layer } from './selection';
import styles from './Plan.module.css';

/** The zones' grounds, tinted and patterned by the layer, each with its name and what the layer says of it. */
export function ZoneGrounds({ layer, projection, selectedId }: { layer: Layer; projection: Projection; selectedId: string | null }) {
  const analysis = useDesign((state) => state.analysis);
  return (
    <g aria-hidden>
      <Patterns />
      {analysis.index.zones.map((zone) => {
        if (!zone.plan) return null;
        const { lengthMm, widthMm, lowMm, highMm } = zone.plan;
        const { left, top } = cornerOf(zone.plan, projection);
        const look = zoneLook(zone, layer, analysis);
        const size = projection.px(projection.view === 'plan' ? widthMm : highMm - lowMm);
        const box = { x: left, y: top, width: projection.px(lengthMm), height: size };
        return (
          <g key={zone.id} className={styles.zone} data-tint={look.tint}>
            <rect {...box} rx={5} className={selectedId === zone.id ? styles.chosenZone : undefined} />
            <rect {...box} rx={5} className={styles.pattern} style={{ fill: `url(#ground-${look.tint})` }} />
            <text x={box.x + 7} y={box.y + 15}>
              {zone.name}
            </text>
            {look.words && (
              <text x={box.x + 7} y={box.y + 30} className={styles.zoneValue}>
                {look.words}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** Where the zones' own lines of text stand, to be left free by others. */
export function zoneNames(zones: readonly Zone[], projection: Projection, lines: number): Box[] {
  return zones.flatMap((zone) => {
    if (!zone.plan) return [];
    const { left, top } = cornerOf(zone.plan, projection);
    return [{ left: left + 5, right: left + 9 + zone.name.length * 6.6, top: top + 3, bottom: top + 3 + lines * 15 }];
  });
}

function cornerOf({ xMm, yMm, highMm }: NonNullable<Zone['plan']>, projection: Projection): { left: number; top: number } {
  return { left: projection.x(xMm), top: projection.view === 'plan' ? projection.y(yMm) : projection.y(highMm) };
}

/** A pattern for each tint, so that none is told by colour alone. */
function Patterns() {
  const marks: Record<string, string> = {
    tint1: 'M0 7 H14',
    tint2: 'M7 0 V14',
    tint3: 'M0 14 L14 0',
    tint4: 'M0 0 L14 14',
    tint5: 'M3 3 h1 M10 10 h1',
    tint6: 'M0 4 q3.5 -4 7 0 t7 0',
    tint7: 'M7 4 v6 M4 7 h6',
    tint8: 'M2 10 l3 -4 l3 4',
    warm: 'M0 14 L14 0',
    hot: 'M0 14 L14 0 M0 0 L14 14',
    wet: 'M4 3 v4 M11 9 v4',
    splashed: 'M4 3 v2 M11 10 v2',
    cool: '',
    dry: '',
  };
  return (
    <defs>
      {Object.entries(marks).map(([id, d]) => (
        <pattern key={id} id={`ground-${id}`} width="14" height="14" patternUnits="userSpaceOnUse">
          <path d={d} className={styles.mark} />
        </pattern>
      ))}
    </defs>
  );
}
