import { SCHEMA_VERSION } from '@/core/catalog/vocabulary';
import { DESIGNS_FORMAT } from '@/core/formats/designFile';
import { today } from '@/core/units/days';
import { listNames } from '@/server/designs';
import { NotFound } from '@/server/errors';
import { answer } from '@/server/http';
import { readDesign } from '@/server/stored';

export const dynamic = 'force-dynamic';

/** Every design that is not deleted as one file, read and sent one after another: no more than one is in memory for it. */
export function GET(request: Request): Promise<Response> {
  return answer(request, async () => {
    const date = today();
    const pieces = inPieces((await listNames()).map(({ id }) => id));
    const encoder = new TextEncoder();
    const body = new ReadableStream<Uint8Array>({
      async pull(controller) {
        const { done, value } = await pieces.next();
        if (done) controller.close();
        else controller.enqueue(encoder.encode(value));
      },
    });
    const headers = { 'content-type': 'application/json', 'content-disposition': `attachment; filename="vine-knot-designs-${date}.json"` };
    return new Response(body, { headers });
  });
}

async function* inPieces(ids: readonly string[]): AsyncGenerator<string> {
  yield `{"format":"${DESIGNS_FORMAT}","schemaVersion":${SCHEMA_VERSION},"designs":[`;
  let written = 0;
  for (const id of ids) {
    const records = await recordsOf(id);
    if (records !== null) yield `${written++ === 0 ? '\n' : ',\n'}${JSON.stringify({ records })}`;
  }
  yield '\n]}\n';
}

/** A design's records; null for one deleted while the others were being sent. */
async function recordsOf(id: string): Promise<unknown[] | null> {
  try {
    return Array.from((await readDesign(id)).design.records.values());
  } catch (error) {
    if (error instanceof NotFound) return null;
    throw error;
  }
}
