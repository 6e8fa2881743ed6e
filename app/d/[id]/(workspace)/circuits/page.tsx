import { CircuitsStage } from '@/features/circuits/CircuitsStage';

export default function CircuitsPage() {
  return <CircuitsStage />;
}
