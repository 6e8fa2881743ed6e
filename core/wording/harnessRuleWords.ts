import type { HarnessRule } from '../analysis/finding';
import { readLook, lookWords } from '../catalog/wireColours';
import type { RuleWords } from './ruleWords';

const look = (code: string) => {
  const read = readLook(code);
  return read ? lookWords(read) : code;
};

/** What the rules about the harness say. */
export const HARNESS_RULES: Record<HarnessRule, RuleWords> = {
  'harness.alike': {
    title: 'Two wires alike side by side',
    message: (say) => `${say.name()} and ${say.name(1)} are both ${look(say.raw('look'))} and end beside each other.`,
    why: 'Swapped once, in the dark under a dash, they are swapped for good: the lamp lights by the wrong switch. Give one of them a stripe. Common practice.',
  },
  'harness.returnColour': {
    title: 'Colour that means the other pole',
    message: (say) =>
      Number(say.raw('isReturn')) === 1
        ? `${say.name()} takes current home and is ${look(say.raw('look'))}, which is live by the colours chosen.`
        : `${say.name()} is live and ${look(say.raw('look'))}, which is a return by the colours chosen.`,
    why: 'Whoever opens this next reads the colour and joins it to its like. A live wire on a return bar is a dead short. Change it, or mark both its ends.',
  },
  'harness.numberTwice': {
    title: 'One number on two wires',
    message: (say) => `${say.name()} and ${say.name(1)} are both numbered ${say.raw('number')}.`,
    why: 'A number that stands on two wires finds neither.',
  },
  'harness.noTerminal': {
    title: 'No terminal made for this size',
    message: (say) => `${say.name()}: its conductor falls between two sizes of insulated terminals.`,
    why: 'A barrel too large lets the strands go, one too small cuts them. Take the next size of wire, or a terminal whose maker names this one.',
  },
  'harness.holeAtEdge': {
    title: 'Hole too near the panel’s edge',
    message: (say) => `${say.name()}: the hole of position ${say.raw('position')} is nearer than ${say.mm('leastMm')} to the edge.`,
    why: 'The strip that is left breaks out under the saw, or the first time the switch is pushed. Move it, or make the panel larger. Common practice.',
  },
  'harness.holesMeet': {
    title: 'Two parts too close in a panel',
    message: (say) =>
      `${say.name()}: positions ${say.raw('one')} and ${say.raw('other')} lie over each other in front, or leave too thin a web between their holes.`,
    why: 'Bezels that meet do not seat, and a web of a few millimetres breaks. Put them back in line, or further apart.',
  },
  'harness.cutTooDeep': {
    title: 'Deeper than the room behind its panel',
    message: (say) =>
      `${say.name()}: position ${say.raw('position')} reaches ${say.mm('needMm')} back with its plug; ${say.mm('freeMm')} are free behind the panel.`,
    why: 'What touches the skin is pushed out by it, and its wires are bent over the terminals. Another part, or another place.',
  },
  'harness.unfinished': {
    title: 'Wires not numbered or coloured yet',
    message: (say) => `${say.raw('count')} of ${say.raw('of')} wires have no number of their own or no colour.`,
    why: 'What is not marked as it is built is guessed a year later. The schedule in Harness numbers and colours all that are left.',
  },
};
