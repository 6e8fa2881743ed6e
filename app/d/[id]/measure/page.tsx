import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { DesignProvider } from '@/features/design/DesignProvider';
import { MeasuringRun } from '@/features/rig/MeasuringRun';
import { historyAt } from '@/server/commit';
import { openDesign } from '@/server/stored';
import { NotFound } from '@/server/errors';

export const metadata: Metadata = { title: 'Measuring run' };

export default async function MeasurePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const open = await openDesign(id).catch((error: unknown) => {
    if (error instanceof NotFound) notFound();
    throw error;
  });
  return (
    <DesignProvider open={{ ...open, history: await historyAt(id, open.revision) }}>
      <MeasuringRun />
    </DesignProvider>
  );
}
