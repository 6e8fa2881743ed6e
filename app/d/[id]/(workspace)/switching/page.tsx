import type { Metadata } from 'next';
import { SwitchingStage } from '@/features/switching/SwitchingStage';

export const metadata: Metadata = { title: 'Switching' };

export default function SwitchingPage() {
  return <SwitchingStage />;
}
