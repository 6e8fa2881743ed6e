import * as z from 'zod/mini';
import { learnerName, resultSchema } from '@/core/practise/record';
import { answer, readJson, readQuery } from '@/server/http';
import { forgetLearner, keepResult, resultsOf } from '@/server/practice';

const whose = z.strictObject({ learner: learnerName });
const kept = z.strictObject({ learner: learnerName, result: z.omit(resultSchema, { at: true }) });
/** A result is a line. */
const LARGEST_BYTES = 4_000;

/** What a learner did, the oldest first: `?learner=NAME`. */
export const GET = (request: Request) => answer(request, async () => Response.json(await resultsOf(readQuery(request, whose).learner)));

export const POST = (request: Request) =>
  answer(request, async () => {
    const { learner, result } = await readJson(request, kept, LARGEST_BYTES);
    return Response.json(await keepResult(learner, result), { status: 201 });
  });

/** Forgets everything of a learner. */
export const DELETE = (request: Request) =>
  answer(request, async () => {
    await forgetLearner(readQuery(request, whose).learner);
    return Response.json({});
  });
