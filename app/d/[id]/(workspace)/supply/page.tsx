import { SupplyStage } from '@/features/supply/SupplyStage';
import { titleOfStage } from '@/features/workspace/stages';

export const metadata = titleOfStage('supply');

export default function SupplyPage() {
  return <SupplyStage />;
}
