/** Colours of wires by their letters. Source: IEC 60757, from memory; the tint is for the screen alone. */
export const WIRE_COLOURS = {
  RD: { word: 'red', tint: '#c62828' },
  BK: { word: 'black', tint: '#222222' },
  BN: { word: 'brown', tint: '#7a4a21' },
  WH: { word: 'white', tint: '#f7f7f2' },
  YE: { word: 'yellow', tint: '#f2c811' },
  GN: { word: 'green', tint: '#2e7d32' },
  BU: { word: 'blue', tint: '#1f5fbf' },
  GY: { word: 'grey', tint: '#8a8f94' },
  OG: { word: 'orange', tint: '#ef7d00' },
  VT: { word: 'violet', tint: '#7b3fa0' },
  PK: { word: 'pink', tint: '#ee8fb0' },
  TQ: { word: 'turquoise', tint: '#23b5b5' },
} as const;

export type WireColour = keyof typeof WIRE_COLOURS;
export const WIRE_COLOUR_CODES = Object.keys(WIRE_COLOURS) as [WireColour, ...WireColour[]];

/** A wire's look: its colour and the stripe on it. */
export interface WireLook {
  colour: WireColour;
  stripe?: WireColour | undefined;
}

/** As it is written: the base first, then the stripe ("RDWH"). Source: IEC 60757. */
export function lookCode({ colour, stripe }: WireLook): string {
  return `${colour}${stripe ?? ''}`;
}

/** As it is said: "red with white". */
export function lookWords({ colour, stripe }: WireLook): string {
  return `${WIRE_COLOURS[colour].word}${stripe ? ` with ${WIRE_COLOURS[stripe].word}` : ''}`;
}

/** A look as people write it: "RDWH", "rd/wh", "red", "red with white", "red/white". Null where it is none. */
export function readLook(text: string): WireLook | null {
  const words = text.trim().toLowerCase().split(/\s*(?:\/|-|\+|,|\bwith\b|\s)\s*/).filter(Boolean); // prettier-ignore
  const parts =
    words.length === 1 && /^[a-z]{4}$/.test(words[0]!) && !codeOf(words[0]!) ? [words[0]!.slice(0, 2), words[0]!.slice(2)] : words;
  const [base, stripe, ...rest] = parts.map(codeOf);
  if (!base || rest.length > 0 || (parts.length > 1 && !stripe)) return null;
  return stripe && stripe !== base ? { colour: base, stripe } : { colour: base };
}

function codeOf(text: string): WireColour | undefined {
  return WIRE_COLOUR_CODES.find((code) => code.toLowerCase() === text || WIRE_COLOURS[code].word === text || (text === 'gray' && code === 'GY') || (text === 'purple' && code === 'VT')); // prettier-ignore
}
