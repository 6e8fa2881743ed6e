import { en } from 'zod/locales';
import * as z from 'zod/mini';

/** The bounds that values of a record have; both ends are allowed. What is wrong with a value is told in English. */
z.config(en());

export const numberIn = (least: number, most: number) => z.number().check(z.minimum(least), z.maximum(most));

export const wholeIn = (least: number, most: number) => z.int().check(z.minimum(least), z.maximum(most));

/** @param least and most, characters */
export const textOf = (least: number, most: number) => z.string().check(z.minLength(least), z.maxLength(most));

/** @param most characters */
export const textUpTo = (most: number) => z.string().check(z.maxLength(most));

export const listOf = <Item extends z.core.SomeType>(item: Item, least: number, most: number) =>
  z.array(item).check(z.minLength(least), z.maxLength(most));

export const listUpTo = <Item extends z.core.SomeType>(item: Item, most: number) => z.array(item).check(z.maxLength(most));
