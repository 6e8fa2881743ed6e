import type { ErrorBody } from '@/server/http';

/** A request the server refused, with its reasons. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly reasons: string[],
  ) {
    super(message);
  }
}

/** The server did not hear of it. */
export class Unreachable extends Refused {}

/** Sends a request to the server. @throws Refused with what it says is wrong, or that it cannot be reached. */
export async function request<T = object>(method: 'GET' | 'POST' | 'DELETE', url: string, body?: object): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, { method, ...(body && { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }) });
  } catch {
    throw new Unreachable('The server cannot be reached. Nothing was changed.', []);
  }
  if (response.ok) return (await response.json()) as T;
  const answer = (await response.json().catch(() => null)) as ErrorBody | null;
  throw new Refused(answer?.error.message ?? `The server answered ${response.status}.`, answer?.error.reasons ?? []);
}
