const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const LENGTHS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** A day of a year of 365 as people write it; past the year's end it begins again. */
export function dateOf(dayOfYear: number): string {
  let day = ((dayOfYear - 1) % 365) + 1;
  let month = 0;
  while (day > LENGTHS[month]!) day -= LENGTHS[month++]!;
  return `${day} ${MONTHS[month]}`;
}

/** `24 Jan`, `Jan 24`, `24.1.` as a day of the year; null when it is none. */
export function dayOfDate(text: string): number | null {
  const plain = text.trim().toLowerCase();
  const words = /^(?:(\d{1,2})\.?\s+([a-z]{3,9})|([a-z]{3,9})\s+(\d{1,2}))$/.exec(plain);
  const figures = /^(\d{1,2})\.(\d{1,2})\.?$/.exec(plain);
  const day = Number(words?.[1] ?? words?.[4] ?? figures?.[1] ?? NaN);
  const named = words?.[2] ?? words?.[3];
  const month = named ? MONTHS.findIndex((short) => named.startsWith(short.toLowerCase())) : Number(figures?.[2] ?? NaN) - 1;
  const length = LENGTHS[month];
  if (length === undefined || !(day >= 1 && day <= length)) return null;
  return LENGTHS.slice(0, month).reduce((sum, days) => sum + days, 0) + day;
}
