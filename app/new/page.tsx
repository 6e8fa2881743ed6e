import type { Metadata } from 'next';
import { NewDesignScreen } from '@/features/home/NewDesignScreen';
import { listDesigns } from '@/server/designs';

export const metadata: Metadata = { title: 'A new design' };

export const dynamic = 'force-dynamic';

export default async function NewDesignPage() {
  const designs = (await listDesigns()).map(({ id, name }) => ({ id, name }));
  return <NewDesignScreen designs={designs} />;
}
