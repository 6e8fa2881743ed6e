import { WIRE_COLOURS, type WireColour } from '../../catalog/wireColours';
import { COLOUR_SCHOOLS, type ColourSchool, type VehicleControl } from '../../catalog/vocabulary';
import { SIGNAL_LIVE, moved, PARKED, type VehicleSide } from '../../bench/vehicleSide';
import type { VehicleSignal } from '../../devices/signalSource';
import { SCHOOLS, type School } from '../../harness/schools';
import { AT_REST } from '../../network/controlState';
import { indexDesign } from '../../rig/designIndex';
import { BoardBuilder } from '../boardBuilder';
import { displayWords } from '../huntWords';
import { ColdBoard } from '../testSource';
import { ask, pick, shuffled, whole, type Generator, type Random, type Wrong } from './question';

const BLADES = ['86', '85', '30', '87a', '87'] as const;
const BLADE_SAYS: Record<(typeof BLADES)[number], string> = {
  '86': 'one end of its coil',
  '85': 'one end of its coil',
  '30': 'the common contact',
  '87a': 'joined to the common one at rest',
  '87': 'joined to the common one while pulled in',
};

/** A relay whose numbers are worn, and what an ohmmeter says between its blades at rest. */
function wornRelay(random: Random) {
  const coilOhm = whole(random, 78, 105);
  const suppression = pick(random, ['none', 'resistor'] as const);
  const index = indexDesign(
    new BoardBuilder('A relay on the bench').part('relay', 'Relay', 'changeoverRelay', { coilOhm, suppression }).design(),
  );
  const bench = new ColdBoard(index, AT_REST);
  const letters = ['A', 'B', 'C', 'D', 'E'];
  const blades = shuffled(random, BLADES);
  const letterOf = (blade: string) => letters[blades.indexOf(blade as (typeof BLADES)[number])]!;
  const rows: string[][] = [];
  blades.forEach((one, at) =>
    blades.slice(at + 1).forEach((other) => {
      const value = bench.ohms({ deviceId: 'relay', terminal: one }, { deviceId: 'relay', terminal: other });
      if (value !== null) rows.push([`${letterOf(one)} to ${letterOf(other)}`, displayWords({ kind: 'ohms', value })]);
    }),
  );
  const table = { head: ['Leads on', 'Ohms'], rows: [...rows, ['every other pair', 'OL']] };
  const make = letterOf('87');
  const coil = [letterOf('86'), letterOf('85')].sort().join(' and ');
  const explains = `The pair with ${displayWords({ kind: 'ohms', value: Number(coilOhm) })} or a little less is the coil, the pair with next to nothing is 30 and 87a; what is left over, ${make}, is 87.`;
  if (random() < 0.5)
    return ask(
      random,
      'A changeover relay lies on the bench without current, its numbers worn off. Which blade is 87, joined only while it is pulled in?',
      make,
      blades.filter((blade) => blade !== '87').map((blade): Wrong => [letterOf(blade), `That is ${blade}: ${BLADE_SAYS[blade]}.`]),
      explains,
      { table },
    );
  return ask(
    random,
    'A changeover relay lies on the bench without current, its numbers worn off. Which two blades are its coil?',
    coil,
    [
      [[letterOf('30'), letterOf('87a')].sort().join(' and '), 'Next to no ohms is a closed contact: a coil has some ninety.'],
      [[letterOf('30'), letterOf('87')].sort().join(' and '), 'OL is an open contact, not a coil.'],
      [[letterOf('85'), letterOf('87')].sort().join(' and '), 'Nothing joins those two.'],
    ],
    explains,
    { table },
  );
}

/** Which blade of a relay takes what. Source: DIN 72552 as sold; common practice. */
function relayBlades(random: Random) {
  const load = pick(random, ['light bar', 'compressor', 'heater', 'winch lamp', 'horn', 'fan']);
  const feeds = [
    { asks: `the fused feed of the ${load}`, blade: '30', why: 'It takes what is switched, from the battery through the fuse.' },
    { asks: `the wire on to the ${load}, which shall run while the switch is on`, blade: '87', why: 'It is made while the coil is fed.' },
    {
      asks: `the wire on to a lamp that is lit while the ${load} is off`,
      blade: '87a',
      why: 'It is made at rest and left when the relay pulls in.',
    },
    {
      asks: `the way home of the coil, where the switch is on its plus side`,
      blade: '85',
      why: 'By custom 85 goes home and 86 to plus; with a diode across the coil it must.',
    },
    {
      asks: `the wire from the dash switch, where the coil has a diode with its cathode at 86`,
      blade: '86',
      why: 'The diode’s cathode must be at plus, else it is a short.',
    },
  ];
  const one = pick(random, feeds);
  const wrongs = feeds.filter(({ blade }) => blade !== one.blade).map(({ blade, why }): Wrong => [blade, `${blade}: ${why}`]);
  return ask(random, `On a changeover relay, where does ${one.asks} land?`, one.blade, shuffled(random, wrongs), one.why);
}

/** Which half of a plug has covered contacts. Common practice: the live half. */
function shroudedHalf(random: Random) {
  const scene = pick(random, [
    ['a solar panel’s lead to its controller in the van', 'the panel’s half', 'the controller’s half'],
    ['the battery’s lead to a portable fridge', 'the battery’s half', 'the fridge’s half'],
    ['a tow vehicle’s lead to the trailer’s lamps', 'the tow vehicle’s half', 'the trailer’s half'],
    ['a fuse block’s lead to a roof lamp', 'the fuse block’s half', 'the lamp’s half'],
    ['a charger’s lead to a battery box', 'the battery box’s half', 'the charger’s half'],
  ] as const);
  const [what, live, dead] = scene;
  return ask(
    random,
    `A plug is put into ${what}. Which half gets the covered contacts?`,
    live,
    [
      [dead, 'It is dead once they are apart: the other one can touch the body with plus on it.'],
      ['either: whichever is at hand', 'Parted, the live half’s contacts are bare where it gets bare pins.'],
      ['both halves get bare pins', 'They would not mate, and the live one could short.'],
    ],
    `What stays live when they are parted gets the covered contacts: ${live}.`,
  );
}

const SCHOOL_WORDS: Record<ColourSchool, string> = {
  pole: 'red and black by pole',
  smallCraft: 'small craft',
  road: 'road vehicles',
  truck: 'heavy trucks',
};
const DUTY_WORDS = { live: 'plus straight from the battery', keyed: 'plus behind the key', return: 'the way home' } as const;

/** Colours by school. Source: the schools' tables, from memory. */
function colourOfDuty(random: Random) {
  const school = pick(random, COLOUR_SCHOOLS);
  const duty = pick(random, ['keyed', 'return', 'return'] as const);
  const colour = SCHOOLS[school][duty][0]!;
  const others = COLOUR_SCHOOLS.filter((one) => one !== school).map((one): Wrong => {
    const its = SCHOOLS[one][duty][0]!;
    return [WIRE_COLOURS[its].word, `That is ${DUTY_WORDS[duty]} by ${SCHOOL_WORDS[one]}.`];
  });
  const more: Wrong[] = [
    [WIRE_COLOURS[SCHOOLS[school].live[0]!].word, `That is ${DUTY_WORDS.live}.`],
    ['green with yellow', 'That is protective earth of mains, and nothing else.'],
  ];
  return ask(random, `By the colours of ${SCHOOL_WORDS[school]}: which colour has ${DUTY_WORDS[duty]}?`, WIRE_COLOURS[colour].word, shuffled(random, [...others, ...more]), `${SCHOOL_WORDS[school]}: ${DUTY_WORDS[duty]} is ${WIRE_COLOURS[colour].word}. A colour is a claim until a meter has proved it.`); // prettier-ignore
}

/** What a colour says, school by school. */
function dutyOfColour(random: Random) {
  const school = pick(random, COLOUR_SCHOOLS);
  const colour = pick(random, ['BK', 'BN', 'WH', 'YE', 'RD', 'BU'] as const satisfies readonly WireColour[]);
  const means = (of: School): string => {
    if (of.return.includes(colour)) return 'the way home';
    if (of.live.includes(colour)) return 'plus straight from the battery';
    if (of.keyed.includes(colour)) return 'plus behind the key';
    if (of.lamps?.includes(colour)) return 'plus to lamps';
    if (of.motors?.includes(colour)) return 'plus to motors and pumps';
    if (of.switched.includes(colour)) return 'plus behind a switch';
    return of.returns.includes(colour) ? 'the way home, of old' : 'nothing by itself';
  };
  const right = means(SCHOOLS[school]);
  const wrongs = [
    ...COLOUR_SCHOOLS.filter((one) => one !== school).map((one): Wrong => [
      means(SCHOOLS[one]),
      `That is what it says by ${SCHOOL_WORDS[one]}.`,
    ]),
    ['the way home', 'Not in this school.'] as const,
    ['plus straight from the battery', 'Not in this school.'] as const,
    ['plus to lamps', 'Not in this school.'] as const,
  ];
  return ask(random, `You find a ${WIRE_COLOURS[colour].word} wire in a vehicle wired by the school of ${SCHOOL_WORDS[school]}. What should it be?`, right, wrongs, `By ${SCHOOL_WORDS[school]} ${WIRE_COLOURS[colour].word} is ${right}. Halves of two schools meet by function, never by like colours; prove it with a meter.`); // prettier-ignore
}

/** Where the leads go. Common practice. */
function leadsFor(random: Random) {
  const part = pick(random, ['reading lamp', 'water pump', 'fridge', 'light bar', 'heater fan', 'step lamp']);
  const tasks = [
    {
      asks: `How much is lost in the ${part}’s way home`,
      right: `volts, red on the ${part}’s minus, black on the battery’s minus, it running`,
    },
    { asks: `How much the ${part}’s switch loses`, right: `volts across the closed switch, in to out, the ${part} running` },
    {
      asks: `Whether the ${part}’s wire is whole from end to end`,
      right: `ohms from end to end, the wire off at one end, battery isolated`,
    },
    { asks: `What the ${part} draws`, right: `a clamp round its one plus wire, the ${part} running` },
    {
      asks: `Whether the ${part}’s fuse is good without pulling it`,
      right: `volts to minus on both of the fuse’s test points, its circuit on`,
    },
    {
      asks: `What flows while everything is off`,
      right: `a clamp round the battery’s minus lead alone, after everything has gone to sleep`,
    },
    { asks: `How full the rested battery is`, right: `volts across its posts, nothing running for some hours` },
  ];
  const one = pick(random, tasks);
  const mistakes: Wrong[] = [
    [`ohms across the ${part} while it runs`, 'Ohms never go on what is live: the meter’s fuse goes, or the meter.'],
    [`the meter’s ampere socket across the battery’s posts`, 'That is a short through the meter.'],
    [`a clamp round plus and minus together`, 'What goes out comes home: together they read nothing.'],
    [`volts, the ${part} switched off`, 'Without current nothing is lost anywhere, and a bad joint reads as good.'],
  ];
  const others = tasks
    .filter(({ right }) => right !== one.right)
    .map(({ asks, right }): Wrong => [right, `That says: ${asks[0]!.toLowerCase()}${asks.slice(1)}.`]);
  return ask(
    random,
    `${one.asks}: how is it measured?`,
    one.right,
    [shuffled(random, mistakes)[0]!, ...shuffled(random, others).slice(0, 2)],
    `${one.right[0]!.toUpperCase()}${one.right.slice(1)}.`,
  );
}

/** Which range a reading comes from. */
function whatItSays(random: Random) {
  const ohm = whole(random, 1, 9) / 10;
  const amps = whole(random, 3, 18);
  const lost = ohm * amps;
  const said = (value: number) => `${value.toFixed(1)} V`;
  return ask(
    random,
    `${amps} A run through a joint that has gone to ${ohm.toFixed(1)} Ω. What does a meter read across it, and what with the circuit off?`,
    `${said(lost)}; off, nothing`,
    [
      [`${said(lost)}; off, the same`, 'Without current no volts are lost: it reads as good.'],
      [`nothing; off, ${said(lost)}`, 'It is the current that shows it.'],
      [`${said(ohm)}; off, nothing`, 'Volts are amperes times ohms.'],
    ],
    `U = I × R: ${amps} A × ${ohm.toFixed(1)} Ω = ${lost.toFixed(1)} V while it runs. That is ${(lost * amps).toFixed(0)} W of heat in one joint.`,
  );
}

const STATES: readonly { says: string; moves: Partial<VehicleSide> }[] = [
  { says: 'parked', moves: {} },
  { says: 'key on', moves: { key: 'on' } },
  { says: 'low beam', moves: { key: 'on', lamps: 'low' } },
  { says: 'high beam', moves: { key: 'on', lamps: 'high' } },
  { says: 'reverse', moves: { key: 'on', reverse: 'in' } },
];
const WANTED: readonly { says: string; signal: VehicleSignal }[] = [
  { says: 'driving lamps that follow the high beam', signal: 'highBeam' },
  { says: 'a camera that runs in reverse', signal: 'reverse' },
  { says: 'a relay that shall pull in with the key', signal: 'ignition' },
  { says: 'number-plate lamps beside the running lamps', signal: 'running' },
  { says: 'a memory that must never lose plus', signal: 'constant' },
];

/** Unknown wires read in several states of the vehicle: which is the trigger. */
function whichTrigger(random: Random) {
  const wanted = pick(random, WANTED);
  const signals = shuffled(random, [wanted.signal, ...shuffled(random, WANTED.map(({ signal }) => signal).filter((one) => one !== wanted.signal)).slice(0, 3)]); // prettier-ignore
  const sideOf = (moves: Partial<VehicleSide>) =>
    Object.entries(moves).reduce((side, [control, position]) => moved(side, control as VehicleControl, position), PARKED);
  const rest = 12 + whole(random, 2, 8) / 10;
  const reads = (signal: VehicleSignal, moves: Partial<VehicleSide>) => (SIGNAL_LIVE[signal](sideOf(moves)) ? rest.toFixed(1) : '0.0');
  const letters = ['A', 'B', 'C', 'D'];
  const rows = signals.map((signal, at) => [letters[at]!, ...STATES.map(({ moves }) => reads(signal, moves))]);
  const right = letters[signals.indexOf(wanted.signal)]!;
  const wrongs = signals.map((signal, at): Wrong => {
    const differs = STATES.find(({ moves }) => reads(signal, moves) !== reads(wanted.signal, moves));
    return [letters[at]!, differs ? `With ${differs.says} it reads ${reads(signal, differs.moves)} V, which is not what is wanted.` : ''];
  }).filter(([says]) => says !== right); // prettier-ignore
  return ask(random, `Four wires behind the dash, read in volts to body in five states. Which works ${wanted.says}?`, right, wrongs, `${right} is live exactly when it is wanted. A trigger works a coil and no more: the load has its own fused feed.`, { table: { head: ['Wire', ...STATES.map(({ says }) => says)], rows } }); // prettier-ignore
}

export const pins: readonly Generator[] = [wornRelay, relayBlades, shroudedHalf];
export const colours: readonly Generator[] = [colourOfDuty, dutyOfColour];
export const meterUse: readonly Generator[] = [leadsFor, whatItSays];
export const triggers: readonly Generator[] = [whichTrigger];
