import type { PassPart, Passing } from '../catalog/vocabulary';
import type { RigRule } from '../analysis/finding';
import type { WordsOf } from './ruleWords';

export const PASSING_WORDS: Record<Passing, string> = {
  bulkhead: 'bulkhead',
  roof: 'roof',
  doubleSkin: 'double skin',
  hinge: 'hinge',
  exhaust: 'exhaust',
  steering: 'steering',
  water: 'water',
};

export const PART_WORDS: Record<PassPart, string> = {
  none: 'nothing',
  grommet: 'grommet',
  gland: 'gland',
  boot: 'boot',
  heatShield: 'heat shield',
  guard: 'guard',
};

/** What the rules about the vehicle say. */
export const RIG_RULES: WordsOf<RigRule> = {
  'rig.noWay': {
    title: 'No route joins its ends',
    message: (say) => `${say.name()}: no route leads from ${say.name(1)} to ${say.name(2)}, so its length is still a guess.`,
    why: 'A length guessed on paper is the usual reason why a far lamp is dim. Add the stretch that is missing, or open one that is closed.',
  },
  'rig.pathBroken': {
    title: 'Chosen path leads elsewhere',
    message: (say) => `${say.name()}: the routes chosen for it no longer lead from one end to the other. The shortest way is used.`,
    why: 'A device or a route was moved since. Choose again, or let it take the shortest way.',
  },
  'rig.bareHole': {
    title: 'Bare hole',
    message: (say) => `${say.name()} goes through a ${passing(say.figures.what)} with nothing in the hole.`,
    why: 'A bare edge cuts insulation as the vehicle shakes, and the wire meets the chassis. A grommet or a gland at every hole.',
  },
  'rig.unsealed': {
    title: 'Water can come in here',
    message: (say) => `${say.name()} passes ${passing(say.figures.what)} and is not sealed there.`,
    why: 'Water follows a cable. A gland that fits the cable, sealant under it, and a drip loop outside, lower than the entry.',
  },
  'rig.hinge': {
    title: 'Cable over a hinge',
    message: (say) => `${say.name()} crosses a hinge without a boot.`,
    why: 'At every opening the same few strands bend until they break. A rubber boot and a slack loop spread the bend; the loop is counted in the planned length.',
  },
  'rig.hingeTight': {
    title: 'No loop left at a hinge',
    message: (say) => `${say.name()} is ${say.length('lengthMm')} over a hinge; ${say.length('leastMm')} with the loop that lets it open.`,
    why: 'Cable laid tight over a hinge is pulled at every opening until a strand or a crimp lets go. Leave a loop of ten cable diameters and the travel of the hinge, and measure with the door open. Common practice.',
  },
  'rig.exhaust': {
    title: 'Close to the exhaust',
    message: (say) =>
      `${say.name()} passes the exhaust ${say.figures.clearMm === null ? 'at a distance nobody has measured' : `at ${say.figures.clearMm} mm`}, with no heat shield.`,
    why: 'Insulation rated 105 °C softens there within minutes. Keep 150 mm away or put a shield between. Common practice.',
  },
  'rig.steering': {
    title: 'Steering within reach of the cable',
    message: (say) => `${say.name()} passes the steering with no guard.`,
    why: 'A cable caught in the steering is a crash. Route it elsewhere, or fix it behind a guard.',
  },
  'rig.holeTooSmall': {
    title: 'Bundle does not fit the hole',
    message: (say) =>
      `${say.name()}: the bundle is ${say.mm('bundleMm')} across, the hole in the ${passing(say.figures.what)} ${say.mm('holeMm')}.`,
    why: 'Cable forced through a tight hole loses its insulation. The hole must also leave room for the grommet.',
  },
  'rig.conduitFull': {
    title: 'Conduit too full',
    message: (say) =>
      `${say.name()}: ${say.figures.count} conductors fill ${say.percent('fillPercent')} of it; ${say.percent('mostPercent')} is the most. ${say.mm('leastMm')} inside would do.`,
    why: 'In a full conduit cable is hot and cannot be drawn. NEC chapter 9 table 1: 53 % for one conductor, 31 % for two, 40 % for more.',
  },
  'rig.heavy': {
    title: 'Heavy, on a part that moves or shakes',
    message: (say) => `${say.name()} weighs ${say.figures.weightKg} kg and is fixed at ${say.name(1)}, where things move or shake.`,
    why: 'Screws in thin sheet work loose and tear out. Bolts right through with a plate behind, locking nuts, and a second hold for what could fall on somebody. Common practice.',
  },
  'rig.behindUnknown': {
    title: 'What lies behind is not known',
    message: (say) =>
      `${say.name()} reaches ${say.mm('depthMm')} behind ${say.name(1)}, and nobody has said how much room there is or what lies there.`,
    why: 'Tanks, looms, airbags and ribs sit behind panels. Look from the other side, or through a small hole, before cutting; then write it down at the place.',
  },
  'rig.tooShallow': {
    title: 'Not enough room behind',
    message: (say) =>
      `${say.name()} reaches ${say.mm('depthMm')} behind the panel and its wires need ${say.mm('bendMm')} to bend; ${say.name(1)} has ${say.mm('freeMm')}.`,
    why: 'Look behind before you cut: a switch that touches the skin is pushed out by it, and its wires are bent over the terminals.',
  },
  'rig.inTheWay': {
    title: 'Something swings through here',
    message: (say) => `${say.name()} lies where ${say.name(1)} swings.`,
    why: 'A lamp or a bracket in the way of a door, a hood or an arm is struck sooner or later, and its wire with it.',
  },
  'rig.inSight': {
    title: 'In the line of sight',
    message: (say) => `${say.name()} stands in ${say.name(1)}.`,
    why: 'What hides a mirror or the road is against the law in most places, whatever it lights.',
  },
  'rig.samePlace': {
    title: 'Two places at one spot',
    message: (say) => `${say.name()} and ${say.name(1)} are at the very same spot.`,
    why: 'Nothing can be told from its length there. Move one, or make them one place.',
  },
  'rig.outside': {
    title: 'Outside the vehicle',
    message: (say) => `${say.name()} is outside the vehicle’s size.`,
    why: 'Its routes are as long as the plan says, so look whether the place or the vehicle’s size is wrong.',
  },
  'rig.wet': {
    title: 'Not made for wet',
    message: (say) => `${say.name()} sits in ${say.name(1)}, which gets wet, and is not marked as sealed.`,
    why: 'Water in a terminal corrodes it within a season: volts unloaded, nothing under load. Use a sealed one, or place it drier.',
  },
  'rig.measuredDiffers': {
    title: 'Tape and plan disagree',
    message: (say) =>
      `${say.name()}: measured ${say.length('measuredMm')}, the plan says ${say.length('plannedMm')}. The measured length is used.`,
    why: 'One of them is likely wrong: a bend the plan does not know, or a slip of the tape. Measure again or move the places.',
  },
  'rig.wireDiffers': {
    title: 'Wire measured unlike its way',
    message: (say) =>
      `${say.name()}: measured ${say.length('measuredMm')}, its way through the vehicle is ${say.length('wayMm')}. The measured length is used.`,
    why: 'A wire that was measured keeps its length. If the vehicle’s plan is better by now, let it go by the plan.',
  },
  'rig.panelElsewhere': {
    title: 'In a panel, and placed elsewhere',
    message: (say) => `${say.name()} sits in ${say.name(1)}, which is at ${say.name(2)}, and is placed at ${say.name(3)}.`,
    why: 'One of the two is not so, and its wires are as long as the wrong one says. Put it where its panel is, or take it out of the panel.',
  },
};

function passing(what: string): string {
  return PASSING_WORDS[what as Passing] ?? what;
}
