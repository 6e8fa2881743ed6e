import { EnergyStage } from '@/features/energy/EnergyStage';
import { titleOfStage } from '@/features/workspace/stages';

export const metadata = titleOfStage('energy');

export default function EnergyPage() {
  return <EnergyStage />;
}
