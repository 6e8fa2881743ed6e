import { NextResponse } from 'next/server';
import * as z from 'zod/mini';
import { DesignError } from '@/core/design/problems';
import { placedProblemWords } from '@/core/wording/problemWords';
import { LIMITS } from '@/core/catalog/vocabulary';
import { BadText, plainValue } from '@/core/formats/plainValue';
import { cutText } from '@/core/units/text';
import { DesignFileError } from '@/core/formats/designFile';
import { brokenTextWords, designFileWords } from '@/core/formats/designFileWords';
import { BadRequest, Behind, Busy, Conflict, NotFound, NothingToDo } from './errors';

/** What every refused request answers: what is wrong and, where there are several, each reason. */
export interface ErrorBody {
  error: { code: string; message: string; reasons: string[] };
}

export const designIdSchema = z.string().check(z.regex(/^[A-Za-z0-9_-]{1,40}$/));

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
    refuseOtherSites(request);
    return await work();
  } catch (error) {
    return errorResponse(error);
  }
}

/** The body as JSON by a schema, read no further than the limit. @throws BadRequest */
export async function readJson<T>(request: Request, schema: z.ZodMiniType<T>, limit: number = LIMITS.importBytes): Promise<T> {
  if (request.headers.get('content-type')?.split(';')[0]!.trim().toLowerCase() !== 'application/json')
    throw new BadRequest('the body must be JSON', [], 415);
  const text = await readText(request, limit);
  let body: unknown;
  try {
    body = JSON.parse(text, plainValue);
  } catch (error) {
    if (error instanceof BadText) throw new BadRequest(brokenTextWords(error.field), [], 422);
    throw new BadRequest('the body is not readable JSON');
  }
  const parsed = schema.safeParse(body);
  if (parsed.success) return parsed.data;
  throw new BadRequest('the request is not understood', reasonsOf(parsed.error.issues));
}

/** Reasons told of one refusal, and characters told of each: what was sent is not sent back at length. */
const MOST_REASONS = 20;
const MOST_TOLD = 160;

/** The query of an address by a schema; each name counts once. @throws BadRequest */
export function readQuery<T>(request: Request, schema: z.ZodMiniType<T>): T {
  const parsed = schema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (parsed.success) return parsed.data;
  throw new BadRequest('the address is not understood', reasonsOf(parsed.error.issues));
}

/** What is wrong field by field; where a body may be one of several, of the one it comes nearest to. */
function reasonsOf(issues: readonly z.core.$ZodIssue[]): string[] {
  const told = issues.flatMap((issue): string[] => {
    if (issue.code !== 'invalid_union' || issue.errors.length === 0) return [`${issue.path.join('.')}: ${issue.message}`];
    const foreign = (branch: readonly z.core.$ZodIssue[]) => branch.filter(({ code }) => code === 'unrecognized_keys').length;
    const [nearest] = [...issue.errors].sort((a, b) => foreign(a) - foreign(b) || a.length - b.length);
    return reasonsOf(nearest!);
  });
  return told.slice(0, MOST_REASONS).map((reason) => cutText(reason, MOST_TOLD));
}

/** A body that comes so slowly is given up, ms. */
const SLOWEST_BODY_MS = 60_000;

async function readText(request: Request, limit: number): Promise<string> {
  return (await readBytes(request, limit)).toString('utf8');
}

/** The body as it is, read no further than the limit. @throws BadRequest */
export async function readBytes(request: Request, limit: number): Promise<Buffer> {
  const reader = request.body?.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
  const late = setTimeout(() => void reader?.cancel(), SLOWEST_BODY_MS);
  const until = Date.now() + SLOWEST_BODY_MS;
  try {
    return await readChunks();
  } finally {
    clearTimeout(late);
  }

  async function readChunks(): Promise<Buffer> {
    for (;;) {
      const chunk = await reader?.read();
      if (Date.now() >= until) throw new BadRequest('the request came too slowly', [], 408);
      if (!chunk || chunk.done) return Buffer.concat(chunks);
      size += chunk.value.byteLength;
      if (size > limit) {
        await reader?.cancel();
        throw new BadRequest(`larger than ${limit / 1_000_000} MB`, [], 413);
      }
      chunks.push(chunk.value);
    }
  }
}

/**
 * A page of another site must not write here, nor make the server work, through the visitor's browser; following a link to here is no harm.
 */
function refuseOtherSites(request: Request): void {
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const host = request.headers.get('host');
  // An origin of none, as a sandboxed frame's, is no page of ours either.
  const isFollowed = request.headers.get('sec-fetch-mode') === 'navigate' && request.headers.get('sec-fetch-dest') === 'document';
  if (request.method === 'GET' && isFollowed) return;
  const foreign =
    (origin !== null && (!URL.canParse(origin) || new URL(origin).host !== host)) ||
    (site !== null && site !== 'same-origin' && site !== 'none');
  if (foreign) throw new BadRequest('requests from another site are refused', [], 403);
}

function errorResponse(error: unknown): Response {
  if (error instanceof Conflict) {
    const { problems, current, missed, revision } = error;
    const body = {
      error: { code: 'conflict', message: error.message, reasons: problems.map(placedProblemWords) },
      current,
      missed,
      revision,
    };
    return NextResponse.json(body, { status: 409 });
  }
  if (error instanceof NotFound) return refuse(404, 'notFound', error.message);
  if (error instanceof Busy) return refuse(503, 'busy', error.message);
  if (error instanceof Behind) return refuse(409, 'behind', error.message);
  if (error instanceof NothingToDo) return refuse(409, 'nothingToDo', error.message);
  if (error instanceof BadRequest) return refuse(error.status, 'badRequest', error.message, error.reasons);
  if (error instanceof DesignFileError) return refuse(422, 'badFile', 'the file cannot be taken', error.faults.map(designFileWords));
  if (error instanceof DesignError) {
    return refuse(422, 'badChange', 'the change would break the design', error.problems.slice(0, 40).map(placedProblemWords));
  }
  console.error(error);
  if (hasCode(error, /^SQLITE_(BUSY|LOCKED)/))
    return refuse(503, 'busy', 'the store is busy with another writer; nothing was taken, try again');
  if (hasCode(error, /^SQLITE_FULL|^ENOSPC/))
    return refuse(503, 'busy', 'the disk of the store is full; nothing was taken, make room and try again');
  return refuse(500, 'internal', 'something went wrong on the server; your edit was not taken');
}

/** Whether an error, or what caused it, has such a code. */
function hasCode(error: unknown, wanted: RegExp): boolean {
  const { code, cause } = (error ?? {}) as { code?: unknown; cause?: unknown };
  return (typeof code === 'string' && wanted.test(code)) || (cause !== undefined && cause !== error && hasCode(cause, wanted));
}

function refuse(status: number, code: string, message: string, reasons: readonly string[] = []): Response {
  const body: ErrorBody = { error: { code, message, reasons: [...reasons] } };
  return NextResponse.json(body, { status });
}
