import { writePlacesCsv } from '@/core/formats/rigCsv';
import { attachment } from '@/server/attachment';
import { readDesign } from '@/server/stored';
import { route } from '@/server/http';

export const GET = route(async (_request, id) => {
  const { design } = await readDesign(id);
  return attachment(design, writePlacesCsv(design), 'text/csv; charset=utf-8', 'places.csv');
});
