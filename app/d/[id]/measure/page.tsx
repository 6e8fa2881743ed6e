import type { Metadata } from 'next';
import { DesignProvider } from '@/features/design/DesignProvider';
import { MeasuringRun } from '@/features/rig/MeasuringRun';
import { historyAt } from '@/server/commit';
import { openDesign } from '@/server/stored';
import { orNotFound } from '@/server/orNotFound';
import { titleOf } from '@/server/pageTitle';

export function generateMetadata({ params }: { params: Promise<{ id: string }> }): Promise<Metadata> {
  return titleOf(params, 'Measuring run');
}

export default async function MeasurePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const open = await openDesign(id).catch(orNotFound);
  return (
    <DesignProvider open={{ ...open, history: await historyAt(id, open.revision) }}>
      <MeasuringRun />
    </DesignProvider>
  );
}
