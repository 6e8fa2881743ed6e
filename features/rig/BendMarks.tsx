'use client';

import { setting, updateRecords } from '@/core/design/change';
import type { Design } from '@/core/design/design';
import type { Route } from '@/core/design/schema';
import type { Point } from '@/core/rig/geometry';
import { useDesignStore } from '@/features/design/DesignProvider';
import type { Projection } from './projection';
import { useGrab } from './useGrab';
import styles from './Plan.module.css';

/** The bends of the chosen stretch, to drag or to move with the arrow keys; Delete straightens one. */
export function BendMarks({ route, projection }: { route: Route; projection: Projection }) {
  const store = useDesignStore();
  const setBends = (bends: Point[]) => (design: Design) => updateRecords(design, [setting(route, { bends })]);
  return route.bends.map((bend, at) => (
    <BendMark
      key={at}
      bend={bend}
      label={`Bend ${at + 1} of ${route.name}`}
      projection={projection}
      onMove={(to, done) => {
        const make = setBends(route.bends.map((other, place) => (place === at ? to : other)));
        if (done) store.commit(`Bend ${route.name}`, make);
        else store.preview(make);
      }}
      onRemove={() => store.commit(`Straighten ${route.name}`, setBends(route.bends.filter((_, place) => place !== at)))}
      onCancel={store.cancel}
    />
  ));
}

interface BendMarkProps {
  bend: Point;
  label: string;
  projection: Projection;
  onMove(to: Point, done: boolean): void;
  onRemove(): void;
  onCancel(): void;
}

function BendMark({ bend, label, projection, onMove, onRemove, onCancel }: BendMarkProps) {
  const { x, y } = projection.at(bend);
  const grab = useGrab({ point: bend, projection, onMove, onRemove, onCancel });
  return (
    <g className={styles.place} data-grab role="button" tabIndex={0} aria-label={label} {...grab}>
      <circle cx={x} cy={y} r={12} className={styles.touch} />
      <rect x={x - 4.5} y={y - 4.5} width={9} height={9} className={styles.bend} />
    </g>
  );
}
