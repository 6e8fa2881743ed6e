import type { Rule, RuleFamily } from '../analysis/finding';
import type { HandbookPage } from './page';
import { HARNESS_PAGES } from './harnessPages';
import { FAULTS_PAGE } from './faultsPage';
import { TEST_PAGES } from './testPages';
import { SWITCHING_PAGES } from './switchingPages';

const MEMORY = 'Figures from memory of the sources named: check your own copy before you build.';

export const HANDBOOK: readonly HandbookPage[] = [
  {
    id: 'conductors',
    title: 'What a conductor carries',
    about: 'How many amperes a wire may carry where it lies, and why four schools say four things.',
    paragraphs: [
      'A conductor warms with the square of its current until it gives off as much heat as it makes. Its ampacity is the current that brings the insulation to the temperature it is made for. A table gives it for one conductor in free air at 30 °C; everything that keeps heat in takes off from it.',
      'Warmer air leaves less to warm up: the factor is √((insulation − air) / (insulation − 30)). In an engine space the standards give a factor of their own; the smaller of the two is taken. Loaded conductors laid together warm each other: a factor by their number comes on top. A conductor that carries next to nothing does not count.',
      'American small craft tables go by gauge and by seven insulation temperatures; metric small craft tables by cross-section and six; road-vehicle tables are for PVC at 70 °C; the American code for recreational vehicles is the strictest, 15 A on 14 AWG where small craft allow 35, whatever the insulation. A size a table lacks takes the row of the next smaller one.',
      'Trade names mislead. “3 mm automotive cable” is often measured over the insulation and holds about 1.1 mm²; “6 mm” so measured about 4.6 mm². “6 gauge” may be AWG, 13.3 mm², or a smaller trade size. “14-2” is two cores of 14 AWG. The wrong reading changes the drop two- to threefold.',
    ],
    table: {
      head: ['Loaded together', 'American small craft', 'Metric small craft', 'American RV'],
      rows: [
        ['1 to 2', '1', '1', '1'],
        ['3', '0.70', '1', '1'],
        ['4 to 6', '0.60', '0.70', '0.80'],
        ['7 to 9', '0.50', '0.60', '0.70'],
        ['10 to 20', '0.50', '0.60', '0.50'],
        ['21 to 24', '0.50', '0.60', '0.45'],
        ['25 to 30', '0.40', '0.50', '0.45'],
        ['31 to 40', '0.40', '0.50', '0.40'],
        ['41 and more', '0.40', '0.50', '0.35'],
      ],
    },
    sources: [
      'ABYC E-11',
      'ISO 10133, now ISO 13297',
      'Automotive engineering handbooks for PVC 70 °C',
      'NEC 551, 310.16 and 310.15(C)(1)',
      'ASTM B258',
    ],
    caution: `An overloaded wire in a bundle is hidden until it smells. ${MEMORY}`,
  },
  {
    id: 'drop',
    title: 'Voltage drop',
    about: 'Where the volts go between battery and lamp, and how many may.',
    paragraphs: [
      'Drop is current times resistance, over the feed and over the return: the same amperes flow in both, so both want the same copper. Count the whole way, the part of the main cable too, at the current everything on it draws at once.',
      'Formulas flatter. The metric one, 0.0164 × A × m / mm², is copper at 8 °C on its full area; cable to IEC 60228 drops 16 to 22 % more at 20 °C and some 40 % more when hot. The American one, 10.75 × A × ft / circular mils, holds for its own cable. Here the larger of formula and real cable is taken unless you choose the formula.',
      'Usual targets are 3 % for lighting and whatever matters, 5 % in general, 10 % where it does not matter. Any joint or ground loses less than a tenth of a volt, a fuse and a switch together less than two. Lamps side by side show a difference of about 0.3 V.',
      'The main cables are shared: what they lose every circuit loses, and it moves with whatever else is switched. Leave them half of what lighting may lose; a panel’s feeder by the American standard has 3 %.',
      'With the engine idling and everything lit the house side should still stand at 13.5 V or more. If the alternator has less to spare than is asked, the battery gives the rest, and stands at its own voltage.',
      'A load that cuts out at a voltage of its own needs that much when the battery is low and everything else runs, not when it is full and all is quiet.',
    ],
    sources: ['ABYC E-11', 'ISO 10133, now ISO 13297', 'IEC 60228', 'Common practice'],
    caution: `A joint that drops too much is warm: find it before it chars. ${MEMORY}`,
  },
  {
    id: 'fuses',
    title: 'Choosing a fuse',
    about: 'The fuse protects the wire. The load only sets how small it may be.',
    paragraphs: [
      'A fuse is at most what the conductor carries where it lies, and at least what the load asks: all at once, and 125 % of what runs for hours, since a fuse run for hours above 80 % ages and heats its clips. When no rating fits between, the wire is too thin.',
      'It sits at the source: within 7 in (ISO: 200 mm) of the battery or of the larger conductor it taps, or 40 in in a sheath, 72 in in a sheath straight from the battery terminal. A short lead to a fuse of its own may be thinner than the fuse ahead guards; a long one may not.',
      'A cable that two sources can feed is protected at both ends: a fault in the middle is fed from both.',
      'A fuse tap puts a second fuse in a slot. Its common leg goes into the live clip, the one that has volts with the fuse out: then each circuit has a fuse of its own. Turned round, the second hangs behind the first. Either way both currents pass the same clips, so their sum is held against the slot.',
      'A load’s start is not a fault. Filaments take 8 to 12 times their current for up to 50 ms, motors 4 to 8 times for up to 300 ms. If the fuse is likely to open in that time, take a larger one, if the wire allows it.',
    ],
    table: {
      head: ['Blade', 'Colour', 'Blade', 'Colour'],
      rows: [
        ['1 A', 'black', '10 A', 'red'],
        ['2 A', 'grey', '15 A', 'blue'],
        ['3 A', 'violet', '20 A', 'yellow'],
        ['4 A', 'pink', '25 A', 'clear'],
        ['5 A', 'tan', '30 A', 'green'],
        ['7.5 A', 'brown', '40 A', 'orange'],
      ],
    },
    sources: ['ISO 8820-3', 'ABYC E-11', 'ISO 10133', 'NEC for the 80 % rule'],
    caution: `Never fit a larger fuse because the right one opens: find out why. ${MEMORY}`,
  },
  {
    id: 'chain',
    title: 'Fuses in a chain',
    about: 'What a short does to a chain of fuses: who must break it, how fast, and who goes first.',
    paragraphs: [
      'A battery gives thousands of amperes into a short right at its terminals. A fuse has a breaking capacity (American: interrupting rating): asked to break more, it may burst or go on arcing. The main protection must break all the bank gives. Small fuses behind it seldom can and lean on it: expect both to be gone.',
      'At the far end of a thin run it is the other way round: the wire itself holds the current down. Six times the rating ends a short in about a tenth of a second, three and a half in half a second, two is the floor. Below that the wire glows and the fuse waits. Large fuses are slower: theirs must be sure to end within five seconds.',
      'While a short lasts all heat stays in the copper: t = k² S² / I², with k 115 for PVC and 143 for cross-linked insulation. The fuse must have opened before.',
      'Of two fuses in a row the one nearer the fault should open alone. Practice keeps 2 : 1 between blades and 1.6 : 1 between larger fuses; by their published gates 3 : 1 is certain. Closer than that, a short in the locker may take the whole van dark. When the one ahead is the smaller, the one behind guards nothing.',
    ],
    table: {
      head: ['Family', 'Volts', 'Breaks'],
      rows: [
        ['Blade, large blade, glass', '32 V', '1 kA'],
        ['Bolt-down', '32 to 58 V', '1 to 2 kA'],
        ['Mega', '32 V', '2 kA'],
        ['Terminal-mount', '58 V', '10 kA'],
        ['Class T', '125 V', '20 kA'],
        ['Resettable breaker, cheap', '32 V', '1 kA or less'],
      ],
    },
    sources: ['ISO 8820-3 for the gates of blades', 'IEC 60364-4-43', 'ABYC E-11', 'Makers’ data in general', 'Common practice'],
    caution: `Work with the battery isolated; the fuse goes in last. ${MEMORY}`,
  },
  {
    id: 'contacts',
    title: 'Switches, relays and signals',
    about: 'What a contact may carry, and what may drive a coil.',
    paragraphs: [
      'Direct current draws an arc as contacts open and does not pass through nothing as alternating current does. A switch with only an alternating rating is counted half. A relay makes about one and a half times what it breaks, a small switch about five times its rating for a moment.',
      'Radio receivers switch about 3 A a channel and vehicle wires spare a coil’s current: both drive relays, never lamps. Find a vehicle wire with a meter in every state, off, accessory, running, cranking, each lamp, before you trust it.',
      'A coil let go throws back a hundred volts and more. Where electronics drive it, take a relay with a resistor or a diode across it; with a diode 86 is the positive side, with a break contact 30 and 87 may not be swapped.',
      'A dimmer on the return side has a dimmed return: bonded to ground it gives full brightness.',
    ],
    sources: ['ISO 7588 and DIN 72552 for terminals', 'Makers’ data in general', 'Common practice'],
    caution: `A welded contact cannot be switched off: keep the fuse within reach. ${MEMORY}`,
  },
  {
    id: 'joints',
    title: 'Joints, terminals and returns',
    about: 'Most faults are at an end of a wire.',
    paragraphs: [
      'Insulated terminals go by colour: red to 1.5 mm² (22 to 16 AWG), blue to 2.5 mm² (16 to 14 AWG), yellow 4 to 6 mm² (12 to 10 AWG). Three square millimetres falls between blue and yellow. Terminals with shrinking sleeves have a die of their own: the die with two points pierces them.',
      'Where two sizes meet, a terminal that holds the thick one does not grip the thin: a step-down joint, strands folded back, or a plug. Red and yellow spades share one blade and mate, each crimped with its own die.',
      'How a joint is made follows from where it is. A crimp with a glue sleeve lasts anywhere; levers are for dry rooms that stand still, solder for what is not shaken, a tap through the insulation for 3 A in the dry, a twist for the evening. None in a door or an arm that moves, none before the first fuse, one to a run. A lead that meets nothing is capped by itself.',
      'A row of n lamps has n − 1 three-way joints a pole. Lever connectors inside, sealed crimps outside, a plug at any lamp that may have to be changed. The sleeve goes on before the joint.',
      'At most four rings to a stud; beyond that a bus bar. A ground is clean, bare, tight and then covered, and loses less than a tenth of a volt.',
      'Two ways home share a current while both are sound, and nobody notices when one no longer is: the body’s own lead works loose, and all that was grounded to the body goes home by one lamp’s thin return. So every wire of such a ring is judged by all that would come, or one of the ways is left out. None of them goes past a shunt or an isolator in the minus.',
      'Colours do not tell polarity: minus is black or brown here and white or yellow there. Map what you find and mark what you lay. Leave slack for one remake at every end, support every 450 mm, a grommet or gland at every hole.',
    ],
    table: {
      head: ['Terminal', 'mm²', 'AWG', 'Smallest stud', 'Inch'],
      rows: [
        ['red', '0.5 to 1.5', '22 to 16', 'M4', '#8'],
        ['blue', '1.5 to 2.5', '16 to 14', 'M4', '#8'],
        ['yellow', '4 to 6', '12 to 10', 'M4', '#8'],
        ['lug', '', '8', 'M4', '#8'],
        ['lug', '10 to 16', '6 to 4', 'M5', '#10'],
        ['lug', '25 to 35', '2 to 1', 'M6', '1/4'],
        ['lug', '50 to 95', '1/0 to 4/0', 'M8', '5/16'],
        ['lug', '120', '', 'M10', '3/8'],
      ],
    },
    sources: ['ABYC E-11', 'SAE J560 for trailers', 'Common practice'],
    caution: `Test before you insulate; no bare strand under a fuse leg. ${MEMORY}`,
  },
  {
    id: 'batteries',
    title: 'Batteries and what charges them',
    about: 'What a battery gives and takes, where it may stand, and how its sources must be wired.',
    paragraphs: [
      'Use half of lead-acid, four fifths of lithium. Above the rated current lead gives less, by Peukert’s law; cold takes a tenth at 10 °C and a quarter at −10 °C. Lithium iron phosphate must not be charged below freezing unless it is warmed.',
      'Flooded batteries give off explosive gas as they charge and need a way out for it; sealed glass-mat and gel dry out in a hot engine bay. Everything is held down.',
      'A bare panel goes through one controller; a folding panel with its own goes straight to the fused battery side. Open-circuit voltage rises in the cold: the controller must stand the first clear frosty morning. A DC-DC charger’s input takes more amperes than its output gives.',
    ],
    sources: ['Battery trade tables', 'NEC 690.8', 'Common practice'],
    caution: `A spanner across the terminals welds itself there: cover them, take rings off. ${MEMORY}`,
  },
  {
    id: 'way',
    title: 'The way through the vehicle',
    about: 'What a cable meets on its way, and what keeps it whole.',
    paragraphs: [
      'Every hole has a grommet or gland, every hinge a boot and slack, everything within reach of the exhaust a shield and of the steering a guard. Outside, a drip loop before the entry.',
      'Cables are held every 450 mm (18 in). What moves breaks: strands fail first where a cable leaves a clamp.',
      'Look behind before you drill, and measure the depth a switch or lamp needs behind its panel. Keep lamps out of the driver’s eyes and mirrors.',
    ],
    sources: ['ABYC E-11', 'Common practice'],
    caution: 'Under a vehicle only on stands; heat away from lining and foam. Local codes and a licensed person come first.',
  },
  {
    id: 'network',
    title: 'Sneak paths and what a meter says',
    about: 'Current that takes a way nobody drew.',
    paragraphs: [
      'Two feeds to one lamp, a return shared with another circuit, a pilot lamp across an open fuse: each lets current go where nobody meant it. A circuit is dead only when every way into it is open.',
      'A high-resistance meter reads nearly full voltage through a leaking indicator, which lights nothing. Test with a lamp that draws something.',
      'Take each fuse out in turn and each switch off in turn: what is still alive has a second way in.',
    ],
    sources: ['Common practice'],
    caution: 'Never trust a label: measure before you touch.',
  },
  {
    id: 'reach',
    title: 'What the controls can bring about',
    about: 'Which loads can run together, what two fuses feed, and what is taken from the vehicle’s own wiring.',
    paragraphs: [
      'Wires and fuses are sized for what can happen, not for what one means to do. A changeover contact is never on both throws at once, so of two colours on its throws the larger counts. Two switches, or two buttons of a fob, can both be on, so their sum counts, whatever is written on the panel. Loads marked as never together are tried in every position of every switch, relay, channel and signal that leads to them, with the battery rested, on charge and low, since a coil that one does not pull in the other may; while one position lights both, the sum is taken.',
      'A lamp with two colours has a terminal for each and one in common. The common return carries whatever both fuses let through, not what one of them does. With the plus in common, each is switched on its way home, and a lead chafed to the body lights it.',
      'A load that two fuses reach is alive until both are out. Behind the point where the two ways meet a fault draws on both: the wire there must carry the sum of the two ratings. Before it each fuse may send its current backwards into what the other guards: that wire must carry the larger of the two. Two ways that a changeover keeps apart are never joined, and then the larger counts throughout.',
      'A lamp switched from two places has two travellers, of which one carries at a time. Each is as thick as the fuse asks, and no ring.',
      'The vehicle’s own wires were laid for what its maker hangs on them. Behind its fuse both currents pass that fuse; in the live clip of a slot a tap is beside it, and needs a fuse of its own at once. Take no more than a trigger’s worth where you can: a relay’s coil takes 0.15 A, and the lamp is fed from the house side. Of two fuses in a row near one rating nobody knows which opens first: know what of the vehicle then goes dark.',
    ],
    sources: ['Kirchhoff’s current law', 'ABYC E-11 and ISO 10133 for conductors protected at their ampacity', 'common practice'],
    caution:
      'Isolate before you work, both ways: who pulls one fuse of two expects a dead wire. On a road vehicle lamps, brakes and air bags are no source for taps.',
  },
  {
    id: 'asBuilt',
    title: 'Planned, fitted, there for now, taken out',
    about: 'How far the work has come, and what the screens count meanwhile.',
    paragraphs: [
      'A device or a wire is planned until it is in place, and fitted from then on. What is in place but no part of the plan is there for now: a lead to test with, an old lamp that still burns, the joint that got one home. What was taken out again is kept in the book and counts nowhere.',
      'As planned, the screens count what is planned and what is fitted. As it is now, they count what is fitted and what is there for now: its energy, its currents, its faults. A wire whose end is not there is not there either, and a circuit without its fuse is dead.',
      'A holder may hold another fuse than the planned one: a small one for first power, so that a mistake costs a fuse and no wire, or a larger one that was at hand. As it is now the wires are judged by the one in the holder.',
    ],
    sources: ['common practice'],
    caution:
      'What is marked as fitted is only what somebody said. Measure before you trust it: volts at the lamp, ohms with the battery isolated.',
  },
  ...SWITCHING_PAGES,
  ...HARNESS_PAGES,
  FAULTS_PAGE,
  ...TEST_PAGES,
];

/** The page for each family of rules; null where the finding says it all. */
const PAGE_OF_FAMILY: Record<RuleFamily, string | null> = {
  wiring: 'network',
  wire: 'conductors',
  fuse: 'fuses',
  feed: 'fuses',
  slot: 'fuses',
  block: 'fuses',
  main: 'fuses',
  return: 'joints',
  ground: 'joints',
  joint: 'joints',
  drop: 'drop',
  idle: 'drop',
  switch: 'contacts',
  contact: 'contacts',
  relay: 'contacts',
  supply: 'batteries',
  strip: 'drop',
  energy: 'batteries',
  network: 'network',
  solar: 'batteries',
  alternator: 'batteries',
  battery: 'batteries',
  charger: 'batteries',
  rig: 'way',
  reach: 'reach',
  vehicle: 'reach',
  work: 'asBuilt',
  wish: 'wishes',
  switching: 'wrongWay',
  harness: 'colours',
  lead: 'fuses',
  build: 'first-power',
  load: null,
  circuit: null,
};

/** Rules that another page than their family’s explains. */
const PAGE_OF_RULE: Partial<Record<Rule, string>> = {
  'harness.holeAtEdge': 'cutting',
  'harness.holesMeet': 'cutting',
  'harness.inSight': 'cutting',
  'harness.endMisfit': 'joints',
  'harness.bareEnd': 'joints',
  'harness.glare': 'cutting',
  'harness.leadOpen': 'joints',
  'harness.bothLive': 'joints',
  'harness.cutTooDeep': 'cutting',
  'fuse.cannotBreak': 'chain',
  'fuse.backedUp': 'chain',
  'fuse.voltage': 'chain',
  'fuse.neverClears': 'chain',
  'fuse.slowToClear': 'chain',
  'fuse.aheadOpensFirst': 'chain',
  'fuse.notSelective': 'chain',
  'fuse.partlySelective': 'chain',
  'wire.spoiltFirst': 'chain',
  'build.readingOut': 'metering',
  'wiring.twoWaysHome': 'joints',
  'wiring.goesPast': 'joints',
};

/** The page that explains a rule; null where the finding says it all. */
export function handbookPageOf(rule: Rule): HandbookPage | null {
  const id = PAGE_OF_RULE[rule] ?? PAGE_OF_FAMILY[rule.split('.')[0] as RuleFamily];
  return HANDBOOK.find((page) => page.id === id) ?? null;
}
