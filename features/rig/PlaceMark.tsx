import { memo } from 'react';
import type { Place } from '@/core/design/schema';
import type { Point } from '@/core/rig/geometry';
import type { Label } from './labels';
import type { Projection } from './projection';
import type { Selection } from './selection';
import { useGrab } from './useGrab';
import styles from './Plan.module.css';

interface PlaceMarkProps {
  place: Place;
  label: Label | undefined;
  devices: number;
  faded: boolean;
  projection: Projection;
  selected: boolean;
  /** In the hand, and drawn there. */
  carried: boolean;
  onSelect(selection: Selection): void;
  onMove(id: string, to: Point, done: boolean): void;
  onRemove(id: string): void;
  onCancel(): void;
}

/** A place: a leaf bud where something is fixed, a ring where nothing is. Drag it, or move it with the arrow keys. */
export const PlaceMark = memo(function PlaceMark(props: PlaceMarkProps) {
  const { place, label, devices, faded, projection, selected, carried, onSelect, onMove, onRemove, onCancel } = props;
  const { x, y } = projection.at(place);
  const grab = useGrab({
    point: place,
    projection,
    onGrab: () => onSelect({ kind: 'place', id: place.id }),
    onMove: (to, done) => onMove(place.id, to, done),
    onRemove: () => onRemove(place.id),
    onCancel,
  });
  return (
    <g
      className={`${styles.place} ${selected ? styles.chosenPlace : ''} ${faded ? styles.faded : ''} ${carried ? styles.carried : ''}`}
      data-grab
      role="button"
      tabIndex={0}
      aria-pressed={selected}
      aria-label={`Place ${place.name}, ${devices === 0 ? 'nothing fixed here' : `${devices} fixed here`}`}
      {...grab}
    >
      <circle cx={x} cy={y} r={14} className={styles.touch} />
      <Bud place={place} label={label} x={x} y={y} used={devices > 0} />
    </g>
  );
});

/** How a place looks, with its name where there is room for it. */
export function Bud({ place, label, x, y, used }: { place: Place; label: Label | undefined; x: number; y: number; used: boolean }) {
  return (
    <>
      {used ? <path d={leaf(x, y)} className={styles.bud} /> : <circle cx={x} cy={y} r={3.5} className={styles.ring} />}
      {label && (
        <text x={label.x} y={label.y} textAnchor={label.anchor} className={styles.name}>
          {place.name}
        </text>
      )}
    </>
  );
}

function leaf(x: number, y: number): string {
  return `M${x - 6} ${y} Q${x - 2} ${y - 7} ${x + 6} ${y - 1} Q${x + 1} ${y + 7} ${x - 6} ${y} Z`;
}
