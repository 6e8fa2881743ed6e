import type { WishRule } from '../analysis/finding';
import type { WordsOf } from './ruleWords';

/** What the rules about wishes say. */
export const WISH_RULES: WordsOf<WishRule> = {
  'wish.broken': {
    title: 'Does not do as wished',
    message: (say) => {
      const { says, outcome } = say.wish();
      return `${say.name()}: ${says}; ${outcome}.`;
    },
    why: 'Every way that what influences it can stand was tried, one act at a time from rest. Play it on the bench, then change the wiring, or the wish. Common practice: the logic is proved before anything is bought.',
  },
  'wish.undecided': {
    title: 'Not decided',
    message: (say) => {
      const { says, outcome } = say.wish();
      return `${say.name()}: ${says} (${outcome}).`;
    },
    why: 'What nobody decided is decided by whatever part happens to be fitted: by a latch that forgets, by the throw a switch passes over. Say it, then it can be proved. Common practice.',
  },
};
