import type { Metadata } from 'next';
import { ReportView } from '@/features/report/ReportView';
import { orNotFound } from '@/server/orNotFound';
import { designOfLink } from '@/server/links';
import { reportPage } from '@/server/reports';

export const metadata: Metadata = { title: null, robots: { index: false, follow: false } };
export const dynamic = 'force-dynamic';

/** The report of one design by a link handed out: to be read, and nothing else. */
export default async function LinkedReport({ params }: { params: Promise<{ key: string }> }) {
  const { key } = await params;
  const page = await designOfLink(key).then(reportPage).catch(orNotFound);
  return <ReportView {...page} pdf={`/s/${encodeURIComponent(key)}/report.pdf`} lead={<span>For reading; it follows the design.</span>} />;
}
