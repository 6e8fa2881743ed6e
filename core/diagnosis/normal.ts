/** Normally distributed numbers of spread one about nought, from even ones. Box and Muller 1958. */
export function normalFrom(random: () => number): () => number {
  return () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
