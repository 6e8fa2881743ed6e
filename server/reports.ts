import type { DesignView } from '@/core/design/asBuilt';
import { withSlowFindings } from '@/core/analysis/rules/slowFindings';
import { dayStack, type DayStack } from '@/core/energy/dayStack';
import { makeReport } from '@/core/formats/report';
import type { Report } from '@/core/formats/reportSection';
import { today } from '@/core/units/days';
import { readAnalysed, viewOf } from './analysed';
import { attachment } from './attachment';
import { inTurn, reportPdf } from './pdf';

/** A design's report as a page shows it. */
export interface ReportPage {
  report: Report;
  /** Each scenario's first day. */
  days: { name: string; day: DayStack }[];
  /** The day it was asked for, as 2026-05-01. */
  date: string;
}

/** @throws NotFound */
export async function reportPage(designId: string, view: DesignView = 'planned'): Promise<ReportPage> {
  const { analysis: quick, whole } = await readAnalysed(designId, view);
  const analysis = withSlowFindings(quick);
  const days = analysis.index.scenarios.map((scenario) => ({ name: scenario.name, day: dayStack(analysis.index, scenario, 0) }));
  return { report: makeReport(analysis, view, whole), days, date: today() };
}

/** The report as a PDF to save, made in turn. @throws NotFound */
export async function reportFile(request: Request, designId: string): Promise<Response> {
  const view = viewOf(request);
  const { analysis, whole } = await readAnalysed(designId, view);
  const pdf = await inTurn(request.signal, () => reportPdf(makeReport(withSlowFindings(analysis), view, whole), today(), request.signal));
  return attachment(whole, pdf, 'application/pdf', 'pdf');
}
