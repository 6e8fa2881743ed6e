import { SupplyStage } from '@/features/supply/SupplyStage';

export default function SupplyPage() {
  return <SupplyStage />;
}
