import type { Metadata } from 'next';
import Link from 'next/link';
import { CustomerLink } from '@/features/report/CustomerLink';
import { ReportView } from '@/features/report/ReportView';
import { orNotFound } from '@/server/orNotFound';
import { reportPage } from '@/server/reports';

export const metadata: Metadata = { title: 'Report' };

export default async function ReportPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return (
    <ReportView
      {...await reportPage(id).catch(orNotFound)}
      pdf={`/api/designs/${id}/report.pdf`}
      lead={<Link href={`/d/${id}/circuits`}>Back to the design</Link>}
      more={<CustomerLink designId={id} />}
    />
  );
}
