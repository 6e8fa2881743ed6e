'use client';

import { useDesign } from '@/features/design/DesignProvider';
import { LINE, type Label } from './labels';
import { zoneLook } from './look';
import type { Projection } from './projection';
import type { Layer } from './selection';
import { groundOf } from './zoneNames';
import styles from './Plan.module.css';

interface ZoneGroundsProps {
  layer: Layer;
  projection: Projection;
  selectedId: string | null;
}

/** The zones' grounds, tinted and patterned by the layer, by what the layer says of each. */
export function ZoneGrounds({ layer, projection, selectedId }: ZoneGroundsProps) {
  const analysis = useDesign((state) => state.analysis);
  return (
    <g aria-hidden>
      <Patterns />
      {analysis.index.zones.map((zone) => {
        if (!zone.plan) return null;
        const { left, right, top, bottom } = groundOf(zone.plan, projection);
        const look = zoneLook(zone, layer, analysis);
        const box = { x: left, y: top, width: right - left, height: bottom - top };
        return (
          <g key={zone.id} className={styles.zone} data-tint={look.tint}>
            <rect {...box} rx={5} className={selectedId === zone.id ? styles.chosenZone : undefined} />
            <rect {...box} rx={5} className={styles.pattern} style={{ fill: `url(#ground-${look.tint})` }} />
          </g>
        );
      })}
    </g>
  );
}

interface ZoneNamesProps {
  layer: Layer;
  /** Where each name stands. */
  names: ReadonlyMap<string, { label: Label }>;
}

/** The zones' names and what the layer says of each, over whatever lies on their grounds. */
export function ZoneNames({ layer, names }: ZoneNamesProps) {
  const analysis = useDesign((state) => state.analysis);
  return (
    <g aria-hidden className={styles.zone}>
      {analysis.index.zones.map((zone) => {
        const name = names.get(zone.id)?.label;
        if (!name) return null;
        const { words } = zoneLook(zone, layer, analysis);
        return (
          <g key={zone.id}>
            <text x={name.x} y={name.y} textAnchor={name.anchor}>
              {zone.name}
            </text>
            {words && (
              <text x={name.x} y={name.y + LINE} textAnchor={name.anchor} className={styles.zoneValue}>
                {words}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
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
