import type { ControlValue } from '@/core/devices/kind';
import { Push } from './PanelControls';
import styles from './Switching.module.css';

/** The positions of a control, one of which it is in. */
export function Positions({
  name,
  positions,
  at,
  onMove,
}: {
  name: string;
  positions: readonly { value: ControlValue; word: string }[];
  at: ControlValue;
  onMove(value: ControlValue, word: string): void;
}) {
  return (
    <div className={styles.control}>
      <span className={styles.name}>{name}</span>
      <span role="group" aria-label={name} className={styles.positions}>
        {positions.map(({ value, word }) => (
          <button key={String(value)} type="button" aria-pressed={value === at} onClick={() => value !== at && onMove(value, word)}>
            {word}
          </button>
        ))}
      </span>
    </div>
  );
}

/** One that springs back, with its name beside it. */
export function NamedPush({ name, pressed, onPress }: { name: string; pressed: boolean; onPress(pressed: boolean): void }) {
  return (
    <div className={styles.control}>
      <span className={styles.name}>{name}</span>
      <Push name={name} pressed={pressed} onPress={onPress} />
    </div>
  );
}
