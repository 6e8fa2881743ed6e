import { answer } from '@/server/http';
import { listenToMonitor } from '@/server/monitor';

export const dynamic = 'force-dynamic';

/** A stream of a battery monitor's readings, each as one server-sent event, until the reader leaves or the monitor does. */
export function GET(request: Request): Promise<Response> {
  return answer(request, async () => {
    const left = new AbortController();
    request.signal.addEventListener('abort', () => left.abort(), { once: true });
    const encoder = new TextEncoder();
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        const send = (text: string) => !left.signal.aborted && controller.enqueue(encoder.encode(text));
        send(': open\n\n');
        listenToMonitor(
          (news) => send(`data: ${JSON.stringify(news)}\n\n`),
          () => !left.signal.aborted && controller.close(),
          left.signal,
        );
      },
      cancel: () => left.abort(),
    });
    const headers = { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' };
    return new Response(stream, { headers });
  });
}
