import { analyse } from '@/core/analysis/analyse';
import { withSlowFindings } from '@/core/analysis/rules/slowFindings';
import { makeReport } from '@/core/formats/report';
import { attachment } from '@/server/attachment';
import { readDesign } from '@/server/stored';
import { route } from '@/server/http';
import { inTurn, reportPdf } from '@/server/pdf';

export const GET = route(async (request, id) => {
  const { design } = await readDesign(id);
  const pdf = await inTurn(request.signal, () =>
    reportPdf(makeReport(withSlowFindings(analyse(design))), new Date().toISOString().slice(0, 10), request.signal),
  );
  return attachment(design, pdf, 'application/pdf', 'pdf');
});
