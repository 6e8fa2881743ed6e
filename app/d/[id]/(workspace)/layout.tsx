import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { DesignProvider } from '@/features/design/DesignProvider';
import { Workspace } from '@/features/workspace/Workspace';
import { historyAt } from '@/server/commit';
import { openDesign } from '@/server/stored';
import { orNotFound } from '@/server/orNotFound';
import { titleOf } from '@/server/pageTitle';

interface Props {
  params: Promise<{ id: string }>;
  children: ReactNode;
}

export function generateMetadata({ params }: Props): Promise<Metadata> {
  return titleOf(params);
}

export default async function WorkspaceLayout({ params, children }: Props) {
  const { id } = await params;
  const open = await openDesign(id).catch(orNotFound);
  return (
    <DesignProvider open={{ ...open, history: await historyAt(id, open.revision) }}>
      <Workspace designId={id}>{children}</Workspace>
    </DesignProvider>
  );
}
