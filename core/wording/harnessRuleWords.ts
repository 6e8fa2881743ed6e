import type { HarnessRule } from '../analysis/finding';
import { readLook, lookWords } from '../catalog/wireColours';
import { END_WORDS } from './harnessWords';
import type { WordsOf } from './ruleWords';

const look = (code: string) => {
  const read = readLook(code);
  return read ? lookWords(read) : code;
};

/** What the rules about the harness say. */
export const HARNESS_RULES: WordsOf<HarnessRule> = {
  'harness.alike': {
    title: 'Two wires alike side by side',
    message: (say) => `${say.name()} and ${say.name(1)} are both ${look(say.figures.look)} and end beside each other.`,
    why: 'Swapped once, in the dark under a dash, they are swapped for good: the lamp lights by the wrong switch. Give one of them a stripe. Common practice.',
  },
  'harness.returnColour': {
    title: 'Colour that means the other pole',
    message: (say) =>
      say.figures.isReturn
        ? `${say.name()} takes current home and is ${look(say.figures.look)}, which is live by the colours chosen.`
        : `${say.name()} is live and ${look(say.figures.look)}, which is a return by the colours chosen.`,
    why: 'Whoever opens this next reads the colour and joins it to its like. A live wire on a return bar is a dead short. Change it, or mark both its ends.',
  },
  'harness.numberTwice': {
    title: 'One number on two wires',
    message: (say) => `${say.name()} and ${say.name(1)} are both numbered ${say.figures.number}.`,
    why: 'A number that stands on two wires finds neither.',
  },
  'harness.noTerminal': {
    title: 'No terminal made for this size',
    message: (say) => `${say.name()}: its conductor falls between two sizes of insulated terminals.`,
    why: 'A barrel too large lets the strands go, one too small cuts them. Take the next size of wire, or a terminal whose maker names this one.',
  },
  'harness.endMisfit': {
    title: 'An end that is not held where it lands',
    message: (say) =>
      `${say.name()}: its ${END_WORDS[say.figures.end]} is to go on ${say.figures.terminal} of ${say.name(1)}, which takes a ${END_WORDS[say.figures.takes]}.`,
    why: 'Male on male does not mate, and what is not a ring comes off a stud. What is forced together works loose, gets warm and drops the load on a rough road. Common practice.',
  },
  'harness.bareEnd': {
    title: 'Strands left bare',
    message: (say) =>
      `${say.name()} ends bare at ${say.figures.terminal} of ${say.name(1)}${say.figures.isFuse ? ', a fuse’s contact' : ''}.`,
    why: 'Strands under a fuse’s leg spread its contact and slip out; under a screw they spread and work loose, and what stands off meets the next terminal. A crimped end is made for each. Common practice.',
  },
  'harness.holeAtEdge': {
    title: 'Hole too near the panel’s edge',
    message: (say) => `${say.name()}: the hole of position ${say.figures.position} is nearer than ${say.mm('leastMm')} to the edge.`,
    why: 'The strip that is left breaks out under the saw, or the first time the switch is pushed. Move it, or make the panel larger. Common practice.',
  },
  'harness.holesMeet': {
    title: 'Two parts too close in a panel',
    message: (say) =>
      `${say.name()}: positions ${say.figures.one} and ${say.figures.other} lie over each other in front, or leave too thin a web between their holes.`,
    why: 'Bezels that meet do not seat, and a web of a few millimetres breaks. Put them back in line, or further apart.',
  },
  'harness.inSight': {
    title: 'Panel in the line of sight',
    message: (say) => `${say.name()} is ${say.mm('heightMm')} high; ${say.mm('mostMm')} above its lower edge is where one looks past it.`,
    why: 'What stands in the windscreen hides a child at the kerb, and lit legends shine back from the glass at night. Lower it, lay it on its side, or give it fewer rows.',
  },
  'harness.glare': {
    title: 'Lamps of a panel where they glare',
    message: (say) =>
      say.figures.by === 'sun'
        ? `${say.name()} has ${say.figures.count} lit ${say.figures.count === 1 ? 'part' : 'parts'} in ${say.name(1)}, which the sun shines on.`
        : `${say.name()} has ${say.figures.count} lit ${say.figures.count === 1 ? 'part' : 'parts'} in ${say.name(1)}, where somebody sleeps.`,
    why: 'In the sun nobody sees whether a pilot lamp burns, and in the dark beside a bed or a windscreen each is a lamp too many. Put it elsewhere, under a hood, or dim its pilots with the vehicle’s own. Common practice.',
  },
  'harness.cutTooDeep': {
    title: 'Deeper than the room behind its panel',
    message: (say) =>
      `${say.name()}: position ${say.figures.position} reaches ${say.mm('needMm')} back with its plug; ${say.mm('freeMm')} are free behind the panel.`,
    why: 'What touches the skin is pushed out by it, and its wires are bent over the terminals. Another part, or another place.',
  },
  'harness.coreThin': {
    title: 'Core thinner than the wire it is',
    message: (say) =>
      `${say.name()} is sized ${say.conductor('planned')}; core ${say.figures.at} of ${say.name(1)} is ${say.conductor('core')}.`,
    why: 'What is in the sheath is what carries the current: with less copper than was worked out it drops more and gets hotter than its fuse allows for.',
  },
  'harness.coreOther': {
    title: 'Core of another size than the wire it is',
    message: (say) =>
      `${say.name()} is reckoned as ${say.conductor('planned')}; core ${say.figures.at} of ${say.name(1)} is ${say.conductor('core')}.`,
    why: 'Thicker does no harm; terminals and drop are reckoned with the planned size until the wire has that of its core.',
  },
  'harness.coreAstray': {
    title: 'Core that ends elsewhere',
    message: (say) =>
      `${say.name()} is core ${say.figures.at} of ${say.name(1)}, yet does not lead between the same two places as its first core, ${say.name(2)}.`,
    why: 'A cable has two ends. A core that leaves it on the way is cut out of the sheath and jointed there, or is a wire of its own.',
  },
  'harness.leadsAlike': {
    title: 'Two leads alike on one part',
    message: (say) => `${say.name()} has two ${look(say.figures.look)} leads that are not the same, or of which one is not known.`,
    why: 'Put a sleeve or a number on each as soon as the meter has told them apart, before anything is joined.',
  },
  'harness.leadDisputed': {
    title: 'Two sources differ about a lead',
    message: (say) => `${say.name(1)} is said to be two different things.`,
    why: 'One of them is wrong, and joining it by the wrong one may put the feed on a return. Nothing is joined to it until a meter has settled it: Leads says how.',
  },
  'harness.leadColour': {
    title: 'Lead in the other pole’s colour',
    message: (say) =>
      say.figures.isReturn
        ? `${say.name(1)} takes current home, and ${look(say.figures.look)} is live by the colours chosen.`
        : `${say.name(1)} is live, and ${look(say.figures.look)} is a return by the colours chosen.`,
    why: 'Its maker had another convention. Leads are joined by what they do, never to their like; a sleeve over both ends says so to whoever comes next.',
  },
  'harness.leadsDiffer': {
    title: 'One colour, two poles',
    message: (say) => `${look(say.figures.look)} is live on ${say.name()} and comes home on ${say.name(1)}.`,
    why: 'Two makers, two conventions. Where their leads come near each other like is joined to like, and that is a dead short: join by what each does, and put a sleeve over one of them.',
  },
  'harness.bothLive': {
    title: 'Both halves of a plug may be live',
    message: (say) => `${say.name()} has a source on either side: parted, each of its halves may be live.`,
    why: 'One half of a pair has bare pins, and here they are live whichever it is. Take a plug with covered contacts on both halves, or an isolator or fuse on one side that is opened before it is parted. Common practice.',
  },
  'harness.leadOpen': {
    title: 'Lead left open',
    message: (say) =>
      say.figures.isKnown
        ? `${say.name(1)} meets nothing, and is live while ${say.name()} works.`
        : `${say.name(1)} meets nothing. Whether it is live while ${say.name()} works nobody has said.`,
    why: 'An open end that is live touches the body one day, and what feeds it burns or opens its fuse. Cut back square, sleeved over its end and tied back; each by itself, never two twisted together. Common practice.',
  },
  'harness.leadUnproved': {
    title: 'Leads nobody has metered',
    message: (say) => `${say.figures.count} of ${say.figures.of} leads are joined by what somebody says of them, or not known.`,
    why: 'Makers change colours and sheets are wrong. Each is proved with a meter before it is joined; Leads in Harness says between which, and what it reads.',
  },
  'harness.legend': {
    title: 'Legend that is not what it works',
    message: (say) => `${say.name()} says ${say.name(1)}, which ${say.name(2)} has nothing to do with.`,
    why: 'In the dark one presses what is written. Press it and see, then change the legend or the wire.',
  },
  'harness.unfinished': {
    title: 'Wires not numbered or coloured yet',
    message: (say) => `${say.figures.count} of ${say.figures.of} wires have no number of their own or no colour.`,
    why: 'What is not marked as it is built is guessed a year later. The schedule in Harness numbers and colours all that are left.',
  },
};
