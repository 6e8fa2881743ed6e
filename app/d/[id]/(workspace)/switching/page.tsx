import { SwitchingStage } from '@/features/switching/SwitchingStage';

export default function SwitchingPage() {
  return <SwitchingStage />;
}
