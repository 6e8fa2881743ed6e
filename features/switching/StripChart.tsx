'use client';

import { Button, Drawer } from 'antd';
import { useEffect, useState } from 'react';
import { writeActs } from '@/core/bench/acts';
import type { BenchAct } from '@/core/design/schema';
import { SEEN_SHARE } from '@/core/bench/changedLoads';
import { nameOf } from '@/core/design/names';
import { formatClock } from '@/core/units/quantity';
import { useDesign } from '@/features/design/DesignProvider';
import { KeptRuns } from './KeptRuns';
import { linkToActs } from './useLinkedActs';
import type { Done } from './keptBench';
import drawer from '@/ui/Drawer.module.css';
import styles from './StripChart.module.css';

/** Between two acts that are played again, ms. */
const PACE_MS = 800;
const ROW = 26;
const STEP = 34;
const NAMES = 190;

/** What was on when: a strip for every load that was ever lit, a step for every act, to be played again and handed on. */
export function StripChart({ acts, onAct, onClose }: { acts: readonly Done[]; onAct(act: BenchAct): void; onClose(): void }) {
  const design = useDesign((state) => state.design);
  const [said, setSaid] = useState('');
  const [replayed, setReplayed] = useState<readonly BenchAct[]>([]);
  const steps = sinceRest(acts);
  const lit = [...new Set(steps.flatMap(({ before, levels }) => [...before.keys(), ...levels.keys()]))];
  // What is lit throughout tells nothing of the acts.
  const moving = lit.filter((id) =>
    steps.some(({ before, levels }) => Math.abs((levels.get(id) ?? 0) - (before.get(id) ?? 0)) >= SEEN_SHARE),
  );
  useEffect(() => {
    const [next, ...others] = replayed;
    if (!next) return;
    const timer = setTimeout(() => {
      onAct(next);
      setReplayed(others);
    }, PACE_MS);
    return () => clearTimeout(timer);
  }, [replayed, onAct]);
  const play = (asked: readonly BenchAct[]) => {
    onAct({ kind: 'rest' });
    setReplayed(asked);
  };
  const copy = async () => {
    const link = linkToActs(writeActs(steps.map(({ act }) => act)));
    try {
      await navigator.clipboard.writeText(link);
      setSaid('The link is in the clipboard: who opens it sees this design’s bench do these acts.');
    } catch {
      setSaid(link);
    }
  };
  return (
    <Drawer open title="Strip chart" placement="right" size={680} onClose={onClose} mask={false} rootClassName={drawer.root}>
      <p className={styles.buttons}>
        {replayed.length > 0 ? (
          <Button size="small" onClick={() => setReplayed([])}>
            Stop playing
          </Button>
        ) : (
          <Button size="small" disabled={steps.length === 0} onClick={() => play(steps.map(({ act }) => act))}>
            Play again
          </Button>
        )}
        <Button size="small" disabled={steps.length === 0} onClick={() => void copy()}>
          Copy a link to it
        </Button>
        <span role="status">{said}</span>
      </p>
      {moving.length === 0 ? (
        <p>Nothing has gone on or off yet.</p>
      ) : (
        <div className={styles.scroll}>
          <svg
            width={NAMES + steps.length * STEP}
            height={(moving.length + 1) * ROW}
            role="img"
            aria-label={`What was on after each of ${steps.length} acts: ${moving.map((id) => nameOf(design, id)).join(', ')}`}
          >
            {moving.map((id, row) => (
              <g key={id} transform={`translate(0 ${row * ROW})`}>
                <text x={0} y={17}>
                  {nameOf(design, id).slice(0, 28)}
                </text>
                <line x1={NAMES} x2={NAMES + steps.length * STEP} y1={ROW - 4} y2={ROW - 4} />
                {steps.map(({ key, levels }, at) => {
                  const level = levels.get(id) ?? 0;
                  return level > 0 && <rect key={key} x={NAMES + at * STEP} y={ROW - 4 - 16 * level} width={STEP} height={16 * level} />;
                })}
              </g>
            ))}
            {steps.map(({ key }, at) => (
              <text key={key} x={NAMES + at * STEP + 3} y={moving.length * ROW + 16}>
                {at + 1}
              </text>
            ))}
          </svg>
        </div>
      )}
      <ol className={styles.acts}>
        {steps.map(({ key, timeS, what, changed }) => (
          <li key={key}>
            <span className="reading">{formatClock(timeS)}</span> <strong>{what}.</strong>{' '}
            {changed.length === 0 ? 'Nothing else changed.' : `${changed.join('. ')}.`}
          </li>
        ))}
      </ol>
      <KeptRuns acts={steps.map(({ act }) => act)} isPlaying={replayed.length > 0} onPlay={play} />
    </Drawer>
  );
}

/** What was done since everything was last put at rest, in its order. */
function sinceRest(acts: readonly Done[]): Done[] {
  const rest = acts.findIndex(({ act }) => act.kind === 'rest');
  return [...(rest < 0 ? acts : acts.slice(0, rest))].reverse();
}
