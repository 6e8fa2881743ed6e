import type { KeepClear } from '@/core/design/schema';
import type { SweepAxis } from '@/core/catalog/vocabulary';
import type { Projection } from './projection';
import type { Selection } from './selection';
import styles from './Plan.module.css';

interface ClearRoomProps {
  room: KeepClear;
  projection: Projection;
  selected: boolean;
  onSelect(selection: Selection): void;
}

/** What a door, hood or arm sweeps, or a line of sight: a fan that must stay free. */
export function ClearRoom({ room, projection, selected, onSelect }: ClearRoomProps) {
  const d = room.axis ? fromAbove(room, room.axis, projection) : fan(room, projection);
  return (
    <path
      d={d}
      data-grab
      className={`${styles.clear} ${room.kind === 'sight' ? styles.sight : ''} ${selected ? styles.chosenClear : ''}`}
      onClick={() => onSelect({ kind: 'keepClear', id: room.id })}
    >
      <title>{`${room.name}: keep clear`}</title>
    </path>
  );
}

/** About an upright axis: a fan, seen from above. */
function fan(room: KeepClear, projection: Projection): string {
  const point = (deg: number) => {
    const turn = (deg * Math.PI) / 180;
    return [projection.x(room.xMm + room.reachMm * Math.cos(turn)), projection.y(room.yMm + room.reachMm * Math.sin(turn))];
  };
  const radius = projection.px(room.reachMm);
  const wide = (((room.toDeg - room.fromDeg) % 360) + 360) % 360 > 180 ? 1 : 0;
  const [x1, y1] = point(room.fromDeg);
  const [x2, y2] = point(room.toDeg);
  return `M${projection.x(room.xMm)} ${projection.y(room.yMm)} L${x1} ${y1} A${radius} ${radius} 0 ${wide} 1 ${x2} ${y2} Z`;
}

/** About a level axis: what it covers seen from above, from one end of its reach to the other. */
function fromAbove({ xMm, yMm, reachMm, fromDeg, toDeg, lowMm, highMm }: KeepClear, axis: SweepAxis, projection: Projection): string {
  const span = (((toDeg - fromDeg) % 360) + 360) % 360 || 360;
  const reached = Array.from({ length: 25 }, (_, at) => reachMm * Math.cos(((fromDeg + (span * at) / 24) * Math.PI) / 180));
  const [least, most] = [Math.min(0, ...reached), Math.max(0, ...reached)];
  const [x1, x2] = axis === 'crosswise' ? [xMm + least, xMm + most] : [lowMm, highMm];
  const [y1, y2] = axis === 'crosswise' ? [lowMm, highMm] : [yMm + least, yMm + most];
  const { x, y } = projection;
  return `M${x(x1)} ${y(y1)} L${x(x2)} ${y(y1)} L${x(x2)} ${y(y2)} L${x(x1)} ${y(y2)} Z`;
}
