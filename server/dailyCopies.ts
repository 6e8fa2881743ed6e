import { databaseUrl } from '@/db/client';
import { dailyCopy } from '@/db/keep';

const LOOK_EVERY_MS = 3_600_000;

/** Sees to it that there is a copy of the store of each day the server runs. A copy that fails is told of and tried again an hour later. */
export function keepDailyCopies(): void {
  const look = () => void dailyCopy(databaseUrl()).catch((error: unknown) => console.error('the daily copy could not be made', error));
  look();
  setInterval(look, LOOK_EVERY_MS).unref();
}
