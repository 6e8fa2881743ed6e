import type { BuildRule } from '../analysis/finding';
import type { TrialKind } from '../plan/trialResults';
import type { WordsOf } from './ruleWords';

/** What the rules about building and testing say. */
export const BUILD_RULES: WordsOf<BuildRule> = {
  'build.poweredUnchecked': {
    title: 'Powered before it was checked',
    message: (say) => `${say.name()} has had power, and nobody has ticked its check with ohms before.`,
    why: 'A short found with ohms costs nothing; found with the battery it costs a fuse, a wire, or the vehicle. Isolate, take its fuse out, check it, then go on. Common practice.',
  },
  'build.untested': {
    title: 'Powered and never tested',
    message: (say) => `${say.name()} has had power, and what it does was neither read nor ticked as tested.`,
    why: 'A circuit that lights is no circuit that is right: its volts under load show a bad joint before it burns. Read it at work in Build and test. Common practice.',
  },
  'build.trialFailed': {
    title: 'Tried, and not as it should be',
    message: (say) =>
      say.figures.kind === 'idle'
        ? `${say.name()}: ${TRIAL_NAMES.idle} was tried and is not as it should be.`
        : `${say.name(1)}: ${TRIAL_NAMES[say.figures.kind]} was tried at ${say.name()} and is not as it should be.`,
    why: 'What was seen to be wrong is put right or the plan is: Readings says what should happen, Find a fault where to look. Common practice.',
  },
  'build.readingOut': {
    title: 'A reading that is out',
    message: (say) => `${say.name()} read ${say.figures.read} where ${say.figures.low} to ${say.figures.high} was to be expected.`,
    why: 'Nineteen of twenty vehicles built to this plan read within that range. Find what is wrong, or mend the plan where the plan was wrong. Common practice.',
  },
};

const TRIAL_NAMES: Record<TrialKind, string> = {
  levels: 'dimming',
  range: 'radio range',
  rules: 'its rules',
  pilot: 'its pilot lamp',
  even: 'evenness in the dark',
  hold: 'its hold time',
  idle: 'holding everything at idle',
  shut: 'current with the door shut',
  cutsOut: 'cutting out',
};
