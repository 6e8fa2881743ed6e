import { FAMILY_NAMES } from '../catalog/fuses';
import { lookCode, lookWords, WIRE_COLOURS } from '../catalog/wireColours';
import { WIRE_ENDS, type ColourSchool, type TapLeg, type UnitSystem, type WireEnd, type WireStep } from '../catalog/vocabulary';
import type { CableCore, Device } from '../design/schema';
import { kindOf } from '../devices';
import type { Ending } from '../harness/wireEnds';
import type { PlugHalf } from '../harness/liveHalves';
import type { WireRefusal } from '../harness/editWires';
import type { TurnVerdict } from '../devices/kind';
import type { PartGroup, PartLine } from '../harness/partsList';
import type { StockRefusal } from '../harness/stock';
import type { WireDuty } from '../harness/wireRoles';
import { formatConductor, formatLength, formatRating, formatSmallLength } from '../units/quantity';
import { PART_WORDS } from './rigWords';
import { terminalName } from './terminalNames';
import { unreadWords } from './unreadWords';

/** The colour schools, each with why one would go by it. */
export const SCHOOL_WORDS: Record<ColourSchool, { name: string; why: string }> = {
  pole: {
    name: 'by pole: red out, black home',
    why: 'Anybody reads it, and two reels do. Stripes and labels tell circuits apart. Beware beside a road vehicle’s own loom, where black may be live.',
  },
  smallCraft: {
    name: 'small craft: red, yellow home, outlets by use',
    why: 'Yellow home is never taken for the black of alternating current. Lights blue, pumps brown, other outlets orange. ABYC E-11, ISO 10133, from memory.',
  },
  road: {
    name: 'road vehicle: brown home',
    why: 'As in many vehicles’ own looms: 30 red, 15 black, lamps grey, 31 brown. DIN 72551, from memory.',
  },
  truck: {
    name: 'heavy truck: white home',
    why: 'Where the vehicle’s own returns are white. Beware of the mains, where white is no ground. SAE J560, from memory.',
  },
};

export const END_WORDS: Record<WireEnd, string> = {
  ring: 'ring',
  receptacle: 'receptacle',
  blade: 'blade',
  ferrule: 'ferrule',
  butt: 'joint',
  pin: 'plug contact',
  tap: 'fuse tap',
  bare: 'bare',
};

/** What is done to a wire on the way into the vehicle. */
export const STEP_WORDS: Record<WireStep, string> = {
  cut: 'cut',
  stripped: 'stripped',
  crimped: 'crimped',
  labelled: 'labelled',
  pulled: 'pulled',
};

/** What a wire does, in a word or two. */
export const DUTY_WORDS: Record<WireDuty, string> = {
  live: 'live',
  keyed: 'live with the vehicle',
  switched: 'switched',
  return: 'return',
  signal: 'signal',
};

/**
 * An end as it is asked for: "ring M4, red", with a question mark where nobody has said which stud it is, "receptacle 6.3 mm, blue",
 * "joint".
 */
export function endWords({ kind, fits, stud, isStudKnown, bladeMm }: Ending): string {
  const size = stud ? ` ${stud}${isStudKnown ? '' : '?'}` : bladeMm ? ` ${bladeMm}` : '';
  const barrel = kind === 'ring' || kind === 'receptacle' || kind === 'blade' || kind === 'butt' || kind === 'tap' ? `, ${FITS[fits]}` : '';
  return `${END_WORDS[kind]}${size}${barrel}`;
}

/** The kind of end a text names, whatever size and colour stand behind it; null where it names none. */
export function readEnd(text: string): WireEnd | null {
  const said = text.trim();
  return WIRE_ENDS.find((end) => END_WORDS[end] === said || said.startsWith(`${END_WORDS[end]} `) || said.startsWith(`${END_WORDS[end]},`)) ?? null; // prettier-ignore
}

const FITS: Record<Ending['fits'], string> = { red: 'red', blue: 'blue', yellow: 'yellow', lug: 'lug', none: 'no size fits' };

export const PART_GROUP_WORDS: Record<PartGroup, string> = {
  kits: 'Kits',
  wire: 'Wire',
  terminals: 'Terminals',
  joints: 'Joints and sleeves',
  fuses: 'Fuses and breakers',
  parts: 'Parts',
  passages: 'Where cable goes through',
  fixing: 'Fixing and labels',
};

const FORM_WORDS: Record<NonNullable<Extract<Device, { kind: 'switch' }>['form']>, string> = {
  single: 'on and off',
  changeover: 'changeover',
  changeoverOff: 'changeover, off in the middle',
  doublePole: 'two poles, on and off',
  doublePoleChangeover: 'two poles, changeover',
};

/** A line of the parts list: what it is, how much, and what of that is to spare. */
export function partWords(line: PartLine, units: UnitSystem): { what: string; count: string; spare: string } {
  const pieces = (count: number) => String(count);
  switch (line.group) {
    case 'kits':
      return {
        what: line.what === 'kit' ? line.name : `${line.name}, which ${line.names[0]} does not bring`,
        count: pieces(line.count),
        spare: '',
      };
    case 'wire': {
      if (line.what === 'cable')
        return { what: cableWords(line.cores), count: formatLength(line.count, units), spare: formatLength(line.spareMm, units) };
      const look = line.look ? `${lookCode(line.look)}, ${lookWords(line.look)}` : 'no colour yet';
      return {
        what: `${formatConductor(line.conductor)}, ${look}`,
        count: formatLength(line.count, units),
        spare: formatLength(line.spareMm, units),
      };
    }
    case 'terminals': {
      const lug = line.ending.fits === 'lug' || line.ending.kind === 'ferrule' || line.ending.kind === 'pin';
      return {
        what: `${endWords(line.ending)}${lug ? ` for ${formatConductor(line.conductor)}` : ''}`,
        count: pieces(line.count),
        spare: pieces(line.spare),
      };
    }
    case 'joints':
      return { what: jointPartWords(line), count: pieces(line.count), spare: pieces(line.spare) };
    case 'fuses':
      return { what: `${FAMILY_NAMES[line.what]}, ${formatRating(line.ratingA)}`, count: pieces(line.count), spare: pieces(line.spare) };
    case 'parts':
      return { what: deviceWords(line.like), count: pieces(line.count), spare: '' };
    case 'passages':
      return {
        what: `${PART_WORDS[line.what]}${line.holeMm === null ? '' : `, hole ${formatSmallLength(line.holeMm, units)}`}`,
        count: pieces(line.count),
        spare: '',
      };
    case 'fixing':
      return { what: line.what === 'clip' ? 'clip or tie' : 'wire label', count: pieces(line.count), spare: '' };
  }
}

function jointPartWords(line: Extract<PartLine, { group: 'joints' }>): string {
  switch (line.what) {
    case 'colourSleeve':
      return `${WIRE_COLOURS[line.colour].word} sleeve for re-marking`;
    case 'joint':
      return `crimp joint for ${formatConductor(line.conductor)}`;
    case 'sleeve':
      return `shrink sleeve with glue, ${line.boreMm} mm`;
    case 'lever':
      return `lever connector for ${line.ways}`;
    case 'tap':
      return 'tap through the insulation';
    case 'cap':
      return 'end cap with glue, for a lead';
  }
}

/** A cable as it is asked for: "2 × 1.5 mm², red and black". */
export function cableWords(cores: readonly CableCore[]): string {
  const sizes = [...new Set(cores.map(({ conductor }) => conductor))].map((size) => {
    const count = cores.filter(({ conductor }) => conductor === size).length;
    return `${count} × ${formatConductor(size)}`;
  });
  const looks = cores.map(lookWords);
  return `${sizes.join(' + ')}, ${looks.slice(0, -1).join(', ')} and ${looks.at(-1)}`;
}

/** A part as it is asked for in a shop. */
export function deviceWords(device: Device): string {
  const words = [kindOf(device).label];
  if (device.kind === 'switch') {
    words.push(FORM_WORDS[device.form ?? 'single']);
    if (device.momentary) words.push('springs back');
    if (device.pilot) words.push('pilot lamp');
  }
  if (device.kind === 'relay') words.push(`${device.pins} pins`, ...(device.suppression === 'none' ? [] : [`with ${device.suppression}`]), ...(device.latching ? ['latching'] : [])); // prettier-ignore
  if (device.kind === 'fuseBlock') words.push(`${device.slots} slots`);
  if (device.kind === 'receiver') words.push(device.channels === 1 ? 'one channel' : `${device.channels} channels`, device.mode);
  if (device.kind === 'battery') words.push(`${device.capacityAh} Ah`, device.chemistry);
  if ('ratingA' in device) words.push(formatRating(device.ratingA));
  return words.join(', ');
}

/** Why a cell of the wire schedule cannot be taken, and what to write. */
export function refusalWords(refusal: WireRefusal): string {
  switch (refusal.why) {
    case 'gone':
      return 'this wire is gone';
    case 'numberTaken':
      return 'another wire has this number';
    case 'numberShape':
      return 'a number is up to 12 letters and digits with no space';
    case 'core':
      return 'it is a core of a cable and has that core’s colour; take it out of the cable first';
    case 'colour':
      return 'write a colour as red, RD, red with white or RDWH';
    case 'conductor':
      return 'no such size of wire';
    case 'length':
      return unreadWords(refusal.unread);
    case 'negative':
      return 'a length cannot be negative';
    case 'tooLong':
      return 'at most 100 m';
    case 'end':
      return `an end is one of ${Object.values(END_WORDS).join(', ')}`;
  }
}

/** Why a cell of the parts list cannot be taken, and what to write. */
export const STOCK_REFUSALS: Record<StockRefusal['why'], string> = {
  number: 'write a figure, none below nought',
  large: 'that is more than anybody buys',
  whole: 'write a whole number',
  byReel: 'wire is counted by the reels at hand, in the cut list',
  long: 'write it shorter',
};

/** What a terminal is called on its device’s card; a fuse block’s outlets by their slots. */
export function pinWords(device: Device, terminal: string): string {
  if (device.kind === 'fuseBlock' && terminal !== 'in' && terminal !== 'return') return `slot ${terminal}`;
  return terminal === 'plus' ? '+, plus' : terminal === 'minus' ? '−, minus' : terminalName(device, terminal);
}

/** Whether a part may be turned round, and why. */
export const TURN_WORDS: Record<TurnVerdict, string> = {
  coilFree: 'Coil either way round; 30 and 87 may change places only where 87a is not used.',
  coilDiode: '86 is plus: its diode, turned round, is a dead short of its feed.',
  contactFree: 'Contacts either way round; the common one stays the common one.',
  fuseFree: 'Either way round.',
  pilotFixed: 'Its pilot lamp’s plus and minus are not to be exchanged; read the numbers, not the places.',
  poled: 'Plus and minus are not to be exchanged.',
};

/** Which half of a plug gets the covered contacts; nothing where neither is live once they are parted. */
export function halvesWords(live: readonly PlugHalf[]): string | null {
  if (live.length === 0) return null;
  if (live.length === 2)
    return 'Parted, both halves may be live: covered contacts on both, or a fuse out before it is parted. Never bare pins on either.';
  const [half] = live;
  return `Parted, half ${half} stays live: the covered contacts are there, bare pins on ${half === 'a' ? 'b' : 'a'}.`;
}

/** Which way round a fuse tap is in its slot. */
export const TAP_LEG_WORDS: Record<TapLeg, string> = {
  supply: 'tap: common leg in the live clip, each fuse guards its own',
  load: 'tap turned round: its common leg is in the other clip, the slot’s fuse carries both',
};
