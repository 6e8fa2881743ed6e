import type { DutyBranches, LawBranches, OhmBranches } from './branches';
import { AMPS, SLOPE, VOLTS } from '../devices/laws';
import type { Netlist } from './netlist';

/** A sum of currents at a node is nothing when it is this share of what flows there, */
const KIRCHHOFF = 1e-10;
/** or this share of what the node's conductances would carry at its voltage: that is as far as the digits reach. */
const ROUNDING = 1e-15;
/** What the laws' own digits leave, A: ten microvolts across insulation. */
const NOISE_A = 1e-14;

/** A network's parts that carry current, and the voltages they see. */
export interface Carriers {
  netlist: Netlist;
  ohms: OhmBranches;
  duties: DutyBranches;
  laws: LawBranches;
  /** Elements that are current sources. */
  sources: readonly number[];
  /** Unknown of each node, volts of the unknowns, the reference's last, and of each node over its unknown. */
  unknown: Int32Array;
  x: Float64Array;
  offset: Float64Array;
  voltage(node: number): number;
}

/**
 * Kirchhoff's current law at every unknown: the current of every branch at the present voltages, and what they leave over. Allocates
 * nothing.
 */
export class CurrentSums {
  /** What the currents at each unknown leave over, and how much comes and goes there, A. */
  readonly residual: Float64Array;
  private readonly flow: Float64Array;
  /** Steady conductance at each unknown, S. */
  readonly conductance: Float64Array;
  /** Largest current anywhere, A. */
  largest = 0;
  private readonly out = new Float64Array(3);

  constructor(private readonly carriers: Carriers) {
    const { length } = carriers.x;
    this.residual = new Float64Array(length);
    this.flow = new Float64Array(length);
    this.conductance = new Float64Array(length - 1);
  }

  /** Sums anew. Returns the largest of what is left over, A. @param scale share of every current source in force. */
  sum(scale: number): number {
    const { residual, flow } = this;
    const { netlist, sources, unknown } = this.carriers;
    residual.fill(0);
    flow.fill(0);
    let largest = Math.max(this.sumOhms(), this.sumDuties(), this.sumLaws());
    for (const element of sources) {
      const source = netlist.elements[element]!;
      if (source.kind !== 'current') continue;
      const amps = source.amps * scale;
      this.leave(unknown[source.a]!, unknown[source.b]!, amps);
      largest = Math.max(largest, Math.abs(amps));
    }
    this.largest = largest;
    let worst = 0;
    for (let at = 0; at < this.conductance.length; at++) {
      const size = Math.abs(residual[at]!);
      if (!(size <= worst)) worst = size;
    }
    return worst;
  }

  /** Whether the law holds at every unknown as well as it can. */
  isAtRest(): boolean {
    const { residual, flow, conductance } = this;
    const { x } = this.carriers;
    for (let at = 0; at < conductance.length; at++) {
      if (!(Math.abs(residual[at]!) <= KIRCHHOFF * flow[at]! + ROUNDING * conductance[at]! * (1 + Math.abs(x[at]!)) + NOISE_A))
        return false;
    }
    return true;
  }

  /** The unknown farthest from rest. */
  farthest(): number {
    const { residual } = this;
    let worst = 0;
    for (let at = 0; at < this.conductance.length; at++) if (Math.abs(residual[at]!) > Math.abs(residual[worst]!)) worst = at;
    return worst;
  }

  private sumOhms(): number {
    const { x } = this.carriers;
    const { a, b, lift, siemens, amps } = this.carriers.ohms;
    let largest = 0;
    for (let at = 0; at < amps.length; at++) {
      const from = a[at]!;
      const to = b[at]!;
      const i = (x[from]! - x[to]! + lift[at]!) * siemens[at]!;
      amps[at] = i;
      this.leave(from, to, i);
      if (i > largest || -i > largest) largest = Math.abs(i);
    }
    return largest;
  }

  private sumLaws(): number {
    const { out } = this;
    const { x } = this.carriers;
    const { a, b, lift, law, slope, amps } = this.carriers.laws;
    let largest = 0;
    for (let at = 0; at < amps.length; at++) {
      const from = a[at]!;
      const to = b[at]!;
      out[VOLTS] = x[from]! - x[to]! + lift[at]!;
      law[at]!.at(out);
      const i = out[AMPS]!;
      slope[at] = out[SLOPE]!;
      amps[at] = i;
      this.leave(from, to, i);
      if (i > largest || -i > largest) largest = Math.abs(i);
    }
    return largest;
  }

  private sumDuties(): number {
    const { x, offset } = this.carriers;
    const { a, b, nodeA, lift, siemens, share, common, amps } = this.carriers.duties;
    let largest = 0;
    for (let at = 0; at < amps.length; at++) {
      const whole = x[a[at]!]! + offset[nodeA[at]!]! - this.carriers.voltage(common[at]!);
      const i = (x[a[at]!]! - x[b[at]!]! + lift[at]! - (1 - share[at]!) * whole) * siemens[at]!;
      amps[at] = i;
      this.leave(a[at]!, b[at]!, i);
      largest = Math.max(largest, Math.abs(i));
    }
    return largest;
  }

  private leave(from: number, to: number, amps: number): void {
    const { residual, flow } = this;
    residual[from]! += amps;
    residual[to]! -= amps;
    flow[from]! += Math.abs(amps);
    flow[to]! += Math.abs(amps);
  }
}
