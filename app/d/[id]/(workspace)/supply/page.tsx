import type { Metadata } from 'next';
import { SupplyStage } from '@/features/supply/SupplyStage';

export const metadata: Metadata = { title: 'Supply' };

export default function SupplyPage() {
  return <SupplyStage />;
}
