/** What the server does beside answering: a copy of the store a day. `DAILY_COPY=off` turns it off. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.DAILY_COPY === 'off') return;
  const { keepDailyCopies } = await import('./server/dailyCopies');
  keepDailyCopies();
}
