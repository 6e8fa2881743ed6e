import { deleteDesign, eraseDesign } from '@/server/designs';
import { openDesign } from '@/server/stored';
import { historyAt } from '@/server/commit';
import { route } from '@/server/http';

export const GET = route(async (_request, id) => {
  const open = await openDesign(id);
  return Response.json({ ...open, history: await historyAt(id, open.revision) });
});

/** Deletes; the design can be brought back until it is erased with `?erase`. */
export const DELETE = route(async (request, id) => {
  if (new URL(request.url).searchParams.has('erase')) await eraseDesign(id);
  else await deleteDesign(id);
  return Response.json({});
});
