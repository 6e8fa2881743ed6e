import { cookies } from 'next/headers';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import * as z from 'zod/mini';
import { textOf } from '@/core/units/schema';
import { asksForPassword, isPassword, makeTicket, TICKET_COOKIE, TICKET_S } from '@/server/access';
import { BadRequest, NotFound } from '@/server/errors';
import { answer, readJson } from '@/server/http';

const enterSchema = z.strictObject({ password: textOf(1, 400) });

/** Passwords tried in a minute by everybody together: guessing is slow, and nobody waits longer than that. */
const tries = new RateLimiterMemory({ points: 10, duration: 60 });

/** Takes the password and gives a ticket for it, in a cookie no script reads. */
export function POST(request: Request): Promise<Response> {
  return answer(request, async () => {
    if (!asksForPassword()) throw new NotFound('password', 'to give');
    const { password } = await readJson(request, enterSchema, 4000);
    await tries.consume('all').catch(() => {
      throw new BadRequest('too many passwords were tried; wait a minute', [], 429);
    });
    if (!(await isPassword(password))) throw new BadRequest('that is not the password', [], 403);
    await tries.reward('all');
    const secure = new URL(request.headers.get('origin') ?? request.url).protocol === 'https:';
    (await cookies()).set(TICKET_COOKIE, await makeTicket(), { httpOnly: true, sameSite: 'lax', secure, path: '/', maxAge: TICKET_S });
    return Response.json({ entered: true });
  });
}
