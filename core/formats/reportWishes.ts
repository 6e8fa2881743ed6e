import type { WholeAnalysis } from '../analysis/rules/slowFindings';
import { isGiven } from '../bench/usualWishes';
import { nameOf } from '../design/names';
import { seriesWords, verdictWords, wishWords } from '../wording/wishWords';
import { left, type ReportSection } from './reportSection';

/** What loads shall do and what the wiring makes of it, with the acts that break a wish. */
export function wishes({ design, judged }: WholeAnalysis): ReportSection {
  return {
    title: 'Wishes',
    text: 'Each was held against every way that what influences its load can stand, dimmers at full and fuses in. Flick every switch in the vehicle too.',
    columns: left('Load', 'Shall be', 'The wiring', 'After'),
    rows: judged.map((one) => [
      nameOf(design, one.wish.loadId),
      `${wishWords(design, one.wish.says)}${isGiven(one.wish) ? ' (for safety)' : ''}`,
      verdictWords(one),
      seriesWords(design, one.series),
    ]),
  };
}
