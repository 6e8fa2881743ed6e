import type { Metadata } from 'next';
import { LoadsStage } from '@/features/loads/LoadsStage';

export const metadata: Metadata = { title: 'Loads' };

export default function LoadsPage() {
  return <LoadsStage />;
}
