import { TestStage } from '@/features/test/TestStage';

export default function TestPage() {
  return <TestStage />;
}
