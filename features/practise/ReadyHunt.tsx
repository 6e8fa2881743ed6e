'use client';

import { later } from '@/ui/later';

const BoardHunt = later(() => import('./BoardHunt').then((module) => module.BoardHunt));

/** A hunt begins with what this browser knows of it. */
export function ReadyHunt(props: { boardId: string; seed: number | null }) {
  return <BoardHunt {...props} />;
}
