import { CircuitsStage } from '@/features/circuits/CircuitsStage';
import { titleOfStage } from '@/features/workspace/stages';

export const metadata = titleOfStage('circuits');

export default function CircuitsPage() {
  return <CircuitsStage />;
}
