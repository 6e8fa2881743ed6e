/** A day, as 2026-05-01, so many days later or earlier. */
export function plusDays(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
}

/** Today where the program runs, as 2026-05-01. */
export function today(): string {
  return localDay(new Date());
}

/** The day a moment falls on where the program runs, as 2026-05-01. */
export function localDay(moment: Date): string {
  const two = (value: number) => String(value).padStart(2, '0');
  return `${moment.getFullYear()}-${two(moment.getMonth() + 1)}-${two(moment.getDate())}`;
}
