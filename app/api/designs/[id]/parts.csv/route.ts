import { writePartsCsv } from '@/core/formats/wiresCsv';
import { readAnalysed, viewOf } from '@/server/analysed';
import { attachment } from '@/server/attachment';
import { route } from '@/server/http';

export const GET = route(async (request, id) => {
  const { analysis } = await readAnalysed(id, viewOf(request));
  return attachment(analysis.design, writePartsCsv(analysis), 'text/csv; charset=utf-8', 'parts.csv');
});
