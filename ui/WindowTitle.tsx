/**
 * What a window shows, before our name: several stand beside each other, and what is printed is saved under it. It follows what it is
 * given; a page that has one says that its own title is null.
 */
export function WindowTitle({ says }: { says: readonly string[] }) {
  return <title>{[...says, 'Vine Knot'].join(' · ')}</title>;
}
