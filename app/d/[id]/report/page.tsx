import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { analyse } from '@/core/analysis/analyse';
import { dayStack } from '@/core/energy/dayStack';
import { withSlowFindings } from '@/core/analysis/rules/slowFindings';
import { makeReport } from '@/core/formats/report';
import { ReportView } from '@/features/report/ReportView';
import { readDesign } from '@/server/stored';
import { NotFound } from '@/server/errors';

export const metadata: Metadata = { title: 'Report' };

export default async function ReportPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { design } = await readDesign(id).catch((error: unknown) => {
    if (error instanceof NotFound) notFound();
    throw error;
  });
  const analysis = withSlowFindings(analyse(design));
  const days = analysis.index.scenarios.map((scenario) => ({ name: scenario.name, day: dayStack(analysis.index, scenario, 0) }));
  return <ReportView designId={id} report={makeReport(analysis)} days={days} date={new Date().toISOString().slice(0, 10)} />;
}
