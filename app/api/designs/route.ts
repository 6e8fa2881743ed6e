import type * as z from 'zod/mini';
import type { Design } from '@/core/design/design';
import { newDesignRecords } from '@/core/switching/newDesign';
import type { DesignRecord } from '@/core/design/schema';
import { readDesignFile } from '@/core/formats/designFile';
import { copyParts } from '@/core/switching/copyParts';
import { createDesign, listDesigns } from '@/server/designs';
import { answer, readJson, readQuery } from '@/server/http';
import { createSchema, listSchema, type EXAMPLES } from '@/server/requests';
import { readDesign } from '@/server/stored';

/** A part of the list of designs: `?find=` in their names, `?after=` the mark a part ended with, `?most=` of them. */
export function GET(request: Request): Promise<Response> {
  return answer(request, async () => Response.json(await listDesigns(readQuery(request, listSchema))));
}

/** Creates a design from the first-run answers, an exported file, another design or an example. */
export function POST(request: Request): Promise<Response> {
  return answer(request, async () => {
    const records = await recordsFrom(await readJson(request, createSchema));
    return Response.json({ id: await createDesign(records) }, { status: 201 });
  });
}

async function recordsFrom(body: z.infer<typeof createSchema>): Promise<DesignRecord[]> {
  if ('answers' in body) return newDesignRecords(body.answers);
  if ('file' in body) return Array.from(readDesignFile(body.file).records.values());
  if ('copyOf' in body) return Array.from(copyParts((await readDesign(body.copyOf)).design, body.part, body.name).records.values());
  return Array.from(copyParts(await EXAMPLE_DESIGNS[body.example](), 'all', body.name).records.values());
}

/** Fetched only when one is asked for. */
const EXAMPLE_DESIGNS: Record<(typeof EXAMPLES)[number], () => Promise<Design>> = {
  pip: async () => (await import('@/demo/pip')).pip(),
  heron: async () => (await import('@/demo/heron')).heron(),
};
