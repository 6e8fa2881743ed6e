import type { FeedRule } from '../analysis/finding';
import type { WordsOf } from './ruleWords';

/** What the rules about cables that two sources feed say. */
export const FEED_RULES: WordsOf<FeedRule> = {
  'feed.unknown': {
    title: 'Its cable to the battery is not described',
    message: (say) => `${say.name()} charges the battery with up to ${say.amps('amps')}, by a cable of which nothing is known here.`,
    why: 'Such a cable is fed from both ends and needs its own size and fuses. Describe it with the source, or wire it, and it is judged like the rest.',
  },
  'feed.bareAtBattery': {
    title: 'Charging cable bare at the battery',
    message: (say) => `No fuse guards the ${say.conductor('conductor')} cable of ${say.name()} at the house battery’s end.`,
    why: 'Whatever charges through it, the battery can pour thousands of amperes back into a fault. The fuse sits at the battery, within 7 in (ISO: 200 mm).',
  },
  'feed.bareAtSource': {
    title: 'Cable fed from both ends, fused at one',
    message: (say) =>
      `No fuse guards the ${say.conductor('conductor')} cable at the end of ${say.name()}, which ${say.figures.stiff ? 'has a battery behind it' : `gives ${say.amps('amps')}, more than the ${say.amps('ampacityA')} it carries`}.`,
    why: 'With the far fuse open, a fault is still fed from this end. A cable two batteries can feed is protected at both; a charger that gives no more than the cable carries needs none of its own. ABYC E-11, from memory.',
  },
  'feed.fuseAbove': {
    title: 'Fuse larger than the charging cable carries',
    message: (say) =>
      `${say.name()}: a ${say.rating('ratingA')} fuse on ${say.conductor('conductor')}, which carries ${say.amps('ampacityA')} there.`,
    why: 'The fuse protects the cable. If it passes more than that, a fault heats the cable instead of opening the fuse.',
  },
  'feed.fuseBelow': {
    title: 'Fuse of the charging cable too small',
    message: (say) =>
      `${say.name()} gives ${say.amps('amps')} for hours; its cable’s fuse is ${say.rating('ratingA')}, ${say.amps('leastA')} or more is wanted.`,
    why: 'Charging runs for hours, and a fuse above 80 % of its rating ages, heats its clips and opens for no fault. The 80 % rule comes from the NEC.',
  },
  'feed.cableSmall': {
    title: 'Charging cable too thin',
    message: (say) =>
      `${say.name()} gives up to ${say.amps('amps')} through ${say.conductor('conductor')}, which carries ${say.amps('ampacityA')} there.`,
    why: 'Charging current flows for hours: the cable would run hotter than its insulation is made for.',
  },
  'feed.drop': {
    title: 'Charging cable loses too much',
    message: (say) =>
      `${say.name()}: ${say.volts('dropV')} is lost out and back at ${say.amps('amps')}; ${say.volts('mostV')} is the most.`,
    why: 'The charger then sees more than the battery has and tapers early: the battery is never quite full. Road-vehicle practice has 0.3 V for charging cables.',
  },
};
