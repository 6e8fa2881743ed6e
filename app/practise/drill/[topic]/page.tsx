import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { TOPIC_IDS } from '@/core/practise/drills/topics';
import { DrillScreen } from '@/features/practise/screens';

export const metadata: Metadata = { title: 'Drill' };

/** Questions of one topic, or mixed. */
export default async function DrillPage({ params }: { params: Promise<{ topic: string }> }) {
  const { topic } = await params;
  const one = TOPIC_IDS.find((id) => id === topic) ?? null;
  if (!one && topic !== 'mixed') notFound();
  return <DrillScreen topic={one} />;
}
