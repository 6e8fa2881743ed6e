import { useWorkerAnswer } from '@/features/design/useWorkerAnswer';
import type { SizingAnswer, SizingQuestion } from '@/workers/sizing';

const make = () => new Worker(new URL('../../workers/sizing.ts', import.meta.url), { type: 'module' });

/** Asks the sizing worker about the design as it stands. */
export function useSizing(question: SizingQuestion | null) {
  return useWorkerAnswer<SizingQuestion, SizingAnswer>(
    make,
    question,
    'The proposal failed: nothing was changed. Close it and ask again, for fewer circuits if it fails again.',
  );
}
