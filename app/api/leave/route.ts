import { cookies } from 'next/headers';
import { TICKET_COOKIE } from '@/server/access';
import { answer } from '@/server/http';

/** Gives the ticket back: the password is asked for again in this browser. */
export function POST(request: Request): Promise<Response> {
  return answer(request, async () => {
    (await cookies()).delete(TICKET_COOKIE);
    return Response.json({ left: true });
  });
}
