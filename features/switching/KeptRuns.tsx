'use client';

import { Button } from 'antd';
import { Trash2 } from 'lucide-react';
import { actsOnGone } from '@/core/bench/acts';
import { setting, updateRecords } from '@/core/design/change';
import { recordsOf } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import type { BenchAct } from '@/core/design/schema';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { NameField } from '@/ui/NameField';
import styles from './StripChart.module.css';

/** What was done on the bench, kept with the design: each by its name, to be played again, and what is there now to be kept. */
export function KeptRuns({
  acts,
  isPlaying,
  onPlay,
}: {
  acts: readonly BenchAct[];
  isPlaying: boolean;
  onPlay(acts: readonly BenchAct[]): void;
}) {
  const design = useDesign((state) => state.design);
  const { commit, refusal } = useRefusal();
  const runs = recordsOf(design, 'benchRun');
  const keep = () =>
    commit('Keep a strip chart', (now) => {
      const edit = new Edit(now);
      edit.add({ id: newId('run'), type: 'benchRun', name: `Chart ${recordsOf(now, 'benchRun').length + 1}`, acts: [...acts] });
      return edit.change;
    });
  const remove = (id: string, name: string) =>
    commit(`Remove ${name}`, (now) => {
      const edit = new Edit(now);
      edit.remove(id);
      return edit.change;
    });
  return (
    <section aria-label="Kept with the design" className={styles.kept}>
      <div className={styles.head}>
        <h3>Kept with the design</h3>
        <Button size="small" disabled={acts.length === 0 || isPlaying} onClick={keep}>
          Keep this one
        </Button>
      </div>
      {refusal}
      {runs.length === 0 && (
        <p>None yet. One that is kept can be played whenever the wiring has changed, to see that it still does the same.</p>
      )}
      <ul>
        {runs.map((run) => {
          const gone = actsOnGone(design, run.acts);
          return (
            <li key={run.id}>
              <NameField
                label="Name of the strip chart"
                name={run.name}
                onCommit={(name) => commit('Name a strip chart', (now) => updateRecords(now, [setting(run, { name })]))}
              />
              <span className={styles.count}>
                <span className="reading">{run.acts.length}</span> {run.acts.length === 1 ? 'act' : 'acts'}
                {gone > 0 && `, ${gone} on what has gone`}
              </span>
              <Button size="small" disabled={isPlaying} aria-label={`Play ${run.name}`} onClick={() => onPlay(run.acts)}>
                Play
              </Button>
              <Button size="small" aria-label={`Remove ${run.name}`} icon={<Trash2 size={14} />} onClick={() => remove(run.id, run.name)} />
            </li>
          );
        })}
      </ul>
    </section>
  );
}
