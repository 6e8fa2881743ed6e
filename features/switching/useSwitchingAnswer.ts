import { useWorkerAnswer } from '@/features/design/useWorkerAnswer';
import type { SwitchingAnswer, SwitchingQuestion } from '@/workers/switching';

const make = () => new Worker(new URL('../../workers/switching.ts', import.meta.url), { type: 'module' });

/** Asks the switching worker about the design as it stands. */
export function useSwitchingAnswer(question: SwitchingQuestion | null) {
  return useWorkerAnswer<SwitchingQuestion, SwitchingAnswer>(
    make,
    question,
    'The wishes could not be held against the wiring. They are again at the next change.',
  );
}
