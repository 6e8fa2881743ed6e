import { lookCode, type WireLook } from '../catalog/wireColours';
import type { ConductorSize } from '../catalog/conductorSizes';
import type { Design } from '../design/design';
import type { Reel } from '../design/schema';
import { traceWiring } from '../network/traceWiring';
import type { Wiring } from '../network/wiring';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { cableRuns, lookOf, type CableRun } from './cables';
import { begunMm, cutFrom, firstFit, type CutPlan, type Piece, type Stock } from './cutStock';
import { cutLength } from './cutLength';
import { linkPieces, rowLinks, type RowLink } from './rowLinks';
import { endingOf } from './wireEnds';
import type { HarnessEnd, HarnessWire } from './harnessWire';
import { numberWires } from './wireNumbers';
import { wireRoles, type WireRole } from './wireRoles';

/** Everything a harness is built from. */
export interface Harness {
  wires: HarnessWire[];
  cables: CableRun[];
  /** Cable from piece to piece of rows, which is no wire of its own. */
  links: RowLink[];
  roles: ReadonlyMap<string, WireRole>;
}

/** The wires of a design as they are cut, numbered, coloured and ended. */
export function harnessOf(index: DesignIndex, wiring: Wiring): Harness {
  const roles = wireRoles(index, wiring);
  const numbers = numberWires(index, wiring, roles);
  const wires = index.wires.map((wire): HarnessWire => {
    const { number, isGiven } = numbers.get(wire.id)!;
    const end = (side: 'from' | 'to'): HarnessEnd => ({ ...wire[side], ending: endingOf(index, wire, side) });
    return {
      ...{ wire, number, isNumbered: isGiven, look: lookOf(wire, index.cables), role: roles.get(wire.id)! },
      ...{ from: end('from'), to: end('to'), lengthMm: cutLength(wire.lengthMm) },
      routeIds: index.layout.runs.get(wire.id)?.routeIds ?? [],
    };
  });
  wires.sort((a, b) => compareNumbers(a.number, b.number));
  const links = rowLinks(index, wires);
  return { wires, cables: cableRuns(index, wires, links), links, roles };
}

/** What is on the labels of wires, by their ids. */
export function wireNumbersOf({ wires }: Pick<Harness, 'wires'>): Map<string, string> {
  return new Map(wires.map(({ wire, number }) => [wire.id, number]));
}

/** The same from records alone. */
export function harnessOfDesign(design: Design): Harness {
  const index = indexDesign(design);
  return harnessOf(index, traceWiring(index));
}

/** Numbers as people order them: 07b before 07aa, M2 before M10. */
function compareNumbers(a: string, b: string): number {
  return COLLATOR.compare(a, b) || (a < b ? -1 : 1);
}
const COLLATOR = new Intl.Collator('en', { numeric: true });

/** Wire of one size and look: what is needed, what is cut from what, and what must be bought. */
export interface CutLot {
  conductor: ConductorSize;
  look: WireLook | null;
  /** Length of all its wires, mm. */
  neededMm: number;
  cuts: { reel: ReelStock; pieces: Piece[]; leftMm: number }[];
  /** Reels to buy among them, by length, mm. */
  buyMm: number[];
  /** Length begun and not cut, mm: what stays on the reels. */
  leftMm: number;
}

/** A reel at hand, or one to buy, which has no record. */
export interface ReelStock extends Stock {
  reel: Reel | null;
}

/** Lengths wire is sold in, mm. Common practice. */
export const SOLD_MM = [5_000, 10_000, 25_000, 50_000, 100_000] as const;
/** Bought beyond what is cut, for wires spoilt and changes. Common practice: a tenth. */
export const SPARE_SHARE = 0.1;

/** Which pieces are cut from which reel: those at hand first, then as little as may be bought, with a tenth to spare. */
export function cutLots({ wires, links }: Harness, reels: readonly Reel[]): CutLot[] {
  const lots = new Map<string, Pick<CutLot, 'conductor' | 'look'> & { pieces: Piece[] }>();
  const put = (conductor: ConductorSize, look: WireLook | null, pieces: readonly Piece[]) => {
    const key = `${conductor} ${look ? lookCode(look) : ''}`;
    const lot = lots.get(key) ?? { conductor, look, pieces: [] };
    lot.pieces.push(...pieces);
    lots.set(key, lot);
  };
  for (const { wire, look, lengthMm } of wires) if (!wire.core && !wire.kitId) put(wire.conductor, look, [{ id: wire.id, lengthMm }]);
  for (const link of links) if (link.cableId === null) put(link.conductor, link.look, linkPieces(link));
  return Array.from(lots.values(), (lot) => cutLot(lot, reels)).sort(
    (a, b) => CONDUCTOR_ORDER.compare(a.conductor, b.conductor) || lookText(a.look).localeCompare(lookText(b.look)),
  );
}

const CONDUCTOR_ORDER = new Intl.Collator('en', { numeric: true });
const lookText = (look: WireLook | null) => (look ? lookCode(look) : '');

function cutLot(
  { conductor, look, pieces }: Pick<CutLot, 'conductor' | 'look'> & { pieces: readonly Piece[] },
  reels: readonly Reel[],
): CutLot {
  const neededMm = pieces.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  const isMine = (reel: Reel) => look !== null && reel.conductor === conductor && lookCode(reel) === lookCode(look);
  const atHand = reels.filter(isMine).map((reel): ReelStock => ({ id: reel.id, lengthMm: Math.floor(reel.lengthMm), reel }));
  const fromStock = cutFrom(pieces, atHand);
  const buyMm = toBuy(fromStock.without);
  const bought = buyMm.map((lengthMm, at): ReelStock => ({ id: `buy${at}`, lengthMm, reel: null }));
  const rest = onBought(fromStock.without, bought);
  const cuts = [...fromStock.cuts, ...rest.cuts].map(({ stock, pieces: cut, leftMm }) => ({ reel: stock, pieces: cut, leftMm }));
  const leftMm = begunMm(fromStock) + begunMm(rest) - neededMm;
  return { conductor, look, neededMm, cuts, buyMm, leftMm };
}

/** Pieces on reels that are bought whatever is cut from them: how they lie there matters only where they would not fit. */
function onBought<S extends Stock>(pieces: readonly Piece[], reels: readonly S[]): CutPlan<S> {
  const simple = firstFit(pieces, reels);
  return simple.without.length === 0 ? { ...simple, cuts: simple.cuts.filter((cut) => cut.pieces.length > 0) } : cutFrom(pieces, reels);
}

/**
 * Reels to buy for pieces: the fewest metres that are sold and hold them with a tenth to spare. A piece longer than any reel is bought by
 * itself, by the metre.
 */
function toBuy(pieces: readonly Piece[]): number[] {
  if (pieces.length === 0) return [];
  const longest = Math.max(...pieces.map(({ lengthMm }) => lengthMm));
  const wantedMm = pieces.reduce((sum, { lengthMm }) => sum + lengthMm, 0) * (1 + SPARE_SHARE);
  const most = SOLD_MM.at(-1)!;
  if (longest > most) return [...pieces.filter(({ lengthMm }) => lengthMm > most).map(({ lengthMm }) => lengthMm), ...toBuy(pieces.filter(({ lengthMm }) => lengthMm <= most))]; // prettier-ignore
  const single = SOLD_MM.find((mm) => mm >= wantedMm);
  if (single !== undefined) return [single];
  const whole = Math.floor(wantedMm / most);
  const rest = SOLD_MM.find((mm) => mm >= Math.max(wantedMm - whole * most, longest)) ?? most;
  const reels = [...Array.from({ length: whole }, () => most), rest];
  const stock = reels.map((lengthMm, at) => ({ id: String(at), lengthMm }));
  return onBought(pieces, stock).without.length === 0 ? reels : [...reels, most];
}
