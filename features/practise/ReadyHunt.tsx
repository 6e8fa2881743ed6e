'use client';

import { useCallback, useMemo } from 'react';
import { BOARDS } from '@/core/practise/boards';
import { randomHunt } from '@/core/practise/randomHunt';
import { later } from '@/ui/later';
import { EmptyStage } from '@/ui/EmptyStage';

const HuntScreen = later(() => import('./HuntScreen').then((module) => module.HuntScreen));

/** A ready board, with the fault it comes with or one drawn from a seed. */
export function ReadyHunt({ boardId, seed }: { boardId: string; seed: number | null }) {
  const hunt = useMemo(() => {
    const board = BOARDS.find(({ id }) => id === boardId);
    if (!board || seed === null) return board ?? null;
    const drawn = randomHunt(board.design, seed);
    return drawn && { ...drawn, id: `${boardId}-${seed}`, title: `${board.design ? board.title : ''}, another fault` };
  }, [boardId, seed]);
  const onDone = useCallback(() => undefined, []);
  if (!hunt) return <EmptyStage title="No such board" text="Choose one from the list of boards." />;
  return <HuntScreen key={hunt.id} hunt={hunt} onDone={onDone} />;
}
