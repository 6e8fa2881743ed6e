import { JOINT_WORDS } from '../devices/splice';
import type { WorkRule } from '../analysis/finding';
import type { WordsOf } from './ruleWords';

/** What the rules about unfinished work say. */
export const WORK_RULES: WordsOf<WorkRule> = {
  'work.temporary': {
    title: 'There for now',
    message: (say) => {
      const { reason, due } = say.figures;
      return `${say.name()} is in place but no part of the plan${reason ? `: ${reason}` : ''}${due ? `; to be come back to by ${due}` : ''}.`;
    },
    why: 'What was done for now is forgotten, and the next who opens the panel takes it for the plan. Take it out, or take it into the plan. Common practice.',
  },
  'work.jointForNow': {
    title: 'Joint made for now',
    message: (say) => {
      const { made, reason, due } = say.figures;
      return `${say.name()} is ${JOINT_WORDS[made]}${reason ? `: ${reason}` : ''}${due ? `; to be come back to by ${due}` : ''}.`;
    },
    why: 'A twist and a tap are for the evening. What was done for now is forgotten, works loose and warms. Crimp it with a glue sleeve. Common practice.',
  },
  'work.otherFuse': {
    title: 'Not the planned fuse in the holder',
    message: (say) =>
      `${say.name()} holds ${say.rating('fittedA')}${say.figures.plannedA === null ? '' : `, planned is ${say.rating('plannedA')}`}.`,
    why: 'A small fuse to test with opens in use; a larger one put in to get home no longer guards the wire. Put the planned one in once the circuit is tested. Common practice.',
  },
};
