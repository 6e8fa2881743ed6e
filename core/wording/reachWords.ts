import type { ReachRule } from '../analysis/finding';
import type { WordsOf } from './ruleWords';

/** What the rules about what controls can bring about, and about second ways, say. */
export const REACH_RULES: WordsOf<ReachRule> = {
  'reach.together': {
    title: 'Marked as never together, yet they can be',
    message: (say) => {
      const marked = `${say.name()} and ${say.name(1)} are marked “${say.figures.group}”`;
      if (say.figures.positions === null)
        return `${marked}. There are too many controls around them to try all positions, so their sum is taken.`;
      const atVolts = say.figures.batteryV === null ? '' : ` while the battery is at ${say.volts('batteryV')}`;
      return `${marked}, but the wiring lights both with ${say.positions('positions')}${atVolts}. Their sum is taken.`;
    },
    why: 'Wires and fuses are sized for what the controls can bring about, not for what one means to do. A changeover contact, or a relay that takes one off before the other comes on, makes it so.',
  },
  'reach.neverLit': {
    title: 'Nothing lights it',
    message: (say) => `${say.name()} is wired, but in no position of the controls that lead to it does current reach it.`,
    why: 'Every position of every switch, relay, channel and signal on its way was tried. Something on the way waits for what never comes.',
  },
  'reach.twoFeeds': {
    title: 'Fed two ways',
    message: (say) =>
      `${say.name()} is fed through ${say.name(1)} and through ${say.name(2)}, as it is meant to be. Both must be out before it is dead.`,
    why: 'Who pulls one fuse expects a dead wire. Mark both at the block, and size what they share for both together.',
  },
  'reach.unmeantFeed': {
    title: 'Two fuses feed it',
    message: (say) => `${say.name()} is fed through ${say.name(1)} and through ${say.name(2)}, and nothing says that it is meant to be.`,
    why: 'With one fuse out it lives on through the other, and each may send current backwards through what the other guards. Part the two ways, by a diode or a changeover, or say that both are meant.',
  },
  'reach.fuseOverdrawn': {
    title: 'More flows through the fuse than hangs on it',
    message: (say) =>
      `${say.name()}: ${say.amps('amps')} through a ${say.rating('ratingA')} fuse, where the loads behind it ask for ${say.amps('peakA')}.`,
    why: 'Current takes every way there is. A second feed, a neighbour fed through this circuit or a joined return brings what no sum along one run shows: look for the ring.',
  },
  'reach.fusesTogether': {
    title: 'Two fuses together pass more than the wire carries',
    message: (say) =>
      `${say.name()}: ${say.name(1)} and ${say.name(2)} may bring ${say.amps('passesA')} to a fault in ${say.conductor('conductor')}, which carries ${say.amps('ampacityA')} here.`,
    why: 'A wire that two fuses reach is heated by both: neither opens until its own rating is passed.',
  },
};
