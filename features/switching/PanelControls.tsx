import type { ControlValue } from '@/core/devices/kind';
import shared from './Switching.module.css';
import styles from './Panels.module.css';

interface ControlProps {
  name: string;
  positions: readonly { value: ControlValue; word: string }[];
  at: ControlValue;
  onMove(value: ControlValue): void;
}

/** Which end of a rocker a position is at: up and on above, off in the middle of three. */
const HEIGHT: Record<string, number> = { up: 0, on: 0, in: 0, off: 1, out: 1, down: 2 };

/** A switch seen from the front: the end that is pressed in is the one it is at. */
export function Rocker({ name, positions, at, onMove }: ControlProps) {
  const ordered = [...positions].sort((a, b) => (HEIGHT[a.word] ?? 1) - (HEIGHT[b.word] ?? 1));
  return (
    <span role="group" aria-label={name} className={styles.rocker}>
      {ordered.map(({ value, word }) => (
        <button key={String(value)} type="button" aria-pressed={value === at} onClick={() => value !== at && onMove(value)}>
          {word}
        </button>
      ))}
    </span>
  );
}

/** A dimmer: pushed up and down through its levels. */
export function Fader({ name, positions, at, onMove }: ControlProps) {
  const ordered = [...positions].sort((a, b) => Number(a.value) - Number(b.value));
  const place = Math.max(
    0,
    ordered.findIndex(({ value }) => value === at),
  );
  const word = ordered[place]?.word ?? '';
  return (
    <span className={styles.fader}>
      <input
        type="range"
        aria-label={name}
        aria-valuetext={word}
        aria-orientation="vertical"
        min={0}
        max={ordered.length - 1}
        step={1}
        value={place}
        onChange={({ target }) => onMove(ordered[Number(target.value)]!.value)}
      />
      <span className="reading">{word}</span>
    </span>
  );
}

/** One that springs back: on for as long as it is held, by pointer or key. */
export function Push({
  name,
  round = false,
  pressed,
  onPress,
}: {
  name: string;
  /** Seen on a panel, where its name stands beneath it. */
  round?: boolean;
  pressed: boolean;
  onPress(pressed: boolean): void;
}) {
  const release = () => pressed && onPress(false);
  return (
    <button
      type="button"
      aria-label={`Press ${name}`}
      aria-pressed={pressed}
      className={round ? styles.round : shared.push}
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
  );
}
