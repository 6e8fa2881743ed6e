import { RigStage } from '@/features/rig/RigStage';

export default function RigPage() {
  return <RigStage />;
}
