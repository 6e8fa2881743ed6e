import { customAlphabet } from 'nanoid';

const letters = customAlphabet('0123456789abcdefghijkmnpqrstuvwxyz', 12);

/** A fresh record id. The prefix only helps a person reading a file. */
export function newId(prefix: string): string {
  return `${prefix}_${letters()}`;
}
