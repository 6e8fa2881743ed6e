'use client';

import { Button, Checkbox, Segmented } from 'antd';
import { Check, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Edit } from '@/core/design/edit';
import { nameOf } from '@/core/design/names';
import { harnessOf } from '@/core/harness/schedule';
import { planWork, type Planned } from '@/core/plan/schedule';
import { doneForNow } from '@/core/design/forNow';
import { JOINT_WORDS } from '@/core/devices/partSettings';
import { tasksOf, type Task } from '@/core/plan/tasks';
import { tickTask } from '@/core/plan/tickTask';
import { formatClock, formatRating } from '@/core/units/quantity';
import { ohmsWords, TASK_CAUTIONS, taskWords } from '@/core/wording/planWords';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { today } from '@/core/units/days';
import shared from '../harness/Harness.module.css';
import { StillLiveList } from './StillLiveList';
import styles from './Plan.module.css';

/** Behind every day. */
const LATER = '9999';
const isPast = (due: string | null) => due !== null && today() > due;

/** The work in order: what is to be done, where, after what, how long; ticked as it is done, and planned anew from there. */
export function PlanView() {
  const design = useDesign((state) => state.design);
  const whole = useDesign((state) => state.whole);
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  const [people, setPeople] = useState<1 | 2>(1);
  const [isCold, setCold] = useState(false);
  const [showDone, setShowDone] = useState(false);
  const { commit, refusal } = useRefusal();
  const harness = useMemo(() => harnessOf(index, wiring), [index, wiring]);
  const tasks = useMemo(() => tasksOf(design, index, harness, { isCold }), [design, index, harness, isCold]);
  const { planned, minutes, critical } = useMemo(() => planWork(tasks, people), [tasks, people]);
  const forNow = useMemo(() => doneForNow(whole).sort((a, b) => (a.due ?? LATER).localeCompare(b.due ?? LATER)), [whole]);
  const done = tasks.filter((task) => task.isDone);
  const open = new Set(planned.map(({ task }) => task.id));
  const isReady = (task: Task) => task.after.every(({ id }) => !open.has(id));
  const mark = (task: Task, isDone: boolean) =>
    commit(`${isDone ? 'Done' : 'Not done'}: ${taskWords(design, task)}`, (now) => {
      const edit = new Edit(now);
      tickTask(edit, task, harness, isDone, today());
      return edit.change;
    });
  const late = new Set(critical);
  return (
    <div className={shared.view} role="region" aria-label="Work plan" tabIndex={0}>
      <div className={styles.bar}>
        <Segmented<1 | 2>
          size="small"
          aria-label="How many people"
          value={people}
          onChange={setPeople}
          options={[
            { value: 1, label: 'alone' },
            { value: 2, label: 'two people' },
          ]}
        />
        <Checkbox checked={isCold} onChange={({ target }) => setCold(target.checked)}>
          under 10 °C: what dries takes twice as long
        </Checkbox>
        <Checkbox checked={showDone} onChange={({ target }) => setShowDone(target.checked)}>
          show what is done
        </Checkbox>
        <span role="status">
          <b className="reading">{formatClock(minutes)}</b> h of work and waiting left, {done.length} of {tasks.length} done
        </span>
        <Button size="small" icon={<Printer size={14} />} onClick={() => window.print()}>
          Print
        </Button>
        {refusal}
      </div>
      {planned.length === 0 && forNow.length === 0 && <p>All of it is done.</p>}
      {forNow.length > 0 && (
        <section aria-label="Done for now" className={styles.forNow}>
          <h3>Done for now: the work is not over before these are put right</h3>
          <ul>
            {forNow.map(({ id, why, due, fittedA, made }) => (
              <li key={`${id} ${fittedA}`} data-over={isPast(due)}>
                <b>{nameOf(design, id)}</b>
                {made !== null && ` is ${JOINT_WORDS[made]}`}
                {fittedA !== null ? ` holds ${formatRating(fittedA)}, not the planned fuse` : why ? `: ${why}` : ''}
                {due && `; ${isPast(due) ? 'was to be come back to by' : 'come back to it by'} ${due}`}
              </li>
            ))}
          </ul>
        </section>
      )}
      <ol className={styles.tasks}>
        {planned.map((one) => (
          <PlannedTask
            key={one.task.id}
            planned={one}
            people={people}
            isReady={isReady(one.task)}
            isLate={late.has(one.task.id)}
            onDone={() => mark(one.task, true)}
          />
        ))}
      </ol>
      {showDone && done.length > 0 && (
        <section aria-label="Done">
          <h3>Done</h3>
          <ul className={styles.done}>
            {done.map((task) => (
              <li key={task.id}>
                <Check aria-hidden size={15} /> {taskWords(design, task)}
                <Button size="small" aria-label={`Not done: ${taskWords(design, task)}`} onClick={() => mark(task, false)}>
                  not done
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <p className={shared.soft}>
        Minutes are a practised hand’s; a first time takes twice as long. What must come before what is kept whatever the order: hole, dry
        edge, grommet, cable; every circuit checked before the battery; the battery last.
      </p>
    </div>
  );
}

interface PlannedTaskProps {
  planned: Planned;
  people: number;
  isReady: boolean;
  isLate: boolean;
  onDone(): void;
}

function PlannedTask({ planned: { task, startMinute, person }, people, isReady, isLate, onDone }: PlannedTaskProps) {
  const design = useDesign((state) => state.design);
  const words = taskWords(design, task);
  const hold = Math.max(0, ...task.after.map(({ holdMinutes }) => holdMinutes));
  const caution = TASK_CAUTIONS[task.kind];
  return (
    <li data-ready={isReady}>
      <span className="reading">{formatClock(startMinute)}</span>
      <span className={styles.what}>
        {words}
        <small>
          {Math.max(1, Math.round(task.minutes))} min{task.placeId && `, ${nameOf(design, task.placeId)}`}
          {people === 2 && `, ${person === 0 ? 'first' : 'second'} person`}
          {hold > 0 && `, waits ${hold} min until it is dry`}
          {isLate && people === 2 && ', holds up the end'}
        </small>
        {caution && <em>{caution}</em>}
        {task.ohms && <small>{ohmsWords(task.ohms)}</small>}
        {task.kind === 'isolate' && <StillLiveList />}
      </span>
      <Button aria-label={`Done: ${words}`} disabled={!isReady} icon={<Check size={16} />} onClick={onDone}>
        done
      </Button>
    </li>
  );
}
