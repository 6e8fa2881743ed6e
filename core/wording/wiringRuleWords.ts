import type { WiringRule } from '../analysis/finding';
import type { WordsOf } from './ruleWords';

/** What the rules about the wiring as drawn say. */
export const WIRING_RULES: WordsOf<WiringRule> = {
  'wiring.short': {
    title: 'Positive meets negative',
    message: (say) => `The wiring joins positive and negative at ${say.name()}, terminal ${say.figures.terminal}, with no load between.`,
    why: 'This is a dead short, or a load wired the wrong way round. The fuse would open at once; without one the wire would burn.',
  },
  'wiring.loop': {
    title: 'Wires form a ring',
    message: () => 'This wire closes a ring, so the current has two ways to go. Figures here follow the first way found.',
    why: 'A formula for one run cannot share current between two paths. Treat the ring as if one side were cut until it is worked out.',
  },
  'wiring.twoWaysHome': {
    title: 'Two ways home',
    message: (say) => `${say.name()} closes a ring of returns: the current goes home by two ways.`,
    why: 'Both share the current while both are sound, and nobody notices when one no longer is. So each wire of the ring is judged by all that comes round once another is open. Figures of drop follow the way of less resistance, with all of the current on it.',
  },
  'wiring.goesPast': {
    title: 'A way home that goes past',
    message: (say) => `By ${say.name()} current goes home past ${say.name(1)}.`,
    why: 'A shunt counts only what flows through it, and an isolator or cut-out in the minus leaves what another way takes home alive. Land that return on the side away from the battery.',
  },
  'wiring.sideBySide': {
    title: 'Two contacts side by side',
    message: (say) => `Either of ${say.name()} and ${say.name(1)} puts on what is behind them, and neither alone puts it off.`,
    why: 'As it is meant for a light from two doors; with a switch that is meant to turn it off whatever else it is not. Either way alone carries the whole current, and is sized for it behind the one fuse; the drop is that of the longer one. To turn it over from either place two changeovers are needed.',
  },
  'wiring.noReturn': {
    title: 'No way back',
    message: (say) => `${say.name()} is fed, but nothing takes its current back to the battery’s negative.`,
    why: 'Without a return the load is dead, or finds another way home through something that was never meant to carry it.',
  },
};
