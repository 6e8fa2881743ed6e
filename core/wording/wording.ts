import { familyWords } from '../catalog/fuses';
import type { ConductorSize } from '../catalog/conductorSizes';
import type { UnitSystem } from '../catalog/vocabulary';
import { recordOf, type Design } from '../design/design';
import type { Device, TerminalRef } from '../design/schema';
import { nameOf } from '../design/names';
import {
  formatAmpHours,
  formatAmps,
  formatConductor,
  formatHours,
  formatLength,
  formatPercent,
  formatRating,
  formatSmallLength,
  formatVolts,
  formatWatts,
} from '../units/quantity';
import { COORDINATION_RULES } from './coordinationWords';
import { FEED_RULES } from './feedWords';
import { NETWORK_WORDS } from './networkWords';
import { REACH_RULES } from './reachWords';
import { RIG_RULES } from './rigWords';
import type { RuleWords, Teller, WordsOf } from './ruleWords';
import { terminalName } from './terminalNames';
import { SOURCE_RULES } from './sourceWords';
import { VEHICLE_RULES } from './vehicleWords';
import { SWITCHING_RULES } from './switchingRuleWords';
import { WIRING_RULES } from './wiringRuleWords';
import { HARNESS_RULES } from './harnessRuleWords';
import { WISH_RULES } from './wishRuleWords';
import { outcomeWords, wishWords } from './wishWords';
import { BUILD_RULES } from './buildWords';
import { WORK_RULES } from './workWords';
import type { Moved } from '../analysis/figures';
import type { Finding, Rule } from '../analysis/finding';

/** A finding in words: what is wrong, in figures, and why the rule exists with its source. */
export interface FindingText {
  title: string;
  message: string;
  why: string;
}

export const RULE_WORDS: WordsOf<Rule> = {
  ...RIG_RULES,
  ...SOURCE_RULES,
  ...FEED_RULES,
  ...COORDINATION_RULES,
  ...REACH_RULES,
  ...VEHICLE_RULES,
  ...WORK_RULES,
  ...BUILD_RULES,
  ...WIRING_RULES,
  ...WISH_RULES,
  ...HARNESS_RULES,
  ...SWITCHING_RULES,
  'wire.overloaded': {
    title: 'Wire carries too much',
    message: (say) =>
      `${say.name()}: up to ${say.amps('amps')} flows in ${say.conductor('conductor')}, which carries ${say.amps('ampacityA')} here.`,
    why: 'Past its ampacity a conductor runs hotter than its insulation is made for. Ampacity by the chosen standard’s table.',
  },
  'wire.tooSmallForStandard': {
    title: 'Conductor not allowed here',
    message: (say) =>
      `${say.name()}: the chosen standard gives ${say.conductor('conductor')} with this insulation no ampacity in this place.`,
    why: 'The conductor is smaller than the smallest in the table, or its insulation may not be used in an engine space: ISO asks for 70 °C there, NEC 551 for 125 °C.',
  },
  'wire.belowMinimum': {
    title: 'Conductor thinner than the minimum',
    message: (say) => `${say.name()}: ${say.conductor('conductor')} is under the smallest size for strength, whatever the current.`,
    why: 'A thin strand breaks from vibration and pulls out of terminals. ABYC E-11 and ISO 10133: 16 AWG or 1 mm² alone, 18 AWG or 0.75 mm² in a sheath.',
  },
  'fuse.aboveConductor': {
    title: 'Fuse larger than the wire can carry',
    message: (say) =>
      `${say.name()}: a ${say.rating('ratingA')} fuse guards ${say.conductor('conductor')}, which carries ${say.amps('ampacityA')} here.`,
    why: 'The fuse protects the wire. If it passes more than the wire carries, a fault heats the wire instead of opening the fuse: this is how vehicles burn.',
  },
  'fuse.belowLoad': {
    title: 'Fuse smaller than its load',
    message: (say) => `${say.name(1)}: ${say.amps('peakA')} can run at once through a ${say.rating('ratingA')} fuse.`,
    why: 'The fuse will open in ordinary use.',
  },
  'fuse.continuousLoad': {
    title: 'Fuse too close to a continuous load',
    message: (say) =>
      `${say.name(1)}: ${say.amps('continuousA')} for hours needs a fuse of at least ${say.amps('leastA')}; this one is ${say.rating('ratingA')}.`,
    why: 'A fuse run for hours above 80 % of its rating ages, heats its clips and opens for no fault. The 80 % rule comes from the NEC.',
  },
  'fuse.feederBelow': {
    title: 'Feeder’s fuse smaller than what it feeds',
    message: (say) =>
      `${say.name()}: ${say.amps('peakA')} can flow at once and ${say.amps('continuousA')} for hours, which needs ${say.amps('leastA')}; it is ${say.rating('ratingA')}.`,
    why: 'It opens in ordinary use and takes everything behind it down, where the fuses of the circuits see nothing wrong.',
  },
  'fuse.aboveDevice': {
    title: 'Fuse larger than the device allows',
    message: (say) => `${say.name()} is ${say.rating('ratingA')}; ${say.name(1)} is to be fused at ${say.rating('mostA')} at most.`,
    why: 'The fuse protects the wire, and what hangs on it only as far as its maker says. Inside it the conductors are thinner: a fault there burns before a larger fuse opens. Fit a smaller one, or give it one of its own just before it.',
  },
  'fuse.notStandard': {
    title: 'No such rating',
    message: (say) => `${say.name()}: ${say.rating('ratingA')} is not a rating a ${familyWords(say.figures.family)} comes in.`,
    why: 'Ratings by ISO 8820-3 for blade fuses, by trade ranges for the others.',
  },
  'fuse.notFed': {
    title: 'Nothing feeds this circuit',
    message: (say) =>
      `${say.name(1)} has no way back to the battery: ${say.figures.tap ? 'its tap is turned round in a slot without a fuse' : say.figures.mounted ? 'its fuse block is not wired to the battery' : 'its fuse is in no slot'}.`,
    why: 'The circuit would be dead. Until it has a slot its drop counts from the fuse only.',
  },
  'slot.overRating': {
    title: 'Fuse larger than the slot allows',
    message: (say) =>
      `${say.name()}: ${say.rating('ratingA')} in slot ${say.figures.slot} of ${say.name(1)}, which takes ${say.rating('mostA')} at most.`,
    why: 'A slot’s clips and bus are made for a greatest current; past it they soften and lose their grip.',
  },
  'slot.doubledUp': {
    title: 'Two fuses on one slot pass more than it takes',
    message: (say) =>
      `${say.name()} taps slot ${say.figures.slot} of ${say.name(1)}: ${say.amps('amps')} at once and fuses for ${say.rating('ratingA')} together, through clips made for ${say.rating('mostA')}.`,
    why: 'Both currents pass the same live clip. It is made for one fuse’s current: past it the clip softens, loses its grip and chars.',
  },
  'fuse.tapReversed': {
    title: 'Fuse tap turned round',
    message: (say) =>
      `${say.name()} is fed through ${say.name(1)}: ${say.amps('amps')} of both circuits can pass that ${say.rating('ratingA')} fuse, and one fault takes both out.`,
    why: 'A tap’s common leg belongs in the live clip, the one that has volts with the fuse out; then each circuit has its own fuse straight from the source. Find that clip with a meter. Common practice.',
  },
  'fuse.tapUnproved': {
    title: 'Live clip of a tapped slot not metered',
    message: (say) => `${say.name()}: nobody has said that the slot’s live clip was found with a meter.`,
    why: 'A tap with its common leg in the wrong clip puts both circuits behind one fuse. With the fuse out, the clip that has volts is the live one: measure it, then say so. Common practice.',
  },
  'block.overRating': {
    title: 'Fuse block overloaded',
    message: (say) => `${say.name()}: up to ${say.amps('peakA')} at once through a block made for ${say.rating('mostA')}.`,
    why: 'Every slot may be within its limit and the block’s input still be past its own.',
  },
  'main.missing': {
    title: 'No main protection',
    message: (say) => `Nothing protects the cable from ${say.name()}: the first fuse it meets is a circuit’s own.`,
    why: 'A battery gives thousands of amperes into a short. The main cable needs a fuse or breaker at the battery, before anything else.',
  },
  'main.belowDemand': {
    title: 'Main protection too small',
    message: (say) =>
      `${say.name()}: rated ${say.rating('ratingA')}, and ${say.amps('peakA')} is needed with everything that can run at once, or with 125 % of what runs for hours.`,
    why: 'It would open in ordinary use and take the whole system down, often at night.',
  },
  'main.farFromBattery': {
    title: 'First protection far from the battery',
    message: (say) =>
      `${say.name()} sits ${say.length('leadMm')} of cable from the battery; ${say.length('mostMm')} is the most for this kind of cable.`,
    why: 'The stretch ahead of the fuse is protected by nothing. ABYC E-11: 7 in bare, 72 in from the battery terminal in a sheath or conduit; ISO 10133: 200 mm; NEC 551: 18 in.',
  },
  'main.noIsolator': {
    title: 'No way to isolate the battery',
    message: (say) => `Nothing takes ${say.name()} off everything behind it: no isolator stands in its main path.`,
    why: 'Before any work, and when something smells, one switch within reach should make all of it dead; a bolted fuse is not one. If there is one that is not drawn, draw it. Local codes often ask for it.',
  },
  'main.bare': {
    title: 'Fed with no fuse at all',
    message: (say) => `${say.name()} (${say.amps('amps')}) hangs on the battery’s positive with no fuse or breaker on the way.`,
    why: 'A battery gives thousands of amperes into a chafed wire, and nothing would end it. Every positive has protection at its source: ABYC E-11, ISO 10133.',
  },
  'return.thinnerThanFuse': {
    title: 'Return thinner than the fuse allows',
    message: (say) =>
      `${say.name()}: the return is ${say.conductor('conductor')}, good for ${say.amps('ampacityA')}, behind a ${say.rating('ratingA')} fuse.`,
    why: 'The return carries the same current as the feed, so it is as thick as the feed.',
  },
  'return.sharedThin': {
    title: 'Shared return thinner than its fuses let through',
    message: (say) =>
      `${say.name()}: ${say.conductor('conductor')} carries ${say.amps('ampacityA')} here; ${say.figures.loads} loads share it, and ${say.amps('passesA')} can flow home by it without a fuse opening.`,
    why: 'A return has no fuse of its own. Every circuit that shares it may send home as much as its fuse passes, together no more than a fuse ahead of them all: a slow overload in one, with the others running, heats the return and opens nothing. It is as thick as the feed of them all would have to be.',
  },
  'lead.belowFuses': {
    title: 'Lead thinner than its fuses let through',
    message: (say) =>
      `${say.name()}: ${say.conductor('conductor')} carries ${say.amps('ampacityA')} here; no fuse is ahead of it, and ${say.amps('passesA')} can flow through it to what it feeds without one opening.`,
    why: 'The fuse at the end of a lead holds an overload in it too: what flows through the fuse flows through the lead. A thinner lead heats while nothing opens. It is as thick as the cable behind the fuse: ABYC E-11, ISO 10133.',
  },
  'ground.jointDrop': {
    title: 'Chassis joint loses too much',
    message: (say) => `${say.name()}: ${say.volts('jointV')} is lost in the chassis joint; under ${say.volts('mostV')} is good.`,
    why: 'A poor ground point dims its lamp and moves with everything else on the same bolt. Clean, bare, tight, sealed; or a return cable. Common practice.',
  },
  'drop.overTarget': {
    title: 'Voltage drop over its target',
    message: (say) =>
      `${say.name()}: ${say.volts('dropV')} (${say.percent('dropPercent')}) is lost by ${say.name(1)}, target ${say.percent('targetPercent')}; ${say.volts('sharedDropV')} of it on shared cable.`,
    why: 'Lamps dim, pumps and fridges strain or cut out early. Common targets: 3 % for lighting and what matters, 5 to 10 % for the rest; ABYC E-11 has 3 and 10 %.',
  },
  'drop.realCable': {
    title: 'Real cable drops more than the formula says',
    message: (say) =>
      `${say.name()}: the standard’s formula gives ${say.volts('formulaDropV')}, real cable ${say.volts('cableDropV')} (${say.percent('cablePercent')}), target ${say.percent('targetPercent')}.`,
    why: 'ISO’s 0.0164 is copper at 8 °C on the full area; class 5 cable by IEC 60228 drops 16 to 22 % more at 20 °C.',
  },
  'drop.asWired': {
    title: 'Voltage drop over its target as wired',
    message: (say) =>
      `${say.name()}: solved as wired, each of two ways by itself, ${say.volts('dropV')} (${say.percent('solvedPercent')}) is lost by ${say.name(1)}, target ${say.percent('targetPercent')}; the cables alone, by formula, lose ${say.percent('dropPercent')}. The larger counts.`,
    why: 'A formula knows the cables alone. As wired, fuses, contacts and joints lose their share too, and converters and drivers draw more current as their voltage falls. A size thicker, or a shorter way, brings both under the target.',
  },
  'drop.starved': {
    title: 'Too few volts when it matters',
    message: (say) =>
      `${say.name()} needs ${say.volts('leastV')}; ${say.figures.when === 'idle' ? 'with the engine idling' : 'with the battery down to its usable depth'} it gets ${say.volts('volts')}, ${say.volts('dropV')} of the rest lost on the way.`,
    why: 'What is left in the battery is then no use to it. Thicker wire, or count on less of the battery. Reckoned at rest volts, or for what runs on the road alone at idle, less what everything at once drops.',
  },
  'drop.feedShare': {
    title: 'Main cables take more than their share',
    message: (say) =>
      `With everything on, ${say.volts('dropV')} (${say.percent('dropPercent')}) is lost before ${say.name()}, out and back; ${say.percent('sharePercent')} is their share.`,
    why: 'What the main cables lose, every circuit loses, and it moves with whatever else is switched. ABYC E-11 allows a panel’s feeder 3 %; common practice leaves it half of what lighting may lose, so that a circuit’s own wire can be of ordinary size.',
  },
  'drop.lightsLoose': {
    title: 'Lights judged loosely',
    message: (say) =>
      `${say.name()} feeds lights and is allowed ${say.percent('targetPercent')}; for lighting ${say.percent('lightsPercent')} is usual.`,
    why: 'The eye sees what a lamp loses: at 10 % less voltage a filament gives a third less light, and LEDs side by side differ. Common practice, and ABYC E-11’s 3 % for what matters.',
  },
  'idle.notHeld': {
    title: 'Not held up at idle',
    message: (say) =>
      `With the engine idling and as much on as in ${say.figures.scenario ?? 'the worst case'}, ${say.amps('wantedA')} is asked and ${say.amps('passedA')} comes from the alternator: at worst ${say.volts('volts')} at ${say.name()}. ${say.volts('leastV')} is good.`,
    why: 'Then the battery gives the rest while one thinks it is charging, and what needs charging volts runs poorly. Measure it once, engine idling, everything lit. Common practice.',
  },
  'switch.overRating': {
    title: 'Switch carries too much',
    message: (say) => `${say.name()} is rated ${say.rating('ratingA')} and switches ${say.amps('amps')}.`,
    why: 'Direct current draws an arc as contacts open; past the rating they burn or weld shut. Use a heavier switch, or a relay.',
  },
  'switch.wantsRelay': {
    title: 'Lamps that would go through a relay',
    message: (say) =>
      `${say.name()} carries ${say.amps('amps')} of lamps itself; from about ${say.rating('mostA')} a relay near them is usual.`,
    why: 'Then a thin wire goes to the switch and the lamps’ own current takes the short way, so they burn brighter and the switch lasts. Switching small LED loads directly is just as good: within its rating this is a choice. Common practice.',
  },
  'supply.noBattery': {
    title: 'No battery yet',
    message: () => 'There is no house battery, so runtime and the drop on the main cable are unknown.',
    why: 'Every figure past the fuse block starts from the battery.',
  },
  'load.noDraw': {
    title: 'Draw not known',
    message: (say) => `Nobody has said what ${say.name()} draws: it counts as nothing in wire, fuse and battery.`,
    why: 'A load that counts as nothing gets a wire and a fuse that are too small. Its watts or amperes are on its plate or its box; a clamp meter says it best.',
  },
  'load.noCircuit': {
    title: 'Load without a circuit',
    message: (say) => `${say.name()} (${say.amps('amps')}) hangs on no circuit yet.`,
    why: 'It counts in the energy, but has no wire and no fuse.',
  },
  'load.measuredDiffers': {
    title: 'Measured differs from the box',
    message: (say) => `${say.name()}: measured ${say.watts('watts')}, rated ${say.watts('ratedWatts')}. The measured value is used.`,
    why: 'Boxes are wrong both ways. Measure again if the difference surprises you; a failed piece also shows this way.',
  },
  'circuit.empty': {
    title: 'Circuit without a load',
    message: (say) => `${say.name()} feeds nothing yet.`,
    why: 'It holds a slot. Give it a load, or take it out.',
  },
  'strip.longRun': {
    title: 'Light strip too long for one end',
    message: (say) => `${say.name()}: ${say.length('lengthMm')} joined end to end; past ${say.length('mostMm')} the far end dims.`,
    why: 'A strip’s own copper is thin. Feed the pieces side by side, or from both ends. Common practice.',
  },
  'energy.shortRuntime': {
    title: 'Battery does not last as long as wanted',
    message: (say) =>
      `${say.name(1)} uses ${say.ampHours('dailyAh')} a day and lasts ${say.hours('runtimeH')} without charging; you want ${say.hours('wantedH')}.`,
    why: 'Counted to the battery’s usable depth, with no sun and no driving. Use less, carry more, or charge.',
  },
  'energy.runsOut': {
    title: 'Runs out too often',
    message: (say) =>
      `${say.name()}: in ${say.figures.draws === 1 ? 'the weather given' : `${Math.round((say.figures.chancePercent / 100) * say.figures.draws)} of ${say.figures.draws} weathers drawn`} something is cut within its ${say.figures.days} days, from full${
        say.figures.firstCutH === null ? '' : `, as a rule after ${say.hours('firstCutH')}`
      }; you accept ${say.percent('acceptedPercent')}.`,
    why: 'Lived through in steps of five minutes with sun, driving and hookup as the scenario has them. Energy shows what is cut and when, and what battery, panel or driving would be enough.',
  },
  'energy.noUse': {
    title: 'Hours of use are missing',
    message: (say) =>
      say.figures.unsaid === null
        ? 'No load has hours in this scenario, so daily energy and runtime are unknown.'
        : `${say.figures.unsaid} of ${say.figures.of} loads, ${say.name()} first, have no hours in any scenario and count as never on: a day takes no less, the battery lasts no longer than shown.`,
    why: 'Give the loads their hours a day in the Loads table.',
  },
  'network.noAnswer': {
    title: 'The network has no answer',
    message: (say) => `Solved as wired, there is no answer: ${NETWORK_WORDS[say.figures.problem]}. Look at ${say.name()} first.`,
    why: 'Voltages and currents of the whole design come from its network. Something in it contradicts itself.',
  },
  'network.oscillates': {
    title: 'Never comes to rest',
    message: (say) => `With everything on, ${say.name()} pulls in and lets go again and again.`,
    why: 'A relay whose own contact feeds its coil buzzes until the contact burns. Hold it from a contact that stays made, or break the ring.',
  },
  'network.reversed': {
    title: 'Current runs backwards',
    message: (say) => `${say.name()}: ${say.amps('amps')} flows against the way it was meant. It comes by ${say.path('path')}.`,
    why: 'A path nobody intended feeds it from the far end. Its fuse then guards nothing, and switching off does not make it dead.',
  },
  'network.sourcesJoined': {
    title: 'Two sources feed each other',
    message: (say) => `${say.amps('amps')} flows into ${say.name()} from another source, by ${say.path('path')}.`,
    why: 'Unequal batteries joined without a relay or a charger between them drive large currents into each other.',
  },
  'network.signalOverdrawn': {
    title: 'Vehicle wire asked for too much',
    message: (say) => `${say.name()}, ${say.figures.terminal}: ${say.amps('amps')} is drawn, it may give ${say.amps('maxA')}.`,
    why: 'A vehicle’s own wires are triggers: they carry a coil’s current, never a lamp’s. Put a relay between.',
  },
  'network.otherReturn': {
    title: 'Runs without its own return',
    message: (say) => `${say.name()} has no return of its own, yet ${say.amps('amps')} flows in it, by ${say.path('path')}.`,
    why: 'Its current goes home through something that was never sized for it. Give it its return.',
  },
  'network.besideFuse': {
    title: 'Alive with its fuse out',
    message: (say) => `With ${say.name(1)} taken out, ${say.name()} still draws ${say.amps('amps')}, by ${say.path('path')}.`,
    why: 'Whoever pulls the fuse believes the circuit is dead. A second feed also lets a fault burn past the fuse.',
  },
  'network.besideSwitch': {
    title: 'Runs with its switch off',
    message: (say) => `With ${say.name(1)} off, ${say.name()} still draws ${say.amps('amps')}, by ${say.path('path')}.`,
    why: 'The switch does not break the only way to the load.',
  },
  'network.leak': {
    title: 'Voltage without use',
    message: (say) => `With ${say.name(1)} taken out, a meter still reads ${say.volts('volts')} at ${say.name()}, by ${say.path('path')}.`,
    why: 'Blown-fuse and pilot lamps let a little through. It works nothing, but it glows in small lamps and misleads a meter: test with a lamp.',
  },
};

export function wordFinding(finding: Finding, design: Design, units: UnitSystem): FindingText {
  // Its own words: which they are is known only here.
  const words = RULE_WORDS[finding.rule] as unknown as RuleWords<AnyFigures>;
  return { title: words.title, message: words.message(tellerOf(finding, design, units)), why: words.why };
}

/** A position of a control as one says it: “at up”, “channel 2 on”, “open”. */
function positionWords(device: Device | null, { control, value }: Moved): string {
  if (control === 'position') return `at ${value}`;
  if (control === 'motion') return 'seeing motion';
  if (control === 'pressed') return value === true ? 'pressed' : 'let go';
  if (control === 'door') return String(value);
  if (control === 'live') return value === true ? 'live' : 'dead';
  return `${device ? terminalName(device, control) : control} ${value === true ? 'on' : 'off'}`;
}

type AnyFigures = Readonly<Record<string, number | ConductorSize | (readonly TerminalRef[] & readonly Moved[]) | null>>;

function tellerOf({ subjects, numbers, judged }: Finding, design: Design, units: UnitSystem): Teller<AnyFigures> {
  const figures = numbers as AnyFigures;
  const number = (key: string) => figures[key] as number | null;
  return {
    name: (place = 0) => nameOf(design, subjects[place]),
    figures,
    amps: (key) => formatAmps(number(key)),
    rating: (key) => formatRating(number(key)),
    volts: (key) => formatVolts(number(key)),
    percent: (key) => formatPercent(number(key)),
    length: (key) => formatLength(number(key), units),
    hours: (key) => formatHours(number(key)),
    watts: (key) => formatWatts(number(key)),
    ampHours: (key) => formatAmpHours(number(key)),
    conductor: (key) => formatConductor(figures[key] as ConductorSize | null),
    mm: (key) => formatSmallLength(number(key), units),
    path: (key) =>
      (figures[key] as readonly TerminalRef[]).map(({ deviceId, terminal }) => `${nameOf(design, deviceId)} ${terminal}`).join(' → '),
    positions: (key) =>
      (figures[key] as readonly Moved[])
        .map((moved) => `${nameOf(design, moved.deviceId)} ${positionWords(recordOf(design, moved.deviceId, 'device'), moved)}`)
        .join(', ') || 'everything at rest',
    wish: () => ({ says: judged ? wishWords(design, judged.wish.says) : '', outcome: judged ? outcomeWords(design, judged) : '' }),
  };
}
