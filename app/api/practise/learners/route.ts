import { answer } from '@/server/http';
import { learners } from '@/server/practice';

export const GET = (request: Request) => answer(request, async () => Response.json(await learners()));
