import type { Metadata } from 'next';
import { EnergyStage } from '@/features/energy/EnergyStage';

export const metadata: Metadata = { title: 'Energy' };

export default function EnergyPage() {
  return <EnergyStage />;
}
