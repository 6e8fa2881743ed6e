/**
 * Whether a value is over its limit as far as a person can tell: both read at the decimals they are shown with, so that nothing is called
 * over beside two figures that say the same.
 */
export function isOver(value: number, limit: number, decimals: number): boolean {
  const scale = 10 ** decimals;
  return Math.round(value * scale - 1e-9) > Math.round(limit * scale);
}

/** How much of its limit a value takes: past 1 only where it is over it as far as a person can tell. */
export function shareOf(value: number, limit: number, decimals: number): number {
  const share = value / limit;
  return isOver(value, limit, decimals) ? Math.max(share, 1 + 1e-9) : Math.min(share, 1);
}
