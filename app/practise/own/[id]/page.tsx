import type { Metadata } from 'next';
import { DesignHunt } from '@/features/practise/screens';
import { orNotFound } from '@/server/orNotFound';
import { readDesign } from '@/server/stored';

export const metadata: Metadata = { title: 'Fault hunt' };

/** A hunt on a copy of a design. */
export default async function OwnHuntPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { design } = await readDesign(id).catch(orNotFound);
  return <DesignHunt designId={id} records={Array.from(design.records.values())} />;
}
