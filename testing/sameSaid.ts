import { isDeepStrictEqual } from 'node:util';

/**
 * Expects two large things to say the same. Strictly equal ones are told a good deal sooner than by the matcher, which then says where they
 * differ.
 */
export function expectSame(said: unknown, wanted: unknown): void {
  if (!isDeepStrictEqual(said, wanted)) expect(said).toEqual(wanted);
}
