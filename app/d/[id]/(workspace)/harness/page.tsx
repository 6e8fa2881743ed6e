import { HarnessStage } from '@/features/harness/HarnessStage';
import { titleOfStage } from '@/features/workspace/stages';

export const metadata = titleOfStage('harness');

export default function HarnessPage() {
  return <HarnessStage />;
}
