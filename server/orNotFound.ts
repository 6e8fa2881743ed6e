import { notFound } from 'next/navigation';
import { NotFound } from './errors';

/** Shows the page for what is not there in place of one whose data is not; anything else goes on as it came. */
export function orNotFound(error: unknown): never {
  if (error instanceof NotFound) notFound();
  throw error;
}
