import type { RuleFigures } from '../core/analysis/figures';
import type { Finding, Rule } from '../core/analysis/finding';

/**
 * The figures of a finding of that rule.
 * @throws where it is of another, or none
 */
export function figuresOf<R extends Rule>(finding: Finding | undefined, rule: R): RuleFigures[R] {
  if (finding?.rule !== rule) throw new Error(`${finding?.rule ?? 'nothing'} was found, not ${rule}`);
  return finding.numbers as RuleFigures[R];
}
