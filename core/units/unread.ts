/** What has a range of its own where several figures stand in one text. */
export type Ranged =
  'volts' | 'amps' | 'watts' | 'wattsPerM' | 'stripMm' | 'pieces' | 'holdS' | 'timesADay' | 'stretches' | 'rateHours' | 'rateAh' | 'rates';

/** Why what a person typed cannot be taken for what it should be; the words for them are in `wording/unreadWords.ts`. */
export type Unread =
  | { code: 'empty' }
  | { code: 'long'; characters: number }
  | { code: 'noNumber' | 'noLength' | 'tooLarge' | 'noTime' | 'noStretch' | 'noExtent' | 'noRate'; said: string }
  /** A unit that is none of those taken; with none of them no unit is. */
  | { code: 'unit'; said: string; taken: readonly string[] }
  /** The ways it can be read, each as one would write it plainly. */
  | { code: 'ambiguous'; said: string; readings: readonly string[] }
  | { code: 'inchesPastFoot'; inches: number }
  | { code: 'longerThanVehicle'; value: number; unit: 'm' | 'ft' }
  | { code: 'outside'; what: Ranged; least: number; most: number; said?: number }
  /** One figure of several in the text. */
  | { code: 'within'; part: 'voltage' | 'power' | 'length'; why: Unread }
  | { code: 'noDraw' | 'negativeDraw' | 'twoVoltages' | 'noStrip' }
  | { code: 'rateTwice'; hours: number }
  | { code: 'oneRate' };

export interface NotRead {
  ok: false;
  why: Unread;
}

export function unread(why: Unread): NotRead {
  return { ok: false, why };
}

/** The beginning of what was typed, to say which it is. */
export function short(text: string): string {
  const trimmed = text.trim();
  return trimmed.length > 24 ? `${trimmed.slice(0, 24)}…` : trimmed;
}
