import type { KeepClear } from '@/core/design/schema';
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
  const point = (deg: number) => {
    const turn = (deg * Math.PI) / 180;
    return [projection.x(room.xMm + room.reachMm * Math.cos(turn)), projection.y(room.yMm + room.reachMm * Math.sin(turn))];
  };
  const radius = projection.px(room.reachMm);
  const wide = (((room.toDeg - room.fromDeg) % 360) + 360) % 360 > 180 ? 1 : 0;
  const [x1, y1] = point(room.fromDeg);
  const [x2, y2] = point(room.toDeg);
  const d = `M${projection.x(room.xMm)} ${projection.y(room.yMm)} L${x1} ${y1} A${radius} ${radius} 0 ${wide} 1 ${x2} ${y2} Z`;
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
