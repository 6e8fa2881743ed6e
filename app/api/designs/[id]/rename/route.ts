import { renameDesign } from '@/server/designs';
import { readJson, route } from '@/server/http';
import { renameSchema } from '@/server/requests';

export const POST = route(async (request, id) => {
  await renameDesign(id, (await readJson(request, renameSchema)).name);
  return Response.json({});
});
