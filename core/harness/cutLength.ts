/** Wires are cut to the whole centimetre, never short, mm. Common practice. */
export function cutLength(lengthMm: number): number {
  return Math.ceil(lengthMm / 10 - 1e-6) * 10;
}
