import { answer } from '@/server/http';
import { madeOf } from '@/server/made';

export const GET = (request: Request) => answer(request, async () => Response.json(await madeOf()));
