import type { Metadata } from 'next';
import { PractiseHome } from '@/features/practise/PractiseHome';

export const metadata: Metadata = { title: 'Practise' };

export default function PractisePage() {
  return <PractiseHome />;
}
