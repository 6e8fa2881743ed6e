import { compareOptions } from '../advice/compareOptions';
import { pricesOf } from '../advice/prices';
import type { Analysis } from '../analysis/types';
import { recordsOf } from '../design/design';
import { misfitWords, optionsTable, rowsThatDiffer } from './optionsTable';
import { left, type ReportSection } from './reportSection';

/** Why it is so: every choice with its options beside each other, those that were turned down too. */
export function choicesMade(analysis: Analysis): ReportSection[] {
  const { design, index } = analysis;
  const { units } = index.settings;
  return recordsOf(design, 'choice').map((choice) => {
    const compared = compareOptions(analysis, choice, false);
    const groups = optionsTable(compared, units, pricesOf(index.settings).currency);
    const said = (name: string, cells: (string | undefined)[]) =>
      cells.some((cell) => cell) ? [{ name, cells: cells.map((cell) => cell ?? '') }] : [];
    const rows = [
      ...groups.flatMap((group) => rowsThatDiffer(group.rows)),
      ...said('Speaks for it', compared.map(({ option }) => option.speaksFor)), // prettier-ignore
      ...said('Speaks against it', compared.map(({ option }) => option.speaksAgainst)), // prettier-ignore
      ...said('Does not fit', compared.map(({ option, problems }) => (problems.length > 0 ? misfitWords(design, option, problems) : undefined))), // prettier-ignore
    ];
    const decided = choice.why ? `${choice.why}${choice.decidedOn ? ` (${choice.decidedOn})` : ''}` : 'Not decided yet.';
    return {
      title: `Why it is so: ${choice.name}`,
      text: `${decided} What differs between its options; the first stands in the design.`,
      columns: left('', ...compared.map(({ option, isStanding }) => `${option.name}${isStanding ? ' (stands)' : ''}`)),
      rows: rows.map(({ name, cells }) => [name, ...cells]),
    };
  });
}
