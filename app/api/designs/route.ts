import { newDesignRecords } from '@/core/design/newDesign';
import { readDesignFile } from '@/core/formats/designFile';
import { createDesign, listDesigns } from '@/server/designs';
import { answer, readJson } from '@/server/http';
import { createSchema } from '@/server/requests';

export function GET(request: Request): Promise<Response> {
  return answer(request, async () => Response.json({ designs: await listDesigns() }));
}

/** Creates a design from the first-run answers, or from an exported file. */
export function POST(request: Request): Promise<Response> {
  return answer(request, async () => {
    const body = await readJson(request, createSchema);
    const records = 'file' in body ? Array.from(readDesignFile(body.file).records.values()) : newDesignRecords(body.answers);
    return Response.json({ id: await createDesign(records) }, { status: 201 });
  });
}
