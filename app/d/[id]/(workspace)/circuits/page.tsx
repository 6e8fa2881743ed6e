import type { Metadata } from 'next';
import { CircuitsStage } from '@/features/circuits/CircuitsStage';

export const metadata: Metadata = { title: 'Circuits' };

export default function CircuitsPage() {
  return <CircuitsStage />;
}
