/** A text that cannot be stored and written out again as it is. */
export class BadText extends Error {}

/**
 * For `JSON.parse`: every value as it can be kept. Nought has no sign, since a record that has one compares with itself as another. A text with half a
 * character in it, or with one that stands for no character, is refused: it could not be exported again.
 * @throws BadText
 */
export function plainValue(key: string, value: unknown): unknown {
  if (value === 0) return 0;
  if (typeof value === 'string' && BROKEN.test(value))
    throw new BadText(`the text at “${key.slice(0, 40)}” has half a character in it, or one that is none`);
  return value;
}

/** Halves of a pair without the other half, and noncharacters. Source: the Unicode Standard, 3.8 and 23.7. */
const BROKEN = /(?:[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]|[\ufdd0-\ufdef\ufffe\uffff])/;
