import type { Rig, Zone } from '../design/schema';
import type { Vehicle } from '../catalog/vocabulary';
import type { Point } from './geometry';

/**
 * Where zones of a vehicle usually lie, by what they are called and what body it is. Shares of length, width and height; common practice.
 */

type Span = readonly [from: number, to: number];

/** Where along a body its engine, its cab and the room behind it lie. */
interface Parts {
  engine: Span;
  cab: Span;
  living: Span;
}

const PARTS: Record<Vehicle, Parts> = {
  boxBody: { engine: [0, 0.13], cab: [0.13, 0.3], living: [0.3, 1] },
  panelVan: { engine: [0, 0.13], cab: [0.13, 0.36], living: [0.36, 1] },
  pickUp: { engine: [0, 0.26], cab: [0.26, 0.57], living: [0.57, 1] },
  offRoader: { engine: [0, 0.25], cab: [0.25, 0.62], living: [0.62, 1] },
  trailer: { engine: [0, 0.2], cab: [0.2, 0.3], living: [0.2, 1] },
  coachBuilt: { engine: [0, 0.12], cab: [0.12, 0.28], living: [0.28, 1] },
  openFrame: { engine: [0, 0.45], cab: [0.45, 0.75], living: [0.45, 1] },
  motorcycle: { engine: [0.35, 0.6], cab: [0.15, 0.35], living: [0.5, 1] },
};

interface Box {
  along: Span;
  up: Span;
  /** Across; absent: nearly the whole width. */
  across?: Span;
}

/** Words in a zone's name and where it then is. The first that fits counts. */
const NAMED: readonly { words: RegExp; box(parts: Parts): Box }[] = [
  { words: /engine|motor|hood|bonnet/, box: ({ engine }) => ({ along: engine, up: [0.2, 0.5] }) },
  { words: /bumper|grille|bull ?bar|winch/, box: () => ({ along: [0, 0.05], up: [0.15, 0.4] }) },
  { words: /drawbar|hitch|nose|tongue/, box: ({ engine }) => ({ along: engine, up: [0.1, 0.35] }) },
  { words: /handlebar|fork/, box: ({ cab }) => ({ along: cab, up: [0.7, 0.95] }) },
  { words: /roof|rack|solar/, box: ({ cab, living }) => ({ along: [cab[0], living[1]], up: [0.94, 1] }) },
  { words: /flank|side|outside|awning/, box: ({ living }) => ({ along: living, up: [0.3, 0.9], across: [0.9, 1] }) },
  { words: /under|chassis|frame/, box: () => ({ along: [0.05, 0.95], up: [0.05, 0.2] }) },
  { words: /tailgate|rear door|^rear$|^back$/, box: () => ({ along: [0.94, 1], up: [0.2, 0.9] }) },
  { words: /\bcab\b|driver|dash|cockpit/, box: ({ cab }) => ({ along: cab, up: [0.2, 0.85] }) },
];

/** Rooms that lie furthest back of those behind the cab. */
const AT_THE_BACK = /garage|boot|trunk|load area|locker|pannier/;
const ACROSS: Span = [0.08, 0.92];

export interface SuggestedZone {
  plan: NonNullable<Zone['plan']>;
  /** A place at its right side, low: where cable usually runs. */
  place: Point;
}

/** Ground and a first place for every zone: those whose name says where they are there, the others one behind the other behind the cab. */
export function suggestZones(
  { body, lengthMm, widthMm, heightMm }: Pick<Rig, 'body' | 'lengthMm' | 'widthMm' | 'heightMm'>,
  zones: readonly Zone[],
): Map<string, SuggestedZone> {
  const parts = PARTS[body];
  const boxOf = ({ name, engineSpace }: Zone) =>
    NAMED.find(({ words }) => words.test(engineSpace ? 'engine' : name.toLowerCase()))?.box(parts);
  const rooms = zones.filter((zone) => !boxOf(zone));
  const inOrder = [...rooms].sort(
    (a, b) => Number(AT_THE_BACK.test(a.name.toLowerCase())) - Number(AT_THE_BACK.test(b.name.toLowerCase())),
  );
  const each = (parts.living[1] - parts.living[0]) / Math.max(1, inOrder.length);
  const roomOf = (zone: Zone): Box => {
    const from = parts.living[0] + inOrder.indexOf(zone) * each;
    return { along: [from, from + each], up: [0.2, 0.9] };
  };
  return new Map(
    zones.map((zone) => {
      const { along, up, across = ACROSS } = boxOf(zone) ?? roomOf(zone);
      const plan = {
        xMm: Math.round(along[0] * lengthMm),
        yMm: Math.round(across[0] * widthMm),
        lengthMm: Math.round((along[1] - along[0]) * lengthMm),
        widthMm: Math.round((across[1] - across[0]) * widthMm),
        lowMm: Math.round(up[0] * heightMm),
        highMm: Math.round(up[1] * heightMm),
      };
      const place = {
        xMm: Math.round(((along[0] + along[1]) / 2) * lengthMm),
        yMm: Math.round((across[0] + (across[1] - across[0]) * 0.86) * widthMm),
        zMm: Math.round((up[0] + (up[1] - up[0]) * 0.25) * heightMm),
      };
      return [zone.id, { plan, place }];
    }),
  );
}
