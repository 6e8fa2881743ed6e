import { isTooLong } from '../units/text';
import { diodeLaw } from '../devices/laws';
import { NetlistBuilder, type Netlist } from '../network/netlist';

/** Why a line of a deck cannot be read; `deckWords.ts` says it. */
export type DeckFault =
  | { code: 'lines'; most: number }
  | { code: 'noElements' | 'sameName' | 'bareModel' | 'shortElement' | 'shortSwitch' | 'noResistance' | 'otherElement' | 'longNumber' }
  | { code: 'otherLine' | 'noNumber'; said: string }
  | { code: 'noModel'; said: string; kind: string };

/** A line of a deck that could not be read. */
export interface DeckProblem {
  line: number;
  text: string;
  fault: DeckFault;
}

export class DeckError extends Error {
  constructor(readonly problems: DeckProblem[]) {
    super(`a deck that cannot be read: ${problems.map(({ line, fault }) => `line ${line} ${fault.code}`).join(', ')}`);
    this.name = 'DeckError';
  }
}

/** A line being read cannot be. */
class Unreadable extends Error {
  constructor(readonly fault: DeckFault) {
    super(fault.code);
  }
}

const MOST_LINES = 200_000;
const SCALES: [RegExp, number][] = [
  [/^meg/, 1e6],
  [/^mil/, 25.4e-6],
  [/^t/, 1e12],
  [/^g/, 1e9],
  [/^k/, 1e3],
  [/^m/, 1e-3],
  [/^u/, 1e-6],
  [/^n/, 1e-9],
  [/^p/, 1e-12],
  [/^f/, 1e-15],
];
/** Ends the name of what a reader of the deck did not write: the resistance inside a diode. */
export const INSIDE = '#inside';

/**
 * Reads a deck of R, V, I, D and S elements with .model lines for diodes and switches; node 0 (or gnd) is the reference.
 * As in SPICE the first line is a title, a plus sign continues a line, letters' case does not matter and numbers may carry
 * a scale factor.
 * @throws DeckError naming every line that cannot be read.
 */
export function readSpice(deck: string): Netlist {
  const problems: DeckProblem[] = [];
  const models: Models = new Map();
  const parts: DeckLine[] = [];
  const trying = (line: DeckLine, read: () => void) => {
    try {
      read();
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      problems.push({ line: line.line, text: line.text, fault: error.fault });
    }
  };
  let inControl = false;
  for (const line of logicalLines(deck)) {
    const first = line.words[0]!.toLowerCase();
    if (first === '.end') break;
    if (first === '.control' || first === '.endc') inControl = first === '.control';
    else if (inControl || ANALYSES.has(first)) continue;
    else if (first === '.model') trying(line, () => models.set(...readModel(line.words)));
    else if (first.startsWith('.')) problems.push({ line: line.line, text: line.text, fault: { code: 'otherLine', said: first } });
    else parts.push(line);
  }

  const builder = new NetlistBuilder();
  builder.node('0');
  const spelling = new Map<string, string>([['gnd', '0']]);
  const seen = new Set<string>();
  for (const part of parts) {
    trying(part, () => {
      const name = part.words[0]!;
      if (seen.has(name.toLowerCase())) throw new Unreadable({ code: 'sameName' });
      seen.add(name.toLowerCase());
      addElement(builder, part.words, models, (word) => {
        const key = word.toLowerCase();
        if (!spelling.has(key)) spelling.set(key, word);
        return spelling.get(key)!;
      });
    });
  }
  if (parts.length === 0) problems.push({ line: 1, text: '', fault: { code: 'noElements' } });
  if (problems.length > 0) throw new DeckError(problems);
  return builder.netlist('0');
}

interface DeckLine {
  line: number;
  text: string;
  words: string[];
}

type Models = Map<string, { kind: string; values: Map<string, number> }>;

/** Lines that ask for an analysis or for print: only the operating point is found here. */
const ANALYSES = new Set(['.op', '.dc', '.tran', '.ac', '.options', '.option', '.title', '.temp', '.print', '.plot', '.save', '.probe']);

function readModel(words: readonly string[]): [string, { kind: string; values: Map<string, number> }] {
  const [, name, kind, ...rest] = words.map((word) => word.toLowerCase());
  if (!name || !kind) throw new Unreadable({ code: 'bareModel' });
  const values = new Map<string, number>();
  for (let at = 0; at + 1 < rest.length; at += 2) values.set(rest[at]!, number(rest[at + 1]!));
  return [name, { kind, values }];
}

function addElement(builder: NetlistBuilder, words: readonly string[], models: Models, nodeOf: (word: string) => string): void {
  const [name, firstNode, secondNode, ...rest] = words as [string, string, string, ...string[]];
  if (secondNode === undefined || rest.length === 0) throw new Unreadable({ code: 'shortElement' });
  const a = nodeOf(firstNode);
  const b = nodeOf(secondNode);
  const value = () => number(rest[0]!.toLowerCase() === 'dc' ? (rest[1] ?? '') : rest[0]!);
  const model = (at: number, kind: string) => {
    const found = models.get((rest[at] ?? '').toLowerCase());
    if (found?.kind !== kind) throw new Unreadable({ code: 'noModel', said: rest[at] ?? '', kind });
    return (key: string, usual: number) => found.values.get(key) ?? usual;
  };
  switch (name[0]!.toLowerCase()) {
    case 'r':
      if (value() <= 0) throw new Unreadable({ code: 'noResistance' });
      builder.resistor(name, a, b, value());
      return;
    case 'v':
      builder.voltage(name, a, b, value());
      return;
    case 'i':
      builder.current(name, a, b, value());
      return;
    case 'd': {
      const of = model(0, 'd');
      const series = of('rs', 0);
      const anode = series > 0 ? `${name}${INSIDE}` : a;
      if (series > 0) builder.resistor(`${name}${INSIDE}`, a, anode, series);
      builder.law(name, anode, b, diodeLaw(of('is', 1e-14), of('n', 1)));
      return;
    }
    case 's': {
      if (rest.length < 3) throw new Unreadable({ code: 'shortSwitch' });
      const of = model(2, 'sw');
      builder.add({
        ...{ kind: 'switch', name, a: builder.node(a), b: builder.node(b) },
        ...{ plus: builder.node(nodeOf(rest[0]!)), minus: builder.node(nodeOf(rest[1]!)) },
        ...{ thresholdV: of('vt', 0), hysteresisV: of('vh', 0), closedOhm: of('ron', 1), openOhm: of('roff', 1e12) },
      });
      return;
    }
    default:
      throw new Unreadable({ code: 'otherElement' });
  }
}

/** A number with SPICE's scale factors. @throws Unreadable */
function number(word: string): number {
  if (isTooLong(word)) throw new Unreadable({ code: 'longNumber' });
  const found = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)([a-z]*)$/.exec(word.toLowerCase());
  if (!found) throw new Unreadable({ code: 'noNumber', said: word });
  const scale = SCALES.find(([suffix]) => suffix.test(found[2]!))?.[1] ?? 1;
  return Number(found[1]) * scale;
}

function logicalLines(deck: string): DeckLine[] {
  const raw = deck.split(/\r\n|\n|\r/);
  if (raw.length > MOST_LINES) throw new DeckError([{ line: MOST_LINES, text: '', fault: { code: 'lines', most: MOST_LINES } }]);
  const lines: { line: number; text: string }[] = [];
  raw.slice(1).forEach((source, at) => {
    const text = source.replace(/[;$].*$/, '').trim();
    if (text === '' || text.startsWith('*')) return;
    if (text.startsWith('+') && lines.length > 0) lines.at(-1)!.text += ` ${text.slice(1)}`;
    else lines.push({ line: at + 2, text });
  });
  return lines.flatMap(({ line, text }) => {
    const words = text
      .replace(/[(),=]/g, ' ')
      .split(/\s+/)
      .filter(Boolean);
    return words.length > 0 ? [{ line, text, words }] : [];
  });
}
