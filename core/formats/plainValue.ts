/** A text that cannot be stored and written out again as it is. */
export class BadText extends Error {
  /** @param field the name it stands under. */
  constructor(readonly field: string) {
    super('half a character, or one that is none');
    this.name = 'BadText';
  }
}

/**
 * For `JSON.parse`: every value as it can be kept. Nought has no sign, since a record that has one compares with itself as another. A text
 * with half a character in it, or with one that stands for no character, is refused: it could not be exported again.
 * @throws BadText
 */
export function plainValue(key: string, value: unknown): unknown {
  if (value === 0) return 0;
  if (typeof value === 'string' && BROKEN.test(value)) throw new BadText(key.slice(0, 40));
  return value;
}

/** Halves of a pair without the other half, and noncharacters. Source: the Unicode Standard, 3.8 and 23.7. */
const BROKEN = /(?:[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]|[\ufdd0-\ufdef\ufffe\uffff])/;
