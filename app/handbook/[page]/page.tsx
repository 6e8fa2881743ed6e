import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { HANDBOOK } from '@/core/handbook/pages';
import { HandbookView } from '@/features/handbook/HandbookView';

export const metadata: Metadata = { title: 'Handbook' };

export default async function HandbookPage({ params }: { params: Promise<{ page: string }> }) {
  const { page: id } = await params;
  const page = HANDBOOK.find((one) => one.id === id);
  if (!page) notFound();
  return <HandbookView page={page} />;
}
