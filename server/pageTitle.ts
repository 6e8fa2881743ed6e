import type { Metadata } from 'next';
import { nameOfDesign } from './stored';

/** A window of a design is called by what it shows, the design and us: several are open beside each other, and what is printed is saved under it. */
export async function titleOf(params: Promise<{ id: string }>, shows?: string): Promise<Metadata> {
  const name = (await nameOfDesign((await params).id)) ?? 'No such design';
  const ours = `${name} · Vine Knot`;
  return { title: shows ? { absolute: `${shows} · ${ours}` } : { default: ours, template: `%s · ${ours}` } };
}
