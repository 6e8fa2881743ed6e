'use client';

import { Button } from 'antd';
import { useDesign } from '@/features/design/DesignProvider';
import { EmptyStage } from '@/ui/EmptyStage';

/** What stands in the place of a stage that could not be drawn. */
export function StageFailed({ onAgain }: { onAgain(): void }) {
  const id = useDesign((state) => state.id);
  return (
    <EmptyStage
      title="This stage failed"
      text="Everything said to be saved is safe, and the other stages go on. If the last edit brought this, undo it; else try again, or save the design as a file and keep that."
    >
      <Button type="primary" onClick={onAgain}>
        Try again
      </Button>
      <p>
        <a href={`/api/designs/${id}/export`}>Save the design as a file</a>
      </p>
    </EmptyStage>
  );
}
