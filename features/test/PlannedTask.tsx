'use client';

import { Button } from 'antd';
import { Check, MoreHorizontal } from 'lucide-react';
import { useState } from 'react';
import { LIMITS } from '@/core/catalog/vocabulary';
import type { HandTask } from '@/core/design/schema';
import { nameOf } from '@/core/design/names';
import { handKey, putBefore, removeOwnTask, setHand } from '@/core/plan/handTasks';
import { needsOf } from '@/core/plan/needs';
import type { Planned } from '@/core/plan/schedule';
import type { Task } from '@/core/plan/task';
import type { Harness } from '@/core/harness/schedule';
import { type Edit } from '@/core/design/edit';
import { formatClock } from '@/core/units/quantity';
import { needWords, ohmsWords, TASK_CAUTIONS, taskWords } from '@/core/wording/planWords';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { MenuButton } from '@/ui/MenuButton';
import { QuantityField } from '@/ui/QuantityField';
import { StillLiveList } from './StillLiveList';
import styles from './Plan.module.css';

interface PlannedTaskProps {
  planned: Planned;
  /** When it begins, of its own day. */
  startMinute: number;
  people: number;
  isReady: boolean;
  isLate: boolean;
  harness: Harness;
  tasks: readonly Task[];
  /** What a hand did to it. */
  hand: HandTask | undefined;
  /** The task above it in the list; null for the first. */
  above: Task | null;
  onDone(): void;
  /** Whether it was taken. */
  onEdit(label: string, steps: (edit: Edit) => boolean | void): boolean;
}

/** A task with what it needs, and what a hand can do to it. */
export function PlannedTask({
  planned: { task, person },
  startMinute,
  people,
  isReady,
  isLate,
  harness,
  tasks,
  hand,
  above,
  onDone,
  onEdit,
}: PlannedTaskProps) {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const units = useUnits();
  const [isTimed, setTimed] = useState(false);
  const [isRefused, setRefused] = useState(false);
  const words = taskWords(design, task);
  const hold = Math.max(0, ...task.after.map(({ holdMinutes }) => holdMinutes));
  const caution = TASK_CAUTIONS[task.kind];
  const needs = needsOf(design, index, harness, task).map((need) => needWords(need, units));
  const key = handKey(task);
  const sittings = hand?.sittings ?? 1;
  const chosen = (act: () => unknown) => () => {
    setRefused(false);
    act();
  };
  const setSittings = (count: number) =>
    chosen(() =>
      onEdit(count === 1 ? `One sitting of ${words}` : `Sittings of ${words}`, (edit) =>
        setHand(edit, key, { sittings: count === 1 ? undefined : count }),
      ),
    );
  const putFirst = () => setRefused(!onEdit(`Before ${taskWords(design, above!)}`, (edit) => putBefore(edit, tasks, key, handKey(above!))));
  const asWorkedOut = () =>
    onEdit(`${words} as worked out`, (edit) => setHand(edit, key, { minutes: undefined, sittings: undefined, before: undefined }));
  const remove = () => onEdit(`Take off: ${words}`, (edit) => removeOwnTask(edit, key));
  const moreWords = sittings === 1 ? 'Split it into two sittings' : `Into ${sittings + 1} sittings`;
  const items = [
    ...(above && handKey(above) !== key
      ? [{ key: 'before', label: `Do it before: ${taskWords(design, above)}`, onClick: chosen(putFirst) }]
      : []),
    { key: 'minutes', label: 'It takes another time …', onClick: chosen(() => setTimed(true)) },
    ...(sittings < LIMITS.sittings ? [{ key: 'more', label: moreWords, onClick: setSittings(sittings + 1) }] : []),
    ...(sittings > 1 ? [{ key: 'one', label: 'In one sitting again', onClick: setSittings(1) }] : []),
    ...(hand && hand.text === undefined ? [{ key: 'plain', label: 'As it was worked out', onClick: chosen(asWorkedOut) }] : []),
    ...(hand?.text === undefined ? [] : [{ key: 'remove', label: 'Take it off the list', danger: true, onClick: chosen(remove) }]),
  ];
  return (
    <li data-ready={isReady}>
      <span className="reading">{formatClock(startMinute)}</span>
      <span className={styles.what}>
        {words}
        <small>
          {Math.max(1, Math.round(task.minutes))} min{task.placeId && `, ${nameOf(design, task.placeId)}`}
          {people === 2 && `, ${person === 0 ? 'first' : 'second'} person`}
          {hold > 0 && `, waits ${hold >= 120 ? `${Math.round(hold / 60)} h` : `${hold} min`} until it is dry`}
          {isLate && people === 2 && ', holds up the end'}
          {hand?.before?.length ? ', moved by hand' : ''}
        </small>
        {needs.length > 0 && <small>Needs: {needs.join('; ')}</small>}
        {caution && <em>{caution}</em>}
        {task.ohms && <small>{ohmsWords(task.ohms)}</small>}
        {task.kind === 'isolate' && <StillLiveList />}
        {isRefused && (
          <em role="alert">It waits for that one itself: a hole before its cable, a check before power. It stays where it is.</em>
        )}
        {isTimed && (
          <QuantityField
            label={`Minutes of ${words}`}
            value={Math.round(task.minutes * sittings)}
            unit="min"
            decimals={0}
            least={1}
            most={LIMITS.taskMinutes}
            onCommit={(minutes) => {
              setTimed(false);
              onEdit(`Time of ${words}`, (edit) => setHand(edit, key, { minutes }));
            }}
            onCancel={() => setTimed(false)}
          />
        )}
      </span>
      <span className={styles.acts}>
        <Button aria-label={`Done: ${words}`} disabled={!isReady} icon={<Check size={16} />} onClick={onDone}>
          done
        </Button>
        <MenuButton type="text" aria-label={`More for ${words}`} icon={<MoreHorizontal size={16} />} items={items} />
      </span>
    </li>
  );
}
