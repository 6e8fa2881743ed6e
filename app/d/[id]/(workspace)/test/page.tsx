import type { Metadata } from 'next';
import { TestStage } from '@/features/test/TestStage';

export const metadata: Metadata = { title: 'Build and test' };

export default function TestPage() {
  return <TestStage />;
}
