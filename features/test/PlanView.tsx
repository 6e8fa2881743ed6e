'use client';

import { Button, Checkbox, Segmented, Select } from 'antd';
import { Check, Printer } from 'lucide-react';
import { Fragment, useMemo, useState } from 'react';
import { Edit } from '@/core/design/edit';
import { recordsOf } from '@/core/design/design';
import { nameOf } from '@/core/design/names';
import { harnessOf } from '@/core/harness/schedule';
import { planWork, type Planned } from '@/core/plan/schedule';
import { doneForNow } from '@/core/design/forNow';
import { JOINT_WORDS } from '@/core/devices/splice';
import { handKey } from '@/core/plan/handTasks';
import { tasksOf } from '@/core/plan/tasks';
import type { Task } from '@/core/plan/task';
import { tickTask } from '@/core/plan/tickTask';
import { formatClock, formatRating } from '@/core/units/quantity';
import { taskWords } from '@/core/wording/planWords';
import { useDesign } from '@/features/design/DesignProvider';
import { usePlanOptions } from '@/features/design/usePlanOptions';
import { useRefusal } from '@/features/design/useRefusal';
import { today } from '@/core/units/days';
import shared from '../harness/Harness.module.css';
import { OwnTaskForm } from './OwnTaskForm';
import { PlannedTask } from './PlannedTask';
import styles from './Plan.module.css';

/** Behind every day. */
const LATER = '9999';
/** Hours there are a day. */
const HOURS = [2, 3, 4, 6, 8, 10];
const isPast = (due: string | null) => due !== null && today() > due;

/** The work in order: what is to be done, where, after what, how long; ticked as it is done, and planned anew from there. */
export function PlanView() {
  const design = useDesign((state) => state.design);
  const whole = useDesign((state) => state.whole);
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  const designId = useDesign(({ id }) => id);
  const [options, setOptions] = usePlanOptions(designId);
  const { people, isCold, hours } = options;
  const [showDone, setShowDone] = useState(false);
  const { commit, refusal } = useRefusal();
  const harness = useMemo(() => harnessOf(index, wiring), [index, wiring]);
  const tasks = useMemo(() => tasksOf(design, index, harness, { isCold }), [design, index, harness, isCold]);
  const { planned, minutes, critical } = useMemo(() => planWork(tasks, people, hours && hours * 60), [tasks, people, hours]);
  const forNow = useMemo(() => doneForNow(whole).sort((a, b) => (a.due ?? LATER).localeCompare(b.due ?? LATER)), [whole]);
  const hands = useMemo(() => new Map(recordsOf(design, 'handTask').map((hand) => [hand.task, hand])), [design]);
  const done = tasks.filter((task) => task.isDone);
  const open = new Set(planned.map(({ task }) => task.id));
  const isReady = (task: Task) => task.after.every(({ id }) => !open.has(id));
  const mark = (task: Task, isDone: boolean) =>
    commit(`${isDone ? 'Done' : 'Not done'}: ${taskWords(design, task)}`, (now) => {
      const edit = new Edit(now);
      tickTask(edit, task, harness, isDone, today());
      return edit.change;
    });
  /** Whether it was taken: steps that say no to themselves are not. */
  const edited = (label: string, steps: (edit: Edit) => boolean | void): boolean => {
    let isTaken = true;
    const refused = commit(label, (now) => {
      const edit = new Edit(now);
      isTaken = steps(edit) !== false;
      return edit.change;
    });
    return refused === null && isTaken;
  };
  const late = new Set(critical);
  const inOrder = [...planned].sort((a, b) => a.startMinute - b.startMinute);
  const dayOf = ({ startMinute }: Planned) => (hours === null ? 0 : Math.floor(startMinute / (hours * 60)));
  return (
    <div className={shared.view} role="region" aria-label="Work plan" tabIndex={0}>
      <div className={styles.bar}>
        <Segmented<1 | 2>
          size="small"
          aria-label="How many people"
          value={people}
          onChange={(next) => setOptions({ ...options, people: next })}
          options={[
            { value: 1, label: 'alone' },
            { value: 2, label: 'two people' },
          ]}
        />
        <Checkbox checked={isCold} onChange={({ target }) => setOptions({ ...options, isCold: target.checked })}>
          under 10 °C: what dries takes twice as long
        </Checkbox>
        <Select<number>
          size="small"
          aria-label="Hours a day"
          style={{ width: 150 }}
          value={hours ?? 0}
          options={[{ value: 0, label: 'without a break' }, ...HOURS.map((value) => ({ value, label: `${value} h a day` }))]}
          onChange={(value) => setOptions({ ...options, hours: value === 0 ? null : value })}
        />
        <Checkbox checked={showDone} onChange={({ target }) => setShowDone(target.checked)}>
          show what is done
        </Checkbox>
        <span role="status">
          {hours === null ? (
            <>
              <b className="reading">{formatClock(minutes)}</b> h of work and waiting left
            </>
          ) : (
            <>
              <b className="reading">{Math.ceil(minutes / (hours * 60))}</b> days of {hours} h left
            </>
          )}
          , {done.length} of {tasks.length} done
        </span>
        <Button size="small" icon={<Printer size={14} />} onClick={() => window.print()}>
          Print
        </Button>
        {refusal}
      </div>
      <OwnTaskForm onEdit={edited} />
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
        {inOrder.map((one, at) => {
          const day = dayOf(one);
          const isNewDay = hours !== null && (at === 0 || dayOf(inOrder[at - 1]!) !== day);
          return (
            <Fragment key={one.task.id}>
              {isNewDay && <li className={styles.day}>Day {day + 1}</li>}
              <PlannedTask
                planned={one}
                startMinute={hours === null ? one.startMinute : one.startMinute - day * hours * 60}
                people={people}
                isReady={isReady(one.task)}
                isLate={late.has(one.task.id)}
                harness={harness}
                tasks={tasks}
                hand={hands.get(handKey(one.task))}
                above={inOrder[at - 1]?.task ?? null}
                onDone={() => mark(one.task, true)}
                onEdit={edited}
              />
            </Fragment>
          );
        })}
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
