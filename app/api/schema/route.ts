import { designFileJsonSchema } from '@/core/formats/designFile';

export const dynamic = 'force-static';

/** The JSON Schema of a design file. */
export function GET(): Response {
  return Response.json(designFileJsonSchema(), { headers: { 'content-type': 'application/schema+json' } });
}
