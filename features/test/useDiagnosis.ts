import { useState } from 'react';
import { useWorkerAnswer } from '@/features/design/useWorkerAnswer';
import type { DiagnosisAnswer, DiagnosisQuestion } from '@/workers/diagnosis';

const make = () => new Worker(new URL('../../workers/diagnosis.ts', import.meta.url), { type: 'module' });

/**
 * Asks the diagnosis worker about the design as it stands; the last answer stays until the next one is there, so that nothing jumps under a
 * thumb.
 */
export function useDiagnosis(question: DiagnosisQuestion | null): { answer: DiagnosisAnswer | null; isNew: boolean } {
  const { answer } = useWorkerAnswer<DiagnosisQuestion, DiagnosisAnswer>(
    make,
    question,
    'The readings could not be worked out. They are again at the next change.',
  );
  const [last, setLast] = useState<DiagnosisAnswer | null>(null);
  if (answer && answer !== last) setLast(answer);
  return { answer: answer ?? last, isNew: answer !== null };
}
