'use client';

import { Button, Select } from 'antd';
import { Pause, Play } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { BenchAct } from '@/core/design/schema';
import { formatClock } from '@/core/units/quantity';
import styles from './Switching.module.css';

const WAITS = [
  { word: '1 s', seconds: 1 },
  { word: '10 s', seconds: 10 },
  { word: '1 min', seconds: 60 },
  { word: '10 min', seconds: 600 },
];

const SPEEDS = [1, 10, 60];
/** Between two moments while time runs, ms. */
const TICK_MS = 250;

/** Time on the bench: let pass at once, or run as it goes, faster, and stopped. */
export function Clock({ timeS, onAct }: { timeS: number; onAct: ((act: BenchAct, goesWithoutSaying?: boolean) => void) | null }) {
  const [isRunning, setRunning] = useState(false);
  const [speed, setSpeed] = useState(SPEEDS[0]!);
  useEffect(() => {
    if (!isRunning || !onAct) return;
    const timer = setInterval(() => onAct({ kind: 'wait', seconds: (TICK_MS / 1000) * speed }, true), TICK_MS);
    return () => clearInterval(timer);
  }, [isRunning, speed, onAct]);
  return (
    <span className={styles.waits} role="group" aria-label="Let time run">
      <span>Let pass</span>
      {WAITS.map(({ word, seconds }) => (
        <Button key={word} size="small" disabled={!onAct} onClick={() => onAct?.({ kind: 'wait', seconds })}>
          {word}
        </Button>
      ))}
      <Button
        size="small"
        disabled={!onAct}
        aria-label={isRunning ? 'Stop time' : 'Run time'}
        aria-pressed={isRunning}
        icon={isRunning ? <Pause size={14} /> : <Play size={14} />}
        onClick={() => setRunning(!isRunning)}
      />
      <Select
        size="small"
        aria-label="How fast time runs"
        value={speed}
        options={SPEEDS.map((value) => ({ value, label: `${value} ×` }))}
        onChange={setSpeed}
      />
      <span className="reading">{formatClock(timeS)}</span>
    </span>
  );
}
