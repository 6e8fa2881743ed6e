import { CONDUCTOR_STANDARDS, type ConductorStandard } from '../core/catalog/vocabulary';

/** Input the command cannot work with; ends in exit status 2. */
export class BadInput extends Error {
  constructor(
    message: string,
    readonly usage?: string,
  ) {
    super(message);
  }
}

export function standardOption(text: string | undefined): ConductorStandard | undefined {
  if (text === undefined) return undefined;
  const known = CONDUCTOR_STANDARDS.find((standard) => standard === text);
  if (!known) throw new BadInput(`--standard: "${text}" is not one of ${CONDUCTOR_STANDARDS.join(', ')}`);
  return known;
}

/** A number within bounds from an option, or the value to take when it is not given. */
export function numberOption(name: string, text: string | undefined, least: number, most: number, otherwise?: number): number {
  if (text === undefined) {
    if (otherwise === undefined) throw new BadInput(`--${name} is needed`);
    return otherwise;
  }
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value)) throw new BadInput(`--${name}: "${text}" is not a number`);
  if (value < least || value > most) throw new BadInput(`--${name}: ${value} is outside ${least} to ${most}`);
  return value;
}
