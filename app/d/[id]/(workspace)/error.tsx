'use client';

import { StageFailed } from '@/features/workspace/StageFailed';

/** A stage that fails leaves its frame standing: the other stages, undo and the meter bar go on. */
export default function StageError({ reset }: { error: Error; reset(): void }) {
  return <StageFailed onAgain={reset} />;
}
