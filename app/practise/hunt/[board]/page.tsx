import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { BOARDS } from '@/core/practise/boards';
import { BoardHunt } from '@/features/practise/screens';

export const metadata: Metadata = { title: 'Fault hunt' };

interface Props {
  params: Promise<{ board: string }>;
  searchParams: Promise<{ seed?: string | string[] }>;
}

export default async function HuntPage({ params, searchParams }: Props) {
  const [{ board }, { seed }] = await Promise.all([params, searchParams]);
  if (!BOARDS.some(({ id }) => id === board)) notFound();
  const drawn = typeof seed === 'string' && /^\d{1,9}$/.test(seed) ? Number(seed) : null;
  return <BoardHunt boardId={board} seed={drawn} />;
}
