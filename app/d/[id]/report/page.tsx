import type { Metadata } from 'next';
import Link from 'next/link';
import { CustomerLink } from '@/features/report/CustomerLink';
import { ReportView } from '@/features/report/ReportView';
import { viewOf } from '@/server/analysed';
import { orNotFound } from '@/server/orNotFound';
import { reportPage } from '@/server/reports';

export const metadata: Metadata = { title: null };

export default async function ReportPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ as?: string | string[] }>;
}) {
  const { id } = await params;
  const view = viewOf(await searchParams);
  return (
    <ReportView
      {...await reportPage(id, view).catch(orNotFound)}
      pdf={`/api/designs/${id}/report.pdf${view === 'now' ? '?as=now' : ''}`}
      lead={<Link href={`/d/${id}/circuits`}>Back to the design</Link>}
      more={<CustomerLink designId={id} />}
    />
  );
}
