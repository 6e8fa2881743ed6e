import { LoadsStage } from '@/features/loads/LoadsStage';
import { titleOfStage } from '@/features/workspace/stages';

export const metadata = titleOfStage('loads');

export default function LoadsPage() {
  return <LoadsStage />;
}
