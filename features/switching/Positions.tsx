import type { ControlValue } from '@/core/devices/kind';
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

/** One that springs back: on for as long as it is held, by pointer or key. */
export function Push({ name, pressed, onPress }: { name: string; pressed: boolean; onPress(pressed: boolean): void }) {
  const release = () => pressed && onPress(false);
  return (
    <div className={styles.control}>
      <span className={styles.name}>{name}</span>
      <button
        type="button"
        aria-label={`Press ${name}`}
        aria-pressed={pressed}
        className={styles.push}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          if (!pressed) onPress(true);
        }}
        onPointerUp={release}
        onPointerCancel={release}
        onKeyDown={({ key, repeat }) => (key === ' ' || key === 'Enter') && !repeat && !pressed && onPress(true)}
        onKeyUp={({ key }) => (key === ' ' || key === 'Enter') && release()}
        onBlur={release}
      >
        press
      </button>
    </div>
  );
}
