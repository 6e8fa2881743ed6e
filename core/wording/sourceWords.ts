import type { SourceRule } from '../analysis/finding';
import type { WordsOf } from './ruleWords';

/** What the rules about sources and the battery's place say. */
export const SOURCE_RULES: WordsOf<SourceRule> = {
  'solar.bare': {
    title: 'Panel without a controller',
    message: (say) => `${say.name()} has neither a controller nor one of its own; in the sun it rises to ${say.volts('volts')}.`,
    why: 'A bare panel goes through a controller, never straight to the battery: it would boil lead-acid and trip or harm lithium. Common practice.',
  },
  'solar.twoControllers': {
    title: 'Two controllers in a row',
    message: (say) => `${say.name()} has a controller of its own and is set to go through ${say.name(1)} as well.`,
    why: 'A second controller sees no panel behind the first and charges badly or not at all. A folding panel with its own goes straight to the fused battery side. Common practice.',
  },
  'solar.coldVoltage': {
    title: 'Panel voltage in the cold',
    message: (say) =>
      `${say.name()} may reach ${say.volts('volts')} at ${say.figures.celsius} °C; ${say.name(1)} takes at most ${say.volts('mostV')}.`,
    why: 'Open-circuit voltage rises as cells get cold, about 0.3 % a kelvin, and a controller dies of it on the first clear frosty morning. Wire the panels side by side, or take a controller for more. Reckoned 20 K under the coldest month’s mean.',
  },
  'solar.lowVoltage': {
    title: 'Panel voltage too low to charge',
    message: (say) => `${say.name()} works best at ${say.volts('volts')}; through ${say.name(1)} it needs at least ${say.volts('leastV')}.`,
    why: 'Hot cells lose voltage, and a controller cannot charge from less than the battery has. Wire panels in series on a tracking controller. Common practice.',
  },
  'solar.controllerClips': {
    title: 'Controller holds the panels back',
    message: (say) =>
      `${say.name()} passes on at most ${say.amps('mostA')}; its ${say.watts('watts')} of panels could give ${say.amps('amps')}.`,
    why: 'A tracking controller limits itself, so nothing burns, but the noon sun beyond its rating is lost.',
  },
  'solar.controllerOver': {
    title: 'Panels too large for their controller',
    message: (say) =>
      `${say.name()} is rated ${say.amps('mostA')}; its panels need ${say.amps('amps')}, 125 % of their short-circuit current.`,
    why: 'A simple controller carries the panels’ whole current itself. Source: NEC 690.8, from memory.',
  },
  'alternator.missing': {
    title: 'Nothing drives this charger',
    message: (say) => `${say.name()} takes its current from the engine’s alternator, and none is described: driving brings nothing here.`,
    why: 'What driving brings, and whether the alternator has it to spare, follows from the alternator. Describe it: its rating is on its plate, what the vehicle takes is read with a clamp.',
  },
  'alternator.noLink': {
    title: 'Alternator charges nothing here',
    message: (say) => `${say.name()} has no split-charge relay and no DC-DC charger to the house battery.`,
    why: 'Driving then brings nothing. Add one of them under Charging, or say that the house battery is the vehicle’s only one.',
  },
  'alternator.idle': {
    title: 'Alternator short at idle',
    message: (say) => `Charging asks ${say.amps('amps')} of ${say.name()}; at idle it has ${say.amps('spareA')} to spare.`,
    why: 'Then the starter battery makes up the rest, and the alternator runs hot. Charge from above idle only, or with less.',
  },
  'relay.chargeOver': {
    title: 'More current than the split-charge relay carries',
    message: (say) => `Up to ${say.amps('amps')} may flow through ${say.name()}, rated ${say.amps('mostA')}.`,
    why: 'A relay limits nothing: an empty lithium battery takes all an alternator gives. Use a DC-DC charger, or a larger relay and cable. Common practice.',
  },
  'battery.chargedTooFast': {
    title: 'Charged faster than it may be',
    message: (say) => `The chargers give ${say.amps('amps')}; ${say.name()} may take ${say.amps('mostA')}.`,
    why: 'Beyond its limit a battery heats, gases or shuts itself off.',
  },
  'charger.inputDrop': {
    title: 'Input cable of the charger too thin',
    message: (say) =>
      `${say.name()} draws ${say.amps('amps')}; ${say.conductor('conductor')} loses ${say.volts('dropV')} of at most ${say.volts('mostV')} on the way.`,
    why: 'A charger that sees too little voltage at its input starts and stops, or gives up. Both ways counted. Common practice for charging cables.',
  },
  'charger.inputCable': {
    title: 'Input cable of the charger overloaded',
    message: (say) =>
      `${say.name()} draws ${say.amps('amps')} for hours; ${say.conductor('conductor')} through the engine space carries ${say.amps('ampacityA')}.`,
    why: 'A load that runs for hours counts 125 %, and heat takes from what a cable carries.',
  },
  'charger.inputBare': {
    title: 'Input of the charger has no fuse',
    message: (say) => `Nothing protects the cable that brings ${say.amps('amps')} to ${say.name()}.`,
    why: 'A starter battery can burn any cable: fuse it at the battery, and at the house end too where both ends can feed.',
  },
  'charger.inputFuse': {
    title: 'Input fuse larger than its cable',
    message: (say) =>
      `${say.name()}: ${say.rating('ratingA')} protects ${say.conductor('conductor')} that carries ${say.amps('ampacityA')}.`,
    why: 'The fuse is there for the cable: its rating is at most what the cable carries.',
  },
  'charger.inputFuseSmall': {
    title: 'Input fuse too small',
    message: (say) =>
      `${say.name()} draws ${say.amps('amps')} for hours; its ${say.rating('ratingA')} should be at least ${say.amps('leastA')}.`,
    why: 'A fuse loaded for hours near its rating ages and opens. Continuous load at most 80 % of the fuse; origin NEC.',
  },
  'battery.hot': {
    title: 'Battery in the heat',
    message: (say) =>
      `${say.name()} stands in ${say.name(1)}, where it may be ${say.figures.celsius} °C; it is made for at most ${say.figures.mostC} °C.`,
    why: 'Sealed batteries dry out in heat, lithium ones shut off and age. Keep them out of the engine bay. Common practice.',
  },
  'battery.unvented': {
    title: 'Flooded battery in a living space',
    message: (say) => `${say.name()} gives off gas in ${say.name(1)}, and is not said to be vented outside.`,
    why: 'A charging flooded battery gives off hydrogen, which explodes, and acid mist. Box it and vent it outside.',
  },
  'battery.holdUnknown': {
    title: 'Not known whether the battery is held down',
    message: (say) => `Nobody has said whether ${say.name()} is held down.`,
    why: 'In a crash or on its side a loose battery breaks its cables and burns. A strap or a frame that holds it whichever way the vehicle lies, its posts covered; then say so.',
  },
  'battery.loose': {
    title: 'Battery not held down',
    message: (say) => `${say.name()} is said not to be held down.`,
    why: 'In a crash or on a track it becomes a missile and shorts itself. Hold every battery down.',
  },
  'battery.coldCharge': {
    title: 'Lithium battery colder than it may be charged',
    message: (say) => `In ${say.name(1)} ${say.name()} may be as cold as ${say.figures.celsius} °C; it takes no charge at 0 °C or below.`,
    why: 'Charging lithium iron phosphate in frost ruins it; a good one refuses. Put it in the living space, or take a heated one. The simulated days count no charge then.',
  },
};
