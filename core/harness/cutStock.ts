/** A piece to be cut. */
export interface Piece {
  id: string;
  lengthMm: number;
}

/** What is cut from: a reel at hand, or one to buy. */
export interface Stock {
  id: string;
  lengthMm: number;
}

/** What is cut from one reel, in the order of cutting. */
export interface Cut<S extends Stock = Stock> {
  stock: S;
  pieces: Piece[];
  /** What is left on it. */
  leftMm: number;
}

export interface CutPlan<S extends Stock = Stock> {
  cuts: Cut<S>[];
  /** Pieces no reel is long enough for, or for which there is no reel left. */
  without: Piece[];
}

/** Whole millimetres a piece is cut to. */
const whole = (mm: number) => Math.ceil(mm - 1e-6);
/** Rounds of looking for better plans. */
const ROUNDS = 60;
/** Rounds without a better one after which it is left. */
const PATIENCE = 12;

/**
 * Which piece from which reel so that as little reel as possible is begun. Fills one reel after another as full as it can be (a subset
 * sum), the longest piece first, over several weightings of the pieces (sequential value correction), and takes the best; never worse than
 * first fit decreasing, which is among the plans tried. Lengths in mm. Deterministic.
 */
export function cutFrom<S extends Stock>(pieces: readonly Piece[], stock: readonly S[]): CutPlan<S> {
  const longest = Math.max(0, ...stock.map(({ lengthMm }) => lengthMm));
  const sized = pieces.filter(({ lengthMm }) => whole(lengthMm) <= longest);
  const without = pieces.filter(({ lengthMm }) => whole(lengthMm) > longest);
  const simple = firstFit(sized, stock);
  const totalMm = sized.reduce((sum, { lengthMm }) => sum + whole(lengthMm), 0);
  const plans = cannotBeLess(simple, stock, totalMm) ? [simple] : [simple, ...filled(sized, stock)];
  const best = plans.reduce((least, plan) => (isBetter(plan, least) ? plan : least));
  return { cuts: best.cuts.filter((cut) => cut.pieces.length > 0), without: [...without, ...best.without] };
}

/** Whether a plan begins no more than any must: one reel alone, the shortest that holds all, or as many of one length as the sum needs. */
function cannotBeLess(plan: CutPlan, stock: readonly Stock[], totalMm: number): boolean {
  if (plan.without.length > 0) return false;
  const used = plan.cuts.filter(({ pieces }) => pieces.length > 0);
  const shortest = Math.min(...stock.filter(({ lengthMm }) => lengthMm >= totalMm).map(({ lengthMm }) => lengthMm));
  if (used.length === 0 || (used.length === 1 && used[0]!.stock.lengthMm === shortest)) return true;
  return isLeast({ ...plan, cuts: used }, stock, totalMm);
}

/** Total of the reels begun, mm. */
export function begunMm({ cuts }: Pick<CutPlan, 'cuts'>): number {
  return cuts.reduce((sum, { stock, pieces }) => sum + (pieces.length > 0 ? stock.lengthMm : 0), 0);
}

function isBetter(plan: CutPlan, than: CutPlan): boolean {
  const missing = (one: CutPlan) => one.without.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  if (missing(plan) !== missing(than)) return missing(plan) < missing(than);
  return begunMm(plan) < begunMm(than);
}

const byLength = (a: Piece, b: Piece) => b.lengthMm - a.lengthMm || (a.id < b.id ? -1 : 1);

/** First fit decreasing, the shortest reels first so that ends of reels are used up. */
export function firstFit<S extends Stock>(pieces: readonly Piece[], stock: readonly S[]): CutPlan<S> {
  const cuts = [...stock].sort((a, b) => a.lengthMm - b.lengthMm).map((one): Cut<S> => ({ stock: one, pieces: [], leftMm: one.lengthMm }));
  const without: Piece[] = [];
  for (const piece of [...pieces].sort(byLength)) {
    const cut = cuts.find(({ leftMm }) => leftMm >= whole(piece.lengthMm));
    if (!cut) {
      without.push(piece);
      continue;
    }
    cut.pieces.push(piece);
    cut.leftMm -= whole(piece.lengthMm);
  }
  return { cuts, without };
}

/** Plans made by filling reel after reel, each round valuing more what was left to bad reels in the one before. */
function* filled<S extends Stock>(pieces: readonly Piece[], stock: readonly S[]): Generator<CutPlan<S>> {
  const reels = [...stock].sort((a, b) => a.lengthMm - b.lengthMm);
  const value = new Map(pieces.map(({ id, lengthMm }) => [id, lengthMm]));
  const total = pieces.reduce((sum, { lengthMm }) => sum + whole(lengthMm), 0);
  let best: CutPlan | null = null;
  let bestRound = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const left = [...pieces].sort(byLength);
    const cuts: Cut<S>[] = [];
    for (const reel of reels) {
      const chosen = left.length === 0 ? [] : fullest(left, reel.lengthMm, value);
      const usedMm = chosen.reduce((sum, { lengthMm }) => sum + whole(lengthMm), 0);
      if (chosen.length === 0) continue;
      cuts.push({ stock: reel, pieces: chosen, leftMm: reel.lengthMm - usedMm });
      for (const piece of chosen) {
        left.splice(left.indexOf(piece), 1);
        const worth = (piece.lengthMm * reel.lengthMm) / usedMm;
        value.set(piece.id, 0.5 * value.get(piece.id)! + 0.5 * worth ** 1.02);
      }
    }
    const plan = { cuts, without: left };
    yield plan;
    if (left.length === 0 && isLeast(plan, reels, total)) return;
    if (best === null || isBetter(plan, best)) [best, bestRound] = [plan, round];
    else if (round - bestRound >= PATIENCE) return;
  }
}

/** Whether no plan can begin less: with reels of one length, so many as their sum needs. */
function isLeast(plan: CutPlan, reels: readonly Stock[], totalMm: number): boolean {
  const [first] = reels;
  return (
    first !== undefined &&
    reels.every(({ lengthMm }) => lengthMm === first.lengthMm) &&
    plan.cuts.length === Math.ceil(totalMm / first.lengthMm)
  );
}

/**
 * The longest piece that fits and the most valuable set beside it: a knapsack over the lengths that can be reached, in steps that divide
 * all pieces.
 */
function fullest(pieces: readonly Piece[], lengthMm: number, value: ReadonlyMap<string, number>): Piece[] {
  const first = pieces.find((piece) => whole(piece.lengthMm) <= lengthMm);
  if (!first) return [];
  const roomMm = Math.floor(lengthMm) - whole(first.lengthMm);
  const others = pieces.filter((piece) => piece !== first && whole(piece.lengthMm) <= roomMm);
  const stepMm = Math.max(others.reduce((step, { lengthMm: mm }) => divisor(step, whole(mm)), 0) || 1, Math.ceil(roomMm / MOST_STEPS));
  const room = Math.floor(roomMm / stepMm);
  const worth = new Float64Array(room + 1);
  const takes = others.map(() => new Uint8Array(room + 1));
  others.forEach((piece, at) => {
    const size = Math.ceil(whole(piece.lengthMm) / stepMm);
    for (let used = room; used >= size; used--) {
      const better = worth[used - size]! + value.get(piece.id)!;
      if (better <= worth[used]!) continue;
      worth[used] = better;
      takes[at]![used] = 1;
    }
  });
  const chosen = [first];
  for (let at = others.length - 1, used = room; at >= 0; at--) {
    if (takes[at]![used] !== 1) continue;
    chosen.push(others[at]!);
    used -= Math.ceil(whole(others[at]!.lengthMm) / stepMm);
  }
  return chosen;
}

/** The greatest common divisor; of nought and a number, the number. */
const divisor = (a: number, b: number): number => (a === 0 ? b : divisor(b % a, a));

/** Steps one reel is filled in, at most: pieces are rounded up to them. */
const MOST_STEPS = 5_000;
