/**
 * Whether a value is over its limit as far as a person can tell: both read at the decimals they are shown with, so that nothing is called over
 * beside two figures that say the same.
 */
export function isOver(value: number, limit: number, decimals: number): boolean {
  const scale = 10 ** decimals;
  return Math.round(value * scale - 1e-9) > Math.round(limit * scale);
}
