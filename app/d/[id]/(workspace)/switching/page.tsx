import { SwitchingStage } from '@/features/switching/SwitchingStage';
import { titleOfStage } from '@/features/workspace/stages';

export const metadata = titleOfStage('switching');

export default function SwitchingPage() {
  return <SwitchingStage />;
}
