/** Characters that a quantity, a time or a size is written in at the most: more is no quantity, and is not tried for one. */
export const MOST_TYPED = 200;

/** Whether a text is too long to be read as what it should be. */
export function isTooLong(text: string): boolean {
  return text.length > MOST_TYPED;
}

/** A text cut to so many characters (UTF-16 units), never within what a person sees as one. */
export function cutText(text: string, most: number): string {
  if (text.length <= most) return text;
  let end = 0;
  for (const { index, segment } of new Intl.Segmenter('en', { granularity: 'grapheme' }).segment(text)) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return text.slice(0, end);
}

/** A text as it stands in SVG and other XML, in an element or an attribute. */
export function escapeXml(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
}

/** A name as part of a file's, whatever letters it has. */
export function plainName(name: string, otherwise = 'unnamed'): string {
  const plain = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase();
  return plain.slice(0, 60) || otherwise;
}
