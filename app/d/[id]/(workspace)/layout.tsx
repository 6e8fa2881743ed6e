import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { DesignProvider } from '@/features/design/DesignProvider';
import { Workspace } from '@/features/workspace/Workspace';
import { historyAt } from '@/server/commit';
import { openDesign } from '@/server/stored';
import { orNotFound } from '@/server/orNotFound';

export const metadata: Metadata = { title: null };

export default async function WorkspaceLayout({ params, children }: { params: Promise<{ id: string }>; children: ReactNode }) {
  const { id } = await params;
  const open = await openDesign(id).catch(orNotFound);
  return (
    <DesignProvider open={{ ...open, history: await historyAt(id, open.revision) }}>
      <Workspace designId={id}>{children}</Workspace>
    </DesignProvider>
  );
}
