import { LoadsStage } from '@/features/loads/LoadsStage';

export default function LoadsPage() {
  return <LoadsStage />;
}
