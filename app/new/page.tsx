import type { Metadata } from 'next';
import { NewDesignScreen } from '@/features/home/NewDesignScreen';
import { listNames } from '@/server/designs';

export const metadata: Metadata = { title: 'A new design' };

export const dynamic = 'force-dynamic';

export default async function NewDesignPage() {
  return <NewDesignScreen designs={await listNames()} />;
}
