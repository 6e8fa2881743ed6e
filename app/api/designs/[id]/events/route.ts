import { changesSince, historyOf } from '@/server/commit';
import { readDesign } from '@/server/designs';
import { BadRequest } from '@/server/errors';
import { route } from '@/server/http';
import { store } from '@/server/store';

export const dynamic = 'force-dynamic';

/** How often the log is read even when nothing was heard, for changes made by another process on the same store, ms. */
const LOOK_EVERY_MS = 700;

/** A stream of the design's changes after a revision, each as one server-sent event. Ends when the design is deleted. */
export const GET = route(async (request, id) => {
  const after = Number(request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('after'));
  if (!Number.isInteger(after) || after < 0) throw new BadRequest('"after" must be a revision');
  await readDesign(id);
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      let last = after;
      const send = (text: string) => controller.enqueue(encoder.encode(text));
      send(': open\n\n');
      while (!request.signal.aborted) {
        try {
          const news = await changesSince(id, last);
          const history = news.length > 0 ? await historyOf(id) : null;
          for (const logged of news) {
            last = logged.revision;
            send(`id: ${last}\ndata: ${JSON.stringify({ ...logged, history })}\n\n`);
          }
          await readDesign(id);
        } catch {
          send('event: gone\ndata: {}\n\n');
          break;
        }
        await nextNews(id, request.signal);
      }
      if (!request.signal.aborted) controller.close();
    },
  });
  const headers = { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' };
  return new Response(stream, { headers });
});

function nextNews(id: string, signal: AbortSignal): Promise<void> {
  const { committed } = store();
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      committed.off(id, done);
      signal.removeEventListener('abort', done);
      resolve();
    };
    const timer = setTimeout(done, LOOK_EVERY_MS);
    committed.once(id, done);
    signal.addEventListener('abort', done, { once: true });
  });
}
