import { RigStage } from '@/features/rig/RigStage';
import { titleOfStage } from '@/features/workspace/stages';

export const metadata = titleOfStage('rig');

export default function RigPage() {
  return <RigStage />;
}
