import { duplicateDesign } from '@/server/designs';
import { route } from '@/server/http';

export const POST = route(async (_request, id) => Response.json({ id: await duplicateDesign(id) }, { status: 201 }));
