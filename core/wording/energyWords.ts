/** Of loads nobody has said any hours of; empty where there are none. */
export function withoutHoursWords(count: number): string {
  if (count === 0) return '';
  return count === 1
    ? 'One load has no hours in any scenario and counts as never on.'
    : `${count} loads have no hours in any scenario and count as never on.`;
}
