import { NextResponse } from 'next/server';
import { z } from 'zod';
import { DesignError, describeProblem } from '@/core/design/problems';
import { LIMITS } from '@/core/design/vocabulary';
import { DesignFileError } from '@/core/formats/designFile';
import { BadRequest, Behind, Conflict, NotFound, NothingToDo } from './errors';

/** What every refused request answers: what is wrong and, where there are several, each reason. */
export interface ErrorBody {
  error: { code: string; message: string; reasons: string[] };
}

export const designIdSchema = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/);

type Params = { params: Promise<{ id: string }> };

/** Runs a route's work and turns what it throws into an answer. Nothing of the server's inside reaches the client. */
export function route(work: (request: Request, designId: string) => Promise<Response>) {
  return async (request: Request, { params }: Params): Promise<Response> => {
    return answer(request, async () => {
      const id = designIdSchema.safeParse((await params).id);
      if (!id.success) throw new NotFound('design', 'of that name');
      return work(request, id.data);
    });
  };
}

export async function answer(request: Request, work: () => Promise<Response>): Promise<Response> {
  try {
    if (request.method !== 'GET') refuseOtherSites(request);
    return await work();
  } catch (error) {
    return errorResponse(error);
  }
}

/** The body as JSON by a schema, read no further than the limit. @throws BadRequest */
export async function readJson<T>(request: Request, schema: z.ZodType<T>, limit: number = LIMITS.importBytes): Promise<T> {
  if (!request.headers.get('content-type')?.startsWith('application/json')) throw new BadRequest('the body must be JSON', [], 415);
  const text = await readText(request, limit);
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    throw new BadRequest('the body is not readable JSON');
  }
  const parsed = schema.safeParse(body);
  if (parsed.success) return parsed.data;
  throw new BadRequest(
    'the request is not understood',
    parsed.error.issues.slice(0, 20).map(({ path, message }) => `${path.join('.')}: ${message}`),
  );
}

async function readText(request: Request, limit: number): Promise<string> {
  const reader = request.body?.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const chunk = await reader?.read();
    if (!chunk || chunk.done) return Buffer.concat(chunks).toString('utf8');
    size += chunk.value.byteLength;
    if (size > limit) {
      await reader?.cancel();
      throw new BadRequest(`larger than ${limit / 1_000_000} MB`, [], 413);
    }
    chunks.push(chunk.value);
  }
}

/** A page of another site must not write here through the visitor's browser. */
function refuseOtherSites(request: Request): void {
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const host = request.headers.get('host');
  // An origin of none, as a sandboxed frame's, is no page of ours either.
  const foreign =
    (origin !== null && (!URL.canParse(origin) || new URL(origin).host !== host)) ||
    (site !== null && site !== 'same-origin' && site !== 'none');
  if (foreign) throw new BadRequest('requests from another site are refused', [], 403);
}

function errorResponse(error: unknown): Response {
  if (error instanceof Conflict) {
    const { problems, current, missed, revision } = error;
    const body = { error: { code: 'conflict', message: error.message, reasons: problems.map(describeProblem) }, current, missed, revision };
    return NextResponse.json(body, { status: 409 });
  }
  if (error instanceof NotFound) return refuse(404, 'notFound', error.message);
  if (error instanceof Behind) return refuse(409, 'behind', error.message);
  if (error instanceof NothingToDo) return refuse(409, 'nothingToDo', error.message);
  if (error instanceof BadRequest) return refuse(error.status, 'badRequest', error.message, error.reasons);
  if (error instanceof DesignFileError) return refuse(422, 'badFile', 'the file cannot be taken', error.reasons);
  if (error instanceof DesignError) {
    return refuse(422, 'badChange', 'the change would break the design', error.problems.slice(0, 40).map(describeProblem));
  }
  console.error(error);
  if (isBusy(error)) return refuse(503, 'busy', 'the store is busy with another writer; nothing was taken, try again');
  return refuse(500, 'internal', 'something went wrong on the server; your edit was not taken');
}

/** Whether another writer held the database for longer than one waits. */
function isBusy(error: unknown): boolean {
  const { code, cause } = (error ?? {}) as { code?: unknown; cause?: unknown };
  return (typeof code === 'string' && /^SQLITE_(BUSY|LOCKED)/.test(code)) || (cause !== undefined && cause !== error && isBusy(cause));
}

function refuse(status: number, code: string, message: string, reasons: readonly string[] = []): Response {
  const body: ErrorBody = { error: { code, message, reasons: [...reasons] } };
  return NextResponse.json(body, { status });
}
