import type { Metadata } from 'next';
import { DesignProvider } from '@/features/design/DesignProvider';
import { MeasuringRun } from '@/features/rig/MeasuringRun';
import { historyAt } from '@/server/commit';
import { openDesign } from '@/server/stored';
import { orNotFound } from '@/server/orNotFound';

export const metadata: Metadata = { title: null };

export default async function MeasurePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const open = await openDesign(id).catch(orNotFound);
  return (
    <DesignProvider open={{ ...open, history: await historyAt(id, open.revision) }}>
      <MeasuringRun />
    </DesignProvider>
  );
}
