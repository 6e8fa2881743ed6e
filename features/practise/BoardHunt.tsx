import { Button } from 'antd';
import { useCallback, useMemo } from 'react';
import { useRouter } from 'next/navigation';
import { BOARDS } from '@/core/practise/boards';
import { randomHunt } from '@/core/practise/randomHunt';
import { EmptyStage } from '@/ui/EmptyStage';
import { HuntScreen } from './HuntScreen';
import { useLearner } from './useLearner';

/** A ready board, with the fault it comes with or one drawn from a seed; how it went is kept. */
export function BoardHunt({ boardId, seed }: { boardId: string; seed: number | null }) {
  const router = useRouter();
  const { keep } = useLearner();
  const hunt = useMemo(() => {
    const board = BOARDS.find(({ id }) => id === boardId);
    if (!board || seed === null) return board ?? null;
    const drawn = randomHunt(board.design, seed);
    return drawn && { ...drawn, id: `${boardId}-${seed}`, title: `${board.title}: another fault`, story: board.story };
  }, [boardId, seed]);
  const onDone = useCallback((points: number) => keep({ kind: 'hunt', subject: boardId, seed, points }), [keep, boardId, seed]);
  if (!hunt) return <EmptyStage title="Nothing to find there" text="No fault of that number shows on this board. Take another." />;
  return (
    <HuntScreen
      key={hunt.id}
      hunt={hunt}
      onDone={onDone}
      more={
        <Button size="small" onClick={() => router.push(`/practise/hunt/${boardId}?seed=${(seed ?? 0) + 1}`)}>
          Another fault on this board
        </Button>
      }
    />
  );
}
