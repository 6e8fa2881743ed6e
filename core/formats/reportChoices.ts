import { compareOptions, type OptionCompared } from '../advice/compareOptions';
import { pricesOf } from '../advice/prices';
import type { Analysis } from '../analysis/types';
import { recordsOf } from '../design/design';
import { optionsOf } from '../design/options';
import type { Choice, Option } from '../design/schema';
import { misfitWords, optionsTable, rowsThatDiffer } from './optionsTable';
import { left, type ReportSection } from './reportSection';

/** Options that a report works out: each is a design of its own, and a reader waits. */
const MOST_OPTIONS = 12;

/** Why it is so: every choice with its options beside each other, those that were turned down too. */
export function choicesMade(analysis: Analysis): ReportSection[] {
  const { design, index } = analysis;
  const { units } = index.settings;
  let worked = 0;
  return recordsOf(design, 'choice').map((choice) => {
    const options = optionsOf(design, choice.id);
    const isWorked = (worked += options.length) <= MOST_OPTIONS;
    const compared = isWorked ? compareOptions(analysis, choice, false) : options.map((option) => bare(option, choice));
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
      text: `${decided} ${isWorked ? 'What differs between its options; the first stands in the design.' : 'Too many options to work out here: their figures are in Choices.'}`,
      columns: left('', ...compared.map(({ option, isStanding }) => `${option.name}${isStanding ? ' (stands)' : ''}`)),
      rows: rows.map(({ name, cells }) => [name, ...cells]),
    };
  });
}

function bare(option: Option, { standingId }: Choice): OptionCompared {
  return { option, isStanding: option.id === standingId, figures: null, problems: [] };
}
