import type { SwitchingRule } from '../analysis/finding';
import { HUB_ACT_WORDS, MODE_WORDS } from './hubWords';
import type { WordsOf } from './ruleWords';

/** What the rules about switching say. */
export const SWITCHING_RULES: WordsOf<SwitchingRule> = {
  'switching.coilTurned': {
    title: 'Coil with a diode, turned round',
    message: (say) => `${say.name()}: its pin 85 is on the supply and 86 goes home, but its diode wants 86 positive.`,
    why: 'The diode across the coil then lies the wrong way: as soon as the coil is fed it is a short, and the diode or the fuse goes. With a resistor across the coil either way would do. DIN 72552 gives 86 as the coil’s beginning, 85 as its end.',
  },
  'switching.coilPulsed': {
    title: 'Coil on a pulsed line',
    message: (say) => `The coil of ${say.name()} is fed through ${say.name(1)}, which pulses.`,
    why: 'A coil that is switched some hundred times a second chatters, warms and burns its contact. Take its feed from ahead of the dimmer. Common practice.',
  },
  'switching.coilAlwaysFed': {
    title: 'Coil always fed, the switch carries the lamp',
    message: (say) => `${say.name()} is pulled in day and night, and ${say.name(1)} carries what its contact should switch.`,
    why: 'It seems to work, so nobody looks: the coil stays warm and empties the battery, and the small switch carries and breaks the whole current. As a rule pins 86 and 30, or 85 and 87, are exchanged. Common practice.',
  },
  'switching.twoDimmers': {
    title: 'Two dimmers one after the other',
    message: (say) => `${say.name()} is dimmed by ${say.name(1)} and again by ${say.name(2)}.`,
    why: 'Two that pulse beat against each other: the lamp flickers, and the second one’s electronics are fed by pulses. One dimmer, after all the switches. Common practice.',
  },
  'switching.dimmerBridged': {
    title: 'Return-side dimmer bridged',
    message: (say) => `${say.name(1)} has another way home than ${say.name()}: it is on at full, whatever the dimmer says.`,
    why: 'A dimmer in the return works only while the lamp’s minus touches neither body nor bar anywhere else. Take the other way home off, or dim the plus. Common practice.',
  },
  'switching.hubUndecided': {
    title: 'Two rules of a hub, neither wins',
    message: (say) =>
      `Output ${say.figures.output} of ${say.name()}: by rule ${say.figures.one} it ${HUB_ACT_WORDS[say.figures.first]}, by rule ${say.figures.other} it ${HUB_ACT_WORDS[say.figures.second]}. Both may hold at once, and nobody said which goes before.`,
    why: 'High beam while the indicator blinks: what the lamp does then is for you to say, not for the order the rules were written in. Until it is said the first one is followed on the bench, and this stays open.',
  },
  'switching.modeToSet': {
    title: 'Mode to be set',
    message: (say) =>
      `${say.name()} comes as one that ${MODE_WORDS[say.figures.comesAs]} and is to work the other way: hold button ${say.figures.holds} while its fuse goes out.`,
    why: 'What a kit remembers is not seen on it. Set it before it is built in, prove it by a press and a release, and say here that it is set. The same acts done by chance turn it back: a button held down in a pocket while a fuse is changed.',
  },
  'switching.litWhileShut': {
    title: 'Lit while it is pressed',
    message: (say) =>
      `${say.name(1)} hangs on the contact of ${say.name()} that is made while it is pressed: while the lid is shut, as a rule.`,
    why: 'Nobody sees it, and in the morning the battery is flat. A lamp that is to be lit while open hangs on the normally closed contact, which a shut lid holds open. Common practice.',
  },
};
