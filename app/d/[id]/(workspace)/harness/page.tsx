import type { Metadata } from 'next';
import { HarnessStage } from '@/features/harness/HarnessStage';

export const metadata: Metadata = { title: 'Harness' };

export default function HarnessPage() {
  return <HarnessStage />;
}
