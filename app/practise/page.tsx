import type { Metadata } from 'next';
import { PractiseScreen } from '@/features/practise/screens';

export const metadata: Metadata = { title: 'Practise' };

export default function PractisePage() {
  return <PractiseScreen />;
}
