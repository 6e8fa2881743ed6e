import { changesSince, historyAt, MOST_CHANGES } from '@/server/commit';
import { headRevision } from '@/server/stored';
import { BadRequest, NotFound } from '@/server/errors';
import { route } from '@/server/http';
import { store } from '@/server/store';

export const dynamic = 'force-dynamic';

/** How often the head is read even when nothing was heard, for changes made by another process on the same store, ms. */
const LOOK_EVERY_MS = 700;

/**
 * A stream of the design's changes after a revision, each as one server-sent event. Ends when the reader leaves or the design is deleted.
 */
export const GET = route(async (request, id) => {
  const after = Number(request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('after'));
  if (!Number.isInteger(after) || after < 0) throw new BadRequest('"after" must be a revision');
  await headRevision(id);
  const left = new AbortController();
  request.signal.addEventListener('abort', () => left.abort(), { once: true });
  const stream = new ReadableStream<Uint8Array>({
    start: (controller) => void tell(id, after, controller, left.signal),
    cancel: () => left.abort(),
  });
  const headers = { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' };
  return new Response(stream, { headers });
});

async function tell(id: string, after: number, controller: ReadableStreamDefaultController<Uint8Array>, left: AbortSignal): Promise<void> {
  const encoder = new TextEncoder();
  const send = (text: string) => !left.aborted && controller.enqueue(encoder.encode(text));
  let last = after;
  send(': open\n\n');
  try {
    while (!left.aborted) {
      const head = await headRevision(id);
      const news = head > last ? await changesSince(id, last) : [];
      if (news.length > 0) {
        const history = await historyAt(id, Math.max(head, news.at(-1)!.revision));
        for (const logged of news) {
          last = logged.revision;
          send(`id: ${last}\ndata: ${JSON.stringify({ ...logged, history })}\n\n`);
        }
      }
      // What is far behind comes part by part, as fast as it is taken.
      if (news.length === MOST_CHANGES) await taken(controller, left);
      else await nextNews(id, left);
    }
  } catch (error) {
    // Only a design that is no longer there is gone; after anything else the reader asks again by itself.
    if (error instanceof NotFound) send('event: gone\ndata: {}\n\n');
    else console.error(`events of ${id}`, error);
  }
  if (!left.aborted) controller.close();
}

/** Waits until the reader has taken most of what it was sent. */
async function taken(controller: ReadableStreamDefaultController<Uint8Array>, left: AbortSignal): Promise<void> {
  while (!left.aborted && (controller.desiredSize ?? 1) <= 0) await new Promise((resolve) => setTimeout(resolve, 20));
}

function nextNews(id: string, left: AbortSignal): Promise<void> {
  const { committed } = store();
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      committed.off(id, done);
      left.removeEventListener('abort', done);
      resolve();
    };
    const timer = setTimeout(done, LOOK_EVERY_MS);
    committed.once(id, done);
    left.addEventListener('abort', done, { once: true });
  });
}
