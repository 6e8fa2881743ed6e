import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { BUILD_TASKS } from '@/core/practise/buildTasks';
import { BuildScreen } from '@/features/practise/screens';

export const metadata: Metadata = { title: 'Build it' };

/** A box of parts to be wired until its wishes are kept. */
export default async function BuildPage({ params }: { params: Promise<{ task: string }> }) {
  const { task } = await params;
  if (!BUILD_TASKS.some(({ id }) => id === task)) notFound();
  return <BuildScreen taskId={task} />;
}
