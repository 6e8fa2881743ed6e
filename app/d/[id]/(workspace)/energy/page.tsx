import { EnergyStage } from '@/features/energy/EnergyStage';

export default function EnergyPage() {
  return <EnergyStage />;
}
