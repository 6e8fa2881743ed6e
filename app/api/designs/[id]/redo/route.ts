import { redo } from '@/server/commit';
import { readJson, route } from '@/server/http';
import { stepSchema } from '@/server/requests';

export const POST = route(async (request, id) => {
  const { changeId, baseRevision } = await readJson(request, stepSchema);
  return Response.json(await redo(id, changeId, baseRevision));
});
