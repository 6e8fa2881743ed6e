import { commit } from '@/server/commit';
import { readJson, route } from '@/server/http';
import { proposedChangeSchema } from '@/server/requests';

export const POST = route(async (request, id) => Response.json(await commit(id, await readJson(request, proposedChangeSchema))));
