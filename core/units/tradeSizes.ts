import { areaMm2, AWG_SIZES, CONDUCTOR_SIZES, METRIC_SIZES_MM2, type ConductorSize } from '../catalog/conductorSizes';

/** One thing a cable's name may mean. */
export interface SizeReading {
  conductor: ConductorSize;
  /** Copper it really holds, mm², where that is not the conductor's own area. */
  mm2: number;
  /** How the name is read. */
  meaning: string;
}

/**
 * What people write on and about cable, read every way it may be meant. One reading is sure; several must be asked about, since the
 * wrong one changes the drop two- to threefold; none means that it names no size there is. Common practice: "3 mm automotive" is often the
 * outside diameter and holds about 1.1 mm², "6 mm" about 4.6; "6 gauge" may be AWG or a smaller trade size; "14-2" is two cores of
 * 14 AWG in America, "2x6" two cores of 6 mm² in Europe; "2-6" may be either.
 */
export function readTradeSize(text: string): SizeReading[] {
  if (text.length > LONGEST_NAME) return [];
  const plain = normalised(text);
  return distinct(readAughts(plain) ?? readCable(plain) ?? readSingle(plain));
}

/** Longer than any name of a cable. */
const LONGEST_NAME = 60;
/** How much of AWG's copper trade “gauge” cable may hold: 4.6 mm² sold as 6 gauge, of 13.3. Common practice. */
const TRADE_GAUGE_SHARE = 4.6 / 13.3;
/** Cores one sheath usually holds. */
const MOST_CORES = 7;

const AMERICAN = 'American Wire Gauge';
const SECTION = 'cross-section in mm²';

function normalised(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[×*]/g, 'x')
    .replace(/[\u2010-\u2015\u2212]/g, '-')
    .replace(/,/g, '.')
    .replace(/\s+/g, ' ')
    .replace(/(^|[^\d])\.(?=\d)/g, '$10.')
    .replace(/mm ?(?:\^ ?2|²|2(?!\d))|(?:sq\.?|q|square) ?mm|mm ?sq\.?/g, 'mm2')
    .replace(/\b(?:b&s|b & s|a\.w\.g\.?)(?= |$)/g, 'awg')
    .replace(/(?<![a-z])(?:gauge|ga\.?|g)(?![a-z])/g, 'ga')
    .replace(/(?<![a-z])(?:two[- ]core|twin[- ]core|twin|duplex)(?![a-z])/g, 'twin');
}

/** The sizes past 1 AWG: 1/0 to 4/0, written with a slash, a dash or as so many noughts. */
function readAughts(plain: string): SizeReading[] | null {
  const match = /^(?:awg ?|# ?|no\.? ?)?(?:([1-4]) ?[/-] ?0|(0{1,4})) ?(awg|ga)?(?: (?:twin|cable|wire))?$/.exec(plain);
  if (!match) return null;
  const name = `${match[1] ?? match[2]!.length}/0`;
  return match[3] === 'ga' && !plain.startsWith('awg') ? gaugeOrTrade(name) : gauge(name, AMERICAN);
}

/** Several cores in a sheath: a number of cores and a size, in the order of either trade. */
function readCable(plain: string): SizeReading[] | null {
  const match =
    /^(?:awg ?|# ?)?(\d+(?:\.\d+)?) ?(mm2|awg|ga)? ?([-/x]| ) ?(\d+(?:\.\d+)?) ?(mm2|awg|ga)? ?(?:c|core|cores|conductor|conductors|twin|cable|wire|)$/.exec(
      plain,
    );
  if (!match) return null;
  const [, first, firstUnit, sign, second, secondUnit] = match as unknown as [string, string, string?, string?, string?, string?];
  const named = plain.startsWith('awg') || plain.startsWith('#') ? 'awg' : undefined;
  const readings: SizeReading[] = [];
  const american = firstUnit ?? named ?? (secondUnit === 'mm2' ? 'mm2' : secondUnit);
  // The American order: a gauge, then its cores. A two-digit gauge before “x” is none of ours: “14x2” is written by nobody else.
  if (isCores(second!) && american !== 'mm2' && (sign !== 'x' || Number(first) > MOST_CORES || named))
    readings.push(...gauge(first!, `${second} cores of ${first} AWG in one sheath`));
  if (isCores(second!) && firstUnit === 'mm2') readings.push(...metric(Number(first), `${second} cores of ${first} mm² in one sheath`));
  // The metric order: cores, then what each has.
  if (isCores(first!, sign === 'x' || sign === '/' ? 1 : 2) && firstUnit === undefined && !named) {
    const each = Number(first) === 1 ? 'one core' : `${first} cores`;
    if (secondUnit === undefined || secondUnit === 'mm2')
      readings.push(...metric(Number(second), `${each} of ${second} mm² in one sheath`));
    if (secondUnit !== 'mm2') readings.push(...gauge(second!, `${each} of ${second} AWG in one sheath`));
  }
  return readings;
}

function isCores(text: string, least = 2): boolean {
  return /^\d$/.test(text) && Number(text) >= least && Number(text) <= MOST_CORES;
}

function readSingle(plain: string): SizeReading[] {
  const square = /^(\d+(?:\.\d+)?) ?(?:mm2|square)(?: ?(?:twin|cable|wire|[1-7] ?c(?:ores?)?))?$/.exec(plain);
  if (square) return metric(Number(square[1]), 'cross-section');
  const named = /^(?:awg ?|# ?|no\.? ?)(\d{1,2})$|^(?:awg ?)?(\d{1,2}) ?awg(?: (?:twin|cable|wire))?$/.exec(plain);
  if (named) return gauge((named[1] ?? named[2])!, AMERICAN);
  const gauged = /^(?:(\d{1,2}) ?ga|ga ?(\d{1,2}))(?: (?:twin|cable|wire))?$/.exec(plain);
  if (gauged) return gaugeOrTrade((gauged[1] ?? gauged[2])!);
  const millimetres = /^(\d+(?:\.\d+)?) ?mm(?: ?(auto|automotive|dia|diameter|cable|wire|twin|[1-7] ?c(?:ores?)?|\d ?core))*$/.exec(plain);
  if (millimetres) {
    const value = Number(millimetres[1]);
    const outside = nearest(outsideToMm2(value), 'measured over the insulation, as automotive cable is sold');
    const section = metric(value, SECTION);
    return /auto|dia|twin|core/.test(plain) ? [...outside, ...section] : [...section, ...outside];
  }
  const bare = /^\d+(?:\.\d+)?$/.exec(plain);
  return bare ? [...metric(Number(plain), SECTION), ...gauge(plain, AMERICAN)] : [];
}

/** Trade “gauge” cable commonly holds about a third of its name. */
function gaugeOrTrade(name: string): SizeReading[] {
  const asAwg = gauge(name, AMERICAN);
  const [first] = asAwg;
  return first ? [...asAwg, ...nearest(first.mm2 * TRADE_GAUGE_SHARE, 'a trade size with less copper than AWG')] : [];
}

/** Readings that come to the same conductor are one. */
function distinct(readings: readonly SizeReading[]): SizeReading[] {
  return readings.filter(({ conductor }, at) => readings.findIndex((other) => other.conductor === conductor) === at);
}

/**
 * Copper of automotive cable by its outside diameter, mm: 3 mm about 1.1 mm², 6 mm about 4.6. Common practice, on a power law between the
 * two.
 */
function outsideToMm2(diameterMm: number): number {
  return 1.1 * (diameterMm / 3) ** (Math.log(4.6 / 1.1) / Math.log(2));
}

function metric(value: number, meaning: string): SizeReading[] {
  const size = METRIC_SIZES_MM2.find((mm2) => Math.abs(mm2 - value) < 1e-9);
  return size === undefined ? [] : [{ conductor: `mm2:${size}`, mm2: size, meaning }];
}

function gauge(name: string, meaning: string): SizeReading[] {
  const size = AWG_SIZES.find((awg) => awg === name);
  return size === undefined ? [] : [{ conductor: `awg:${size}`, mm2: areaMm2(`awg:${size}`), meaning }];
}

/** The largest conductor with no more copper than there really is: the careful side. */
function nearest(mm2: number, meaning: string): SizeReading[] {
  const sizes = CONDUCTOR_SIZES.filter((size) => size.startsWith('mm2') && areaMm2(size) <= mm2 * 1.001);
  const conductor = sizes.at(-1);
  return conductor ? [{ conductor, mm2, meaning }] : [];
}
