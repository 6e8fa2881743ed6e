import { route } from '@/server/http';
import { handOutLink, linkOf, takeBackLink } from '@/server/links';

export const GET = route(async (_, id) => Response.json({ key: await linkOf(id) }));

export const POST = route(async (_, id) => Response.json({ key: await handOutLink(id) }, { status: 201 }));

export const DELETE = route(async (_, id) => {
  await takeBackLink(id);
  return Response.json({ key: null });
});
