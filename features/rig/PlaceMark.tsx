import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Place } from '@/core/design/schema';
import type { Point } from '@/core/rig/geometry';
import type { Label } from './labels';
import type { Projection } from './projection';
import type { Selection } from './selection';
import styles from './Plan.module.css';

interface PlaceMarkProps {
  place: Place;
  label: Label | undefined;
  devices: number;
  faded: boolean;
  projection: Projection;
  selected: boolean;
  onSelect(selection: Selection): void;
  onMove(id: string, to: Point, done: boolean): void;
  onRemove(id: string): void;
  onCancel(): void;
}

/** A step of the arrow keys, mm, and with shift. */
const STEP_MM = 50;
const FINE_STEP_MM = 10;
const ARROWS: Record<string, [across: number, along: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A place: a leaf bud where something is fixed, a ring where nothing is. Drag it, or move it with the arrow keys. */
export function PlaceMark(props: PlaceMarkProps) {
  const { place, label, devices, faded, projection, selected, onSelect, onMove, onRemove, onCancel } = props;
  const { x, y } = projection.at(place);
  const grab = useRef<{ dx: number; dy: number; box: DOMRect; moved: boolean; to: Point } | null>(null);

  const down = (event: PointerEvent<SVGGElement>) => {
    if (event.button !== 0) return;
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    event.currentTarget.setPointerCapture(event.pointerId);
    grab.current = { dx: event.clientX - box.left - x, dy: event.clientY - box.top - y, box, moved: false, to: place };
    onSelect({ kind: 'place', id: place.id });
  };
  const move = (event: PointerEvent) => {
    const held = grab.current;
    if (!held) return;
    const to = projection.back(event.clientX - held.box.left - held.dx, event.clientY - held.box.top - held.dy, place);
    if (to.xMm === held.to.xMm && to.yMm === held.to.yMm && to.zMm === held.to.zMm) return;
    held.moved = true;
    held.to = to;
    onMove(place.id, to, false);
  };
  const up = () => {
    const held = grab.current;
    grab.current = null;
    if (held?.moved) onMove(place.id, held.to, true);
  };
  const key = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (event.key === 'Enter' || event.key === ' ') onSelect({ kind: 'place', id: place.id });
    else if (event.key === 'Delete' || event.key === 'Backspace') onRemove(place.id);
    else if (event.key === 'Escape' && grab.current) {
      grab.current = null;
      onCancel();
    } else if (arrow) {
      const step = event.shiftKey ? FINE_STEP_MM : STEP_MM;
      const to = { xMm: place.xMm + arrow[0] * step, yMm: place.yMm, zMm: place.zMm };
      if (projection.view === 'plan') to.yMm += arrow[1] * step;
      else to.zMm -= arrow[1] * step;
      onMove(place.id, to, true);
    } else return;
    event.preventDefault();
  };
  return (
    <g
      className={`${styles.place} ${selected ? styles.chosenPlace : ''} ${faded ? styles.faded : ''}`}
      data-grab
      role="button"
      tabIndex={0}
      aria-pressed={selected}
      aria-label={`Place ${place.name}, ${devices === 0 ? 'nothing fixed here' : `${devices} fixed here`}`}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onKeyDown={key}
    >
      <circle cx={x} cy={y} r={14} className={styles.touch} />
      {devices > 0 ? <path d={leaf(x, y)} className={styles.bud} /> : <circle cx={x} cy={y} r={3.5} className={styles.ring} />}
      {label && (
        <text x={label.x} y={label.y} textAnchor={label.anchor} className={styles.name}>
          {place.name}
        </text>
      )}
    </g>
  );
}

function leaf(x: number, y: number): string {
  return `M${x - 6} ${y} Q${x - 2} ${y - 7} ${x + 6} ${y - 1} Q${x + 1} ${y + 7} ${x - 6} ${y} Z`;
}
