import { LIMITS } from '../catalog/vocabulary';

/** What can be set on a part put in by hand, within its schema’s bounds. */

interface Quantity {
  kind: 'quantity';
  field: string;
  label: string;
  unit: string;
  decimals: number;
  least: number;
  most: number;
}

interface Choice {
  kind: 'choice';
  field: string;
  label: string;
  options: readonly { value: string | number | boolean | undefined; label: string }[];
}

interface Several {
  kind: 'several';
  field: string;
  label: string;
  options: readonly { value: string; label: string }[];
}

/** A figure that may not be known. */
interface Figure {
  kind: 'figure';
  field: string;
  label: string;
  unit: string;
  least: number;
  most: number;
}

interface Words {
  kind: 'words';
  field: string;
  label: string;
  most: number;
}

export type PartSetting = Quantity | Choice | Several | Figure | Words;

export const quantity = (field: string, label: string, unit: string, decimals: number, least: number, most: number): Quantity => ({
  ...{ kind: 'quantity', field, label, unit, decimals, least, most },
});
export const amperes = (field: string, label: string, least: number, most: number): Figure => ({
  kind: 'figure',
  field,
  label,
  unit: 'A',
  least,
  most,
});
export const carries = (least: number, most: number) => quantity('ratingA', 'carries', 'A', least < 1 ? 1 : 0, least, most);
export const standby = quantity('standbyA', 'draws itself', 'A', 3, 0, LIMITS.amps);

type Value = string | number | boolean | undefined;

/** One of a few values, each by what people call it. */
export const oneOf = (field: string, label: string, ...options: readonly (readonly [value: Value, label: string])[]): Choice => ({
  ...{ kind: 'choice', field, label },
  options: options.map(([value, word]) => ({ value, label: word })),
});
