import { writeDesignFile } from '@/core/formats/designFile';
import { attachment } from '@/server/attachment';
import { readDesign } from '@/server/stored';
import { route } from '@/server/http';

export const GET = route(async (_request, id) => {
  const { design } = await readDesign(id);
  return attachment(design, writeDesignFile(design), 'application/json', 'vine-knot.json');
});
