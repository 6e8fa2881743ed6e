import type { Flaw } from './flaws';

/** A range a reading may lie in, how likely that is, and what is likeliest to be wrong then. */
export interface Meaning {
  low: number;
  high: number;
  probability: number;
  flaw: Flaw;
}

type Kind = 'volts' | 'amps';

/** Under this nothing read in a vehicle means anything: ten millivolts, ten milliamperes. Common practice. */
const LEAST = 0.01;
/**
 * What a reading may differ by as a share of itself: a hundredth for the meter; for currents the plan's draws too, which differ by some
 * hundredths.
 */
const SHARE: Record<Kind, number> = { volts: 0.012, amps: 0.04 };
/** A reading is wrong, or of another terminal, once in fifty: a bad one lowers, never locks. */
const WRONG = 0.02;
/** Where it is wrong it is anywhere in some twenty volts or amperes. */
const ANYWHERE = 1 / 20;

/** How far a reading may lie from what is foreseen. */
export function spreadOf(value: number, kind: Kind): number {
  return Math.hypot(LEAST, value * SHARE[kind]);
}

/** The likelihood of readings, in logarithms. */
export const LogShare = {
  /** Of one that is read where another is foreseen. */
  of(read: number, foreseen: number, kind: Kind): number {
    const sigma = spreadOf(foreseen, kind);
    const off = (read - foreseen) / sigma;
    return Math.log(((1 - WRONG) * Math.exp((-off * off) / 2)) / (sigma * Math.sqrt(2 * Math.PI)) + WRONG * ANYWHERE);
  },
  /** Below this it is rather a mistake. */
  mistake: Math.log(WRONG * ANYWHERE * 2),
};

/** A reading counted in its own spreads: where it is foreseen with a spread of one. */
const counted = (value: number, kind: Kind) => Math.asinh((value * SHARE[kind]) / LEAST) / SHARE[kind];
const uncounted = (count: number, kind: Kind) => (Math.sinh(count * SHARE[kind]) * LEAST) / SHARE[kind];

/** Weights of what lies up to three spreads from where it is foreseen. */
const BELL = [-3, -2, -1, 0, 1, 2, 3].map((at) => Math.exp((-at * at) / 2));
const BELL_SUM = BELL.reduce((sum, weight) => sum + weight, 0);

/** What one measurement may read, in steps of its spread, and what would be wrong with each. */
export class Outcomes {
  private readonly bins = new Map<number, Map<string, { share: number; best: number; flaw: Flaw }>>();
  private readonly repairs = new Map<string, number>();
  private whole = 0;

  constructor(private readonly kind: Kind) {}

  /** Takes in what one suspect would make it read. */
  add(value: number, share: number, repair: string, flaw: Flaw): void {
    const middle = Math.round(counted(value, this.kind));
    this.whole += share;
    this.repairs.set(repair, (this.repairs.get(repair) ?? 0) + share);
    BELL.forEach((weight, at) => {
      const bin = middle + at - 3;
      const part = (share * weight) / BELL_SUM;
      const inBin = this.bins.get(bin) ?? new Map<string, { share: number; best: number; flaw: Flaw }>();
      this.bins.set(bin, inBin);
      const known = inBin.get(repair);
      if (!known) inBin.set(repair, { share: part, best: part, flaw });
      else {
        known.share += part;
        if (part > known.best) Object.assign(known, { best: part, flaw });
      }
    });
  }

  /** What it tells about what to repair: the mutual information of reading and repair, bits. Shannon 1948. */
  bits(): number {
    let bits = 0;
    for (const inBin of this.bins.values()) {
      const here = Array.from(inBin.values()).reduce((sum, { share }) => sum + share, 0) / this.whole;
      for (const [repair, { share }] of inBin) {
        const both = share / this.whole;
        if (both > 0) bits += both * Math.log2(both / (here * (this.repairs.get(repair)! / this.whole)));
      }
    }
    return Math.max(0, bits);
  }

  /** Ranges of readings that point to one repair, the likeliest first. */
  meanings(): Meaning[] {
    const ranges: (Meaning & { repair: string; from: number; last: number })[] = [];
    for (const bin of [...this.bins.keys()].sort((a, b) => a - b)) {
      const inBin = this.bins.get(bin)!;
      const [repair, likeliest] = [...inBin].reduce((best, one) => (one[1].share > best[1].share ? one : best));
      const probability = Array.from(inBin.values()).reduce((sum, { share }) => sum + share, 0) / this.whole;
      const open = ranges.at(-1);
      if (open && open.repair === repair && bin - open.last <= 2)
        Object.assign(open, { probability: open.probability + probability, last: bin });
      else ranges.push({ ...{ low: 0, high: 0, probability, flaw: likeliest.flaw, repair }, from: bin, last: bin });
    }
    return ranges
      .filter(({ probability }) => probability > 0.01)
      .sort((a, b) => b.probability - a.probability)
      .slice(0, 5)
      .map(({ from, last, probability, flaw }) => ({
        low: uncounted(from, this.kind),
        high: uncounted(last, this.kind),
        probability,
        flaw,
      }));
  }
}
