'use client';

import { BUILD_TASKS } from '@/core/practise/buildTasks';
import { later } from '@/ui/later';

const BuildScreen = later(() => import('./BuildScreen').then((module) => module.BuildScreen));

/** A box of parts begins with the wires this browser knows of it. */
export function BuildIt({ taskId }: { taskId: string }) {
  const task = BUILD_TASKS.find(({ id }) => id === taskId);
  return task ? <BuildScreen key={task.id} task={task} /> : null;
}
