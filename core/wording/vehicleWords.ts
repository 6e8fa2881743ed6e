import type { FeedUnknown } from '../analysis/figures';
import type { VehicleRule } from '../analysis/finding';
import type { WordsOf } from './ruleWords';

const UNKNOWN: Record<FeedUnknown, string> = {
  fuse: 'its own fuse is',
  drawn: 'what it draws there is',
  leg: 'which clip is live is',
};

/** What the rules about feeds from the vehicle's own wiring say. */
export const VEHICLE_RULES: WordsOf<VehicleRule> = {
  'vehicle.overdrawn': {
    title: 'More than the vehicle’s wiring gives there',
    message: (say) =>
      say.figures.by === 'fuse'
        ? `${say.name()}: ${say.amps('amps')} are added to ${say.amps('drawnA')} of the vehicle’s own, through its ${say.rating('mostA')} fuse.`
        : `${say.name()}: ${say.amps('amps')} are asked of it; it may give ${say.amps('mostA')}.`,
    why: 'The vehicle’s wire was laid for what its maker hangs on it. Past its fuse’s rating the fuse opens and takes that along; a larger fuse there burns the wire instead. Take the current from the house side by a relay, and only its coil’s from here.',
  },
  'vehicle.joined': {
    title: 'The vehicle’s wiring is joined to another plus',
    message: (say) =>
      `${say.name()} meets ${say.name(1)}: the wiring joins the vehicle’s battery there to the house battery, or to another of its own feeds.`,
    why: 'Two batteries joined through thin wire feed each other with all they have: the fuller one charges the other through a fuse made for a lamp. Only a split-charge relay or a charger may join them. Part the two by a changeover or a relay.',
  },
  'vehicle.unknown': {
    title: 'What the vehicle gives there is not known',
    message: (say) =>
      `${say.name()}: ${say.figures.missing.map((one) => UNKNOWN[one]).join(', ')} not said. Until then nobody knows what may be added to it.`,
    why: 'Read the fuse’s rating, switch on all that hangs on it and clamp the current; with a meter see which clip stays live with the fuse out.',
  },
  'vehicle.bareTap': {
    title: 'A tap with no fuse of its own',
    message: (say) =>
      `${say.name()} is taken from a live clip, or one nobody has metered, and its wire meets no fuse of its own within a hand’s breadth.`,
    why: 'In the live clip a tap is beside the vehicle’s fuse, not behind it: only the vehicle’s main fuse is ahead, and a chafed wire burns. Put a fuse in the tap’s own holder, or right beside it.',
  },
  'vehicle.goesDark': {
    title: 'A short here takes the vehicle’s own fuse along',
    message: (say) =>
      `${say.name()}: ${say.figures.rating === null ? 'with no fuse of its own a short' : `behind a fuse of ${say.rating('rating')} a short`} may open the vehicle’s ${say.rating('ownA')} fuse first. Then dark: ${say.figures.serves || 'whatever of the vehicle hangs on it'}.`,
    why: 'The tap is behind the vehicle’s own fuse. Of two fuses in a row the smaller opens first, and near one rating nobody knows which.',
  },
  'vehicle.pulledToGround': {
    title: 'This wire is pulled to ground, it feeds nothing',
    message: (say) => `${say.name()} goes to ground when it is active; a load or a fuse on it would see no plus.`,
    why: 'It can work a relay: the coil’s other side is fed through a fuse, and this wire takes it to ground.',
  },
};
