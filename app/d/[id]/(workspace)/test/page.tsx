import { TestStage } from '@/features/test/TestStage';
import { titleOfStage } from '@/features/workspace/stages';

export const metadata = titleOfStage('test');

export default function TestPage() {
  return <TestStage />;
}
