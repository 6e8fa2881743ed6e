import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { DesignProvider } from '@/features/design/DesignProvider';
import { Workspace } from '@/features/workspace/Workspace';
import { historyAt } from '@/server/commit';
import { openDesign } from '@/server/stored';
import { NotFound } from '@/server/errors';

export default async function WorkspaceLayout({ params, children }: { params: Promise<{ id: string }>; children: ReactNode }) {
  const { id } = await params;
  const open = await openDesign(id).catch((error: unknown) => {
    if (error instanceof NotFound) notFound();
    throw error;
  });
  return (
    <DesignProvider open={{ ...open, history: await historyAt(id, open.revision) }}>
      <Workspace designId={id}>{children}</Workspace>
    </DesignProvider>
  );
}
