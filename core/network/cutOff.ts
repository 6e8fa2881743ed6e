import type { LawBranches, OhmBranches } from './branches';

/** What a contact closed conducts more than, and open less than, S. */
const CONDUCTS_S = 1e-6;

/**
 * Where to begin the search once contacts have opened. A lamp cut off sits at the voltage of its other end, far from where it
 * stood, and a law with a falling slope (a converter) would send the search away from there: so every part that has just
 * lost its last conductor to the reference is given the voltage at which the first law between it and the rest sees nothing.
 */
export class CutOff {
  /** Conductances the last solution was found with. */
  private readonly solved: Float64Array;
  private readonly start: Float64Array;
  /** Ohmic branches by unknown: those of unknown `u` are `branch[first[u]]` to `branch[first[u + 1]]`. */
  private readonly first: Int32Array;
  private readonly branch: Int32Array;
  /** Round in which an unknown was last reached from the reference, or found cut off. */
  private readonly reached: Int32Array;
  private readonly queue: Int32Array;
  private round = 0;

  /** @param count unknowns; the reference is the one past the last. */
  constructor(
    private readonly ohms: OhmBranches,
    private readonly laws: LawBranches,
    private readonly count: number,
  ) {
    const { a, b, siemens } = ohms;
    this.solved = siemens.slice();
    this.start = siemens.slice();
    this.first = new Int32Array(count + 2);
    for (let at = 0; at < a.length; at++) {
      this.first[a[at]! + 1]!++;
      this.first[b[at]! + 1]!++;
    }
    for (let at = 0; at <= count; at++) this.first[at + 1]! += this.first[at]!;
    const next = this.first.slice();
    this.branch = new Int32Array(2 * a.length);
    for (let at = 0; at < a.length; at++) {
      this.branch[next[a[at]!]!++] = at;
      this.branch[next[b[at]!]!++] = at;
    }
    this.reached = new Int32Array(count + 1);
    this.queue = new Int32Array(count + 1);
  }

  /** Takes the conductances as those of the present solution. */
  keepSolved(): void {
    this.solved.set(this.ohms.siemens);
  }

  keepAsStart(): void {
    this.start.set(this.solved);
  }

  reset(): void {
    this.solved.set(this.start);
  }

  /** Moves the parts cut off since the last solution. */
  guess(x: Float64Array): void {
    const { a, b, siemens } = this.ohms;
    let floodDone = false;
    for (let at = 0; at < siemens.length; at++) {
      if (siemens[at]! > CONDUCTS_S || this.solved[at]! <= CONDUCTS_S) continue;
      if (!floodDone) {
        this.round++;
        this.flood(this.count);
        floodDone = true;
      }
      if (this.reached[a[at]!] !== this.round) this.place(a[at]!, x);
      if (this.reached[b[at]!] !== this.round) this.place(b[at]!, x);
    }
  }

  private place(unknown: number, x: Float64Array): void {
    const { a, b, lift } = this.laws;
    const size = this.flood(unknown, -this.round);
    for (let at = 0; at < a.length; at++) {
      const [inA, inB] = [this.reached[a[at]!] === -this.round, this.reached[b[at]!] === -this.round];
      if (inA === inB) continue;
      const volts = inA ? x[b[at]!]! - lift[at]! : x[a[at]!]! + lift[at]!;
      for (let place = 0; place < size; place++) x[this.queue[place]!] = volts;
      break;
    }
    for (let place = 0; place < size; place++) this.reached[this.queue[place]!] = this.round;
  }

  /** Marks everything that conducts to an unknown; its size, the unknowns being in the queue. */
  private flood(from: number, mark = this.round): number {
    const { first, branch, reached, queue } = this;
    const { a, b, siemens } = this.ohms;
    let size = 0;
    const add = (unknown: number) => {
      if (reached[unknown] === mark) return;
      reached[unknown] = mark;
      queue[size++] = unknown;
    };
    add(from);
    for (let at = 0; at < size; at++) {
      const unknown = queue[at]!;
      for (let place = first[unknown]!; place < first[unknown + 1]!; place++) {
        const along = branch[place]!;
        if (siemens[along]! > CONDUCTS_S) add(a[along] === unknown ? b[along]! : a[along]!);
      }
    }
    return size;
  }
}
