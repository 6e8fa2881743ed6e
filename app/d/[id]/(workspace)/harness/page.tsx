import { HarnessStage } from '@/features/harness/HarnessStage';

export default function HarnessPage() {
  return <HarnessStage />;
}
