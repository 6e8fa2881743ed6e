import type { Metadata } from 'next';
import { RigStage } from '@/features/rig/RigStage';

export const metadata: Metadata = { title: 'Rig' };

export default function RigPage() {
  return <RigStage />;
}
