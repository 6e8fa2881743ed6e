import { useContext } from 'react';
import type { Analysis } from '@/core/analysis/types';
import { HeldContext, withHeld } from './held';
import type { Label } from './labels';
import { vineWidth } from './look';
import { Bud } from './PlaceMark';
import type { Projection } from './projection';
import { vinePath } from './RouteVine';
import styles from './Plan.module.css';

interface HeldLayerProps {
  analysis: Analysis;
  projection: Projection;
  labels: ReadonlyMap<string, Label>;
}

/**
 * The place in the hand and its stretches, on a sheet of their own over the drawing: a browser lays out a whole drawing
 * when one line in it moves, so what moves is kept apart.
 */
export function HeldLayer({ analysis, projection, labels }: HeldLayerProps) {
  const held = useContext(HeldContext);
  const { layout, places } = analysis.index;
  const place = held && places.find(({ id }) => id === held.id);
  if (!place) return null;
  const { x, y } = projection.at(held.to);
  const was = projection.at(place);
  const label = labels.get(place.id);
  const routes = Array.from(layout.routes.values()).filter(({ route }) => route.fromId === held.id || route.toId === held.id);
  return (
    <div className={styles.heldLayer}>
      <svg aria-hidden>
        {routes.map(({ route, from, to }) => (
          <path
            key={route.id}
            d={vinePath(route, withHeld(from, held), withHeld(to, held), projection).d}
            className={styles.heldVine}
            style={{ strokeWidth: vineWidth(analysis.bundles.get(route.id)!.diameterMm) }}
          />
        ))}
        <g className={`${styles.place} ${styles.chosenPlace}`}>
          <Bud place={place} label={label && { ...label, x: label.x + x - was.x, y: label.y + y - was.y }} x={x} y={y} used />
        </g>
      </svg>
    </div>
  );
}
