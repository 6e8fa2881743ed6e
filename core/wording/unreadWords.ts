import { MOST_TYPED } from '../units/text';
import type { Ranged, Unread } from '../units/unread';

const WHEN = 'write hours such as 7–8:30, 17–21, or dusk–22:30, dark, driving, occupied, 20 x 60 s, 6 x 2 min a day, left on';
const RATES = '5 h 185, 20 h 225';

type Outside = Extract<Unread, { code: 'outside' }>;

const OUTSIDE: Record<Ranged, (range: Outside) => string> = {
  volts: ({ least, most, said }) => `${said} V is outside ${least} to ${most} V`,
  amps: ({ most }) => `more than ${most} A`,
  watts: ({ most }) => `more than ${most} W`,
  wattsPerM: ({ most }) => `more than ${most} W/m`,
  stripMm: ({ least, most }) => `the strip is from ${least} mm to ${most / 1000} m long`,
  pieces: ({ least, most }) => `${least} to ${most} pieces`,
  holdS: ({ least, most }) => `it may stay lit from ${least} s to ${most / 3600} h each time`,
  timesADay: ({ most }) => `at most ${most} times a night`,
  stretches: ({ most }) => `at most ${most} stretches`,
  rateHours: ({ least, most }) => `from ${least} to ${most} hours`,
  rateAh: ({ least, most }) => `from ${least} to ${most} Ah`,
  rates: ({ most }) => `at most ${most}`,
};

/** Why what was typed is not taken, and what to write in its place. */
export function unreadWords(why: Unread): string {
  switch (why.code) {
    case 'empty':
      return 'enter a number';
    case 'long':
      return `${why.characters} characters are too long for this; ${MOST_TYPED} are the most`;
    case 'noNumber':
      return `“${why.said}” is not a number`;
    case 'noLength':
      return `“${why.said}” is not a length`;
    case 'tooLarge':
      return `“${why.said}” is too large a number`;
    case 'unit':
      return why.taken.length === 0 ? `leave out “${why.said}”` : `“${why.said}” is not a unit used here; use ${why.taken.join(' or ')}`;
    case 'ambiguous':
      return `“${why.said}” can be read two ways; write ${why.readings.join(' or ')}`;
    case 'inchesPastFoot':
      return `${why.inches} inches is a foot or more; write feet and inches as 11 ft 2 in`;
    case 'longerThanVehicle':
      return `${why.value} ${why.unit} is longer than any vehicle; write ${why.value} ${why.unit === 'm' ? 'mm' : 'in, or mm'}`;
    case 'outside':
      return OUTSIDE[why.what](why);
    case 'within':
      return `${why.part}: ${unreadWords(why.why)}`;
    case 'noDraw':
      return 'write watts or amperes, as 24 W or 2 A';
    case 'negativeDraw':
      return 'a draw cannot be negative';
    case 'twoVoltages':
      return 'one voltage is enough';
    case 'noStrip':
      return 'write a strip as 9.6 W/m x 1.6 m, several as 9.6 W/m x 2 m x 3';
    case 'noTime':
      return `“${why.said}” is no time of day; ${WHEN}`;
    case 'noStretch':
      return `“${why.said}” is no stretch of the day; ${WHEN}`;
    case 'noExtent':
      return `“${why.said}” has no length`;
    case 'noRate':
      return `“${why.said}” is no capacity; write hours and ampere hours such as ${RATES}`;
    case 'rateTwice':
      return `${why.hours} h stands there twice`;
    case 'oneRate':
      return `two capacities are needed, such as ${RATES}`;
  }
}

/** Why a value is not taken: the range there is, each end written by the same hand. */
export function outOfRange(least: number, most: number, write: (value: number) => string): string {
  return `from ${write(least)} to ${write(most)}`;
}
