import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { EnterScreen } from '@/features/enter/EnterScreen';
import { asksForPassword, goOn } from '@/server/access';

export const metadata: Metadata = { title: 'Password' };
export const dynamic = 'force-dynamic';

export default async function EnterPage({ searchParams }: { searchParams: Promise<{ to?: string | string[] }> }) {
  const { to } = await searchParams;
  const next = goOn(typeof to === 'string' ? to : null);
  if (!asksForPassword()) redirect(next);
  return <EnterScreen next={next} />;
}
