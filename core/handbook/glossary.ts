/** A term of the trade in plain words. */
export interface GlossaryTerm {
  term: string;
  /** Its unit or how it is written, where it has one. */
  unit?: string;
  meaning: string;
  /** Other words for it in a text, besides the term itself. */
  also?: readonly string[];
  /** The handbook page that says more. */
  page?: string;
  /** Which drawing goes with it. */
  picture?: 'drop' | 'selective' | 'strap' | 'tap' | 'threeWay';
}

/** The terms this program uses, by the standards' words where those have one (IEC 60050, IEC 60269, ISO 8820, ABYC E-11; from memory). */
const TERMS = [
  {
    term: 'Ampacity',
    unit: 'A',
    meaning:
      'The current a conductor may carry for as long as it likes, in the heat and the bundle it lies in, without its insulation getting too warm.',
    page: 'conductors',
  },
  {
    term: 'AWG',
    unit: 'gauge',
    meaning:
      'American wire gauge. A smaller number is a thicker wire: 10 AWG is 5.3 mm², 16 AWG 1.3 mm². 1/0, 2/0 and so on go on from 1 AWG upwards.',
    page: 'conductors',
  },
  {
    term: 'Breaking capacity',
    unit: 'A or kA',
    meaning:
      'The largest short-circuit current a fuse or breaker can interrupt at its voltage without bursting. American: interrupting rating, AIC.',
    also: ['interrupting rating'],
    page: 'chain',
  },
  {
    term: 'Bus bar',
    meaning: 'A metal bar with studs where many wires meet: a positive one shares out a feed, a return one gathers the minus wires.',
    page: 'joints',
  },
  { term: 'C-rate', unit: '1/h', meaning: 'Current compared with capacity: 0.5 C of a 100 Ah battery is 50 A.', page: 'batteries' },
  {
    term: 'Chassis return',
    meaning: 'The current goes home through the metal of the vehicle in place of a wire of its own.',
    also: ['chassis joint'],
    page: 'joints',
    picture: 'strap',
  },
  { term: 'Circuit', meaning: 'Everything behind one fuse: the wire, the switches and the loads.' },
  {
    term: 'Continuous load',
    meaning: 'One that runs for hours. Its fuse is rated at least 125 % of its current: a fuse is not run above 80 % for hours.',
    also: ['runs for hours'],
    page: 'fuses',
  },
  {
    term: 'DC-DC charger',
    meaning:
      'Charges the house battery from the alternator’s side at the voltage the house battery wants, and holds the current to what the alternator can spare.',
    page: 'batteries',
  },
  {
    term: 'Depth of discharge',
    also: ['usable depth'],
    unit: '%',
    meaning: 'How much of a battery’s capacity has been drawn. Usual limits: half for lead-acid, four fifths for lithium.',
    page: 'batteries',
  },
  {
    term: 'Duty',
    unit: '%',
    meaning: 'The share of the time a load that switches itself really draws: a fridge runs perhaps a third of an hour’s minutes.',
  },
  {
    term: 'Fuse tap',
    meaning: 'A holder that puts a second fuse into a slot that has one. Its common leg belongs in the live clip.',
    page: 'fuses',
    picture: 'tap',
  },
  {
    term: 'Hold-down',
    meaning: 'What keeps a battery from moving: a strap or clamp that stands a crash.',
    also: ['held down'],
    page: 'batteries',
  },
  {
    term: 'Inrush',
    unit: 'A',
    meaning: 'The current in the first moment after switching on: filaments 8 to 12 times, motors 4 to 8 times what they run at.',
    also: ['start current'],
    page: 'fuses',
  },
  {
    term: 'Internal resistance',
    unit: 'mΩ',
    meaning: 'What in a battery itself holds the current back. It sets how far its voltage sags and how much flows into a short.',
    page: 'batteries',
  },
  {
    term: 'Isolator',
    meaning: 'A switch in the main cable that makes all of the system dead. Work begins with it off.',
    also: ['battery isolator'],
  },
  {
    term: 'Lead',
    meaning:
      'The stretch of cable from the battery, or from a larger cable, to a fuse. It has no fuse of its own, so it is short and sheathed.',
    page: 'fuses',
  },
  {
    term: 'Let-through',
    unit: 'A',
    meaning: 'What fuses allow to flow for as long as it likes without opening. Wires they share must carry it.',
    page: 'fuses',
  },
  {
    term: 'MPPT',
    meaning:
      'A solar controller that seeks the panel’s voltage of most power and turns it into charging current. A simple one (PWM) only joins panel and battery.',
    page: 'batteries',
  },
  {
    term: 'Peukert’s law',
    meaning: 'A lead-acid battery gives less than its rated ampere hours when drawn faster than rated.',
    also: ['Peukert'],
    page: 'batteries',
  },
  {
    term: 'Prospective short-circuit current',
    unit: 'A',
    meaning:
      'What would flow into a dead short at a place. The greatest decides what a fuse must be able to break, the least at the far end how fast it opens.',
    also: ['short-circuit current', 'dead short'],
    page: 'chain',
  },
  {
    term: 'Pull-in and drop-out',
    unit: 'V',
    meaning: 'The coil voltages at which a relay’s contacts close and open again.',
    page: 'contacts',
  },
  {
    term: 'Return',
    meaning: 'The way of the current back to the battery’s minus. It carries what the feed does and is as thick.',
    page: 'joints',
  },
  {
    term: 'Selective',
    meaning: 'Of two fuses in a row, only the one nearer the fault opens. With ratings three to one it is certain.',
    also: ['selectivity'],
    page: 'chain',
    picture: 'selective',
  },
  { term: 'Shunt', meaning: 'A known small resistance in the main minus by which a monitor counts the amperes.', page: 'batteries' },
  {
    term: 'Sneak path',
    meaning: 'A way for current that nobody drew: a second feed, a shared return, a pilot lamp across an open fuse.',
    page: 'network',
  },
  {
    term: 'Splice',
    meaning: 'A joint of two or more wires that is not at a device. Three-way where a wire branches.',
    also: ['three-way joint'],
    page: 'joints',
    picture: 'threeWay',
  },
  { term: 'Standby', unit: 'A', meaning: 'What a device draws while it is off.' },
  { term: 'State of charge', unit: '%', meaning: 'What is left in a battery of what it holds when full.', page: 'batteries' },
  {
    term: 'System voltage',
    unit: 'V',
    meaning: 'What a system is named after: 12, 24 or 48 V. While it charges it stands a fifth higher.',
  },
  {
    term: 'Time-current curve',
    meaning: 'How long a fuse takes to open at each current. Its gates are the shortest and the longest a standard allows.',
    also: ['time-current gates', 'gates'],
    page: 'chain',
  },
  {
    term: 'Voltage drop',
    unit: 'V or %',
    meaning:
      'What is lost on the way from the battery to the load and back. Targets: 3 % for lighting and what matters, 5 or 10 % for the rest.',
    page: 'drop',
    picture: 'drop',
  },
  { term: 'Zone', meaning: 'A part of the vehicle that shares its heat, wet and shaking: cab, galley, engine bay.' },
] as const satisfies readonly GlossaryTerm[];

/** The name of a term of the glossary. */
export type TermName = (typeof TERMS)[number]['term'];

export const GLOSSARY: readonly GlossaryTerm[] = TERMS;

/** A term as a place on the glossary’s page. */
export function termId(term: string): string {
  return term.toLowerCase().replace(/[^a-z0-9]+/g, '-');
}

/** A text in pieces: plain, and the first mention of each term. */
export function markTerms(text: string): { text: string; term: GlossaryTerm | null }[] {
  const pieces: { text: string; term: GlossaryTerm | null }[] = [];
  const told = new Set<GlossaryTerm>();
  let from = 0;
  for (const match of text.matchAll(ANY_TERM)) {
    const term = TERM_OF.get(match[0].toLowerCase());
    if (!term || told.has(term)) continue;
    told.add(term);
    if (match.index > from) pieces.push({ text: text.slice(from, match.index), term: null });
    pieces.push({ text: match[0], term });
    from = match.index + match[0].length;
  }
  if (from < text.length) pieces.push({ text: text.slice(from), term: null });
  return pieces;
}

/** Words everybody knows, or that mean something else as often: they stand in the glossary and are linked nowhere. */
const NOT_LINKED = new Set(['Circuit', 'Return', 'Zone', 'Lead', 'Standby', 'Duty']);
const WORDS = GLOSSARY.filter(({ term }) => !NOT_LINKED.has(term)).flatMap((entry) =>
  [entry.term, ...(entry.also ?? [])].map((word): [string, GlossaryTerm] => [word.toLowerCase(), entry]),
);
const TERM_OF = new Map(WORDS);
const ANY_TERM = new RegExp(
  `(?<![\\w-])(?:${WORDS.map(([word]) => word)
    .sort((a, b) => b.length - a.length)
    .map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
    .join('|')})(?![\\w-])`,
  'gi',
);
