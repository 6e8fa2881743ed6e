import {
  dutyBranches,
  lawBranches,
  ohmBranches,
  sumChain,
  type Branches,
  type DutyBranches,
  type LawBranches,
  type OhmBranches,
} from './branches';
import { foldChains } from './chains';
import { checkConnected, checkValues } from './checks';
import { CutOff } from './cutOff';
import { Elimination } from './elimination';
import { AMPS, SLOPE, VOLTS, type Law } from './laws';
import { mergeNodes, type MergedNodes } from './mergedNodes';
import { NetworkError } from './networkError';
import type { ControlledSwitch, Netlist } from './netlist';
import { minimumDegree } from './ordering';

/** How a solution was reached and how well it holds. */
export interface Solved {
  iterations: number;
  /** Largest sum of currents left over at any node, A. */
  residualA: number;
  /** Largest current anywhere, A. */
  largestA: number;
}

const MOST_ITERATIONS = 80;
/** A sum of currents at a node is nothing when it is this share of what flows there, */
const KIRCHHOFF = 1e-10;
/** or this share of what the node's conductances would carry at its voltage: that is as far as the digits reach. */
const ROUNDING = 1e-15;
/** What the laws' own digits leave, A: ten microvolts across insulation. */
const NOISE_A = 1e-14;
const MOST_HALVINGS = 8;
const RAMP = [0.02, 0.1, 0.25, 0.5, 0.75, 1];

/**
 * A network ready to be solved, again and again: for other source voltages, resistances or laws at the same places. The
 * structure is worked out once; a solution starts from the one before and allocates nothing.
 *
 * Method: nodal analysis on conductances with Newton's iteration for the laws (L. W. Nagel, SPICE2, UCB/ERL M520, 1975,
 * companion models), on an ordering that leaves a tree without fill.
 */
export class Network {
  private readonly merged: MergedNodes;
  private readonly system: Elimination;
  /** Unknown of each node, -1 inside a chain, and volts of the node over it. The reference's unknown is the last, held fixed. */
  private readonly unknown: Int32Array;
  private readonly offset: Float64Array;
  private readonly x: Float64Array;
  private readonly before: Float64Array;
  private readonly start: Float64Array;
  private readonly step: Float64Array;
  /** What the currents at each unknown leave over, how much comes and goes there, and its steady conductance. */
  private readonly residual: Float64Array;
  private readonly flow: Float64Array;
  private readonly conductance: Float64Array;

  private readonly ohms: OhmBranches;
  private readonly duties: DutyBranches;
  private readonly laws: LawBranches;
  private readonly cutOff: CutOff;
  private readonly lawAt: Map<number, number>;
  private readonly dutyAt: Map<number, number>;
  private readonly sources: number[];
  private readonly switches: { element: number; part: ControlledSwitch }[];
  private readonly out = new Float64Array(3);
  private readonly innerVolts: Float64Array;
  private readonly sourceAmps = new Map<number, number>();
  private matrixStands = false;
  private contactsStand = false;
  private sourcesStand = false;
  private innerStands = false;
  /** Share of every source in force, less than one only while they are brought up. */
  private scale = 1;
  private largest = 0;

  /** @throws NetworkError for floating nodes, rings of sources and impossible values. */
  constructor(readonly netlist: Netlist) {
    const { nodes, elements, reference } = netlist;
    checkValues(elements);
    this.merged = mergeNodes(netlist);
    const { group, groupCount } = this.merged;
    checkConnected(netlist, group, groupCount);
    const chains = foldChains(netlist, this.merged);

    const isInner = new Uint8Array(groupCount);
    for (const { inner } of chains) for (const node of inner) isInner[group[node]!] = 1;
    const number = new Int32Array(groupCount).fill(-1);
    let count = 0;
    for (let at = 0; at < groupCount; at++) if (isInner[at] === 0 && at !== group[reference]) number[at] = count++;
    const numberOf = (node: number) => number[group[node]!]!;
    const varying = new Uint8Array(count);
    const edges: [number, number][] = [];
    const join = ({ a, b }: { a: number; b: number }) => {
      if (numberOf(a) >= 0 && numberOf(b) >= 0) edges.push([numberOf(a), numberOf(b)]);
    };
    chains.forEach(join);
    for (const element of elements) {
      if (element.kind !== 'law' && element.kind !== 'duty') continue;
      join(element);
      if (element.kind === 'law') for (const end of [numberOf(element.a), numberOf(element.b)]) if (end >= 0) varying[end] = 1;
    }
    this.system = new Elimination(minimumDegree(count, edges, (unknown) => varying[unknown] === 0));
    this.unknown = Int32Array.from(nodes, (_, node) => {
      if (group[node] === group[reference]) return count;
      return isInner[group[node]!] === 1 ? -1 : this.system.order.step[numberOf(node)]!;
    });
    const placeOf = (a: number, b: number) => (a === count || b === count || a === b ? -1 : this.system.placeOf(a, b));

    this.offset = new Float64Array(nodes.length);
    this.x = new Float64Array(count + 1);
    this.before = new Float64Array(count + 1);
    this.start = new Float64Array(count + 1);
    this.step = new Float64Array(count);
    this.residual = new Float64Array(count + 1);
    this.flow = new Float64Array(count + 1);
    this.conductance = new Float64Array(count);
    this.innerVolts = new Float64Array(nodes.length);
    this.ohms = ohmBranches(chains, elements, this.unknown, placeOf);
    this.duties = dutyBranches(elements, this.unknown, placeOf);
    this.laws = lawBranches(elements, this.unknown, placeOf);
    this.cutOff = new CutOff(this.ohms, this.laws, count);
    this.lawAt = positions(this.laws.element);
    this.dutyAt = positions(this.duties.element);
    this.sources = elements.flatMap(({ kind }, at) => (kind === 'current' ? [at] : []));
    this.switches = elements.flatMap((part, element) => (part.kind === 'switch' ? [{ element, part }] : []));
  }

  /** Sets a resistor's ohms, or opens and closes a contact. */
  setOhm(element: number, ohm: number): void {
    const { ohms } = this;
    if (ohms.ohm[element] === ohm) return;
    ohms.ohm[element] = ohm;
    sumChain(ohms, ohms.branchOf[element]!);
    this.matrixStands = false;
    this.contactsStand = false;
  }

  /** Sets the volts or amperes of a source. */
  setSource(element: number, value: number): void {
    const source = this.netlist.elements[element]!;
    if (source.kind === 'voltage') source.volts = value;
    else if (source.kind === 'current') source.amps = value;
    this.sourcesStand = false;
  }

  setLaw(element: number, law: Law): void {
    this.laws.law[this.lawAt.get(element)!] = law;
  }

  setDuty(element: number, share: number): void {
    this.duties.share[this.dutyAt.get(element)!] = share;
  }

  /** Takes the present solution as the one to start from after a reset. */
  keepAsStart(): void {
    this.start.set(this.x);
    this.cutOff.keepAsStart();
  }

  /** Forgets the last solution: the next starts from the kept one, and so gives the same digits whatever came before. */
  reset(): void {
    this.x.set(this.start);
    this.cutOff.reset();
    this.contactsStand = false;
  }

  /** Volts of a node over the reference. */
  voltage(node: number): number {
    const unknown = this.unknown[node]!;
    if (unknown >= 0) return this.x[unknown]! + this.offset[node]!;
    if (!this.innerStands) this.walkChains();
    return this.innerVolts[node]!;
  }

  /** Amperes from `a` to `b` through an element. */
  current(element: number): number {
    const { branchOf, forward, amps } = this.ohms;
    const branch = branchOf[element]!;
    if (branch >= 0) return forward[element] === 1 ? amps[branch]! : -amps[branch]!;
    const law = this.lawAt.get(element);
    if (law !== undefined) return this.laws.amps[law]!;
    const duty = this.dutyAt.get(element);
    if (duty !== undefined) return this.duties.amps[duty]!;
    const part = this.netlist.elements[element]!;
    if (part.kind === 'current') return part.amps;
    if (this.sourceAmps.size === 0) this.feedSources();
    return this.sourceAmps.get(element)!;
  }

  /**
   * Thevenin's resistance between a node and the reference, ohm: how far one ampere more would move it, around the present
   * operating point.
   */
  resistanceSeen(node: number): number {
    const { system, unknown, ohms } = this;
    const rise = (at: number, by: number) => {
      this.step.fill(0);
      if (by === system.count || at === system.count) return 0;
      this.step[by] = 1;
      system.solve(this.step);
      return this.step[at]!;
    };
    const own = unknown[node]!;
    if (own >= 0) return rise(own, own);
    const branch = ohms.chains.findIndex(({ inner }) => inner.includes(node));
    const { a, b, links, inner } = ohms.chains[branch]!;
    const toA = links.slice(0, inner.indexOf(node) + 1).reduce((sum, { element }) => sum + ohms.ohm[element]!, 0);
    const toB = 1 / ohms.siemens[branch]! - toA;
    const shareA = toB / (toA + toB);
    const shareB = toA / (toA + toB);
    const [atA, atB] = [unknown[a]!, unknown[b]!];
    const ends = shareA * shareA * rise(atA, atA) + shareB * shareB * rise(atB, atB) + 2 * shareA * shareB * rise(atA, atB);
    return (toA * toB) / (toA + toB) + ends;
  }

  /**
   * Finds the operating point.
   * @throws NetworkError `noConvergence`, naming the elements that were farthest from rest.
   */
  solve(): Solved {
    for (let round = 0; round < 2 + this.switches.length; round++) {
      const solved = this.iterate() ?? this.ramp();
      this.innerStands = false;
      this.sourceAmps.clear();
      this.cutOff.keepSolved();
      if (!this.flipSwitches()) return solved;
    }
    throw new NetworkError({ code: 'noConvergence', elements: this.switches.map(({ part }) => part.name), nodes: [] });
  }

  /** Newton's iteration from the last solution; null when it does not come to rest. */
  private iterate(): Solved | null {
    const { system, x, before, residual, step, laws } = this;
    const count = step.length;
    if (!this.sourcesStand) this.lift();
    if (!this.matrixStands) this.fillSteady();
    if (!this.contactsStand) this.cutOff.guess(x);
    this.contactsStand = true;
    let last = this.sumCurrents();
    for (let iterations = 1; iterations <= MOST_ITERATIONS; iterations++) {
      system.restore();
      system.addConductances(laws, laws.slope);
      system.factorise();
      for (let at = 0; at < count; at++) step[at] = -residual[at]!;
      system.solve(step);
      before.set(x);
      let worst = 0;
      let share = 1;
      for (let halving = 0; ; halving++) {
        for (let at = 0; at < count; at++) x[at] = before[at]! + share * step[at]!;
        worst = this.sumCurrents();
        if (worst <= last || laws.law.length === 0 || halving === MOST_HALVINGS || this.isAtRest()) break;
        share /= 2;
      }
      if (!Number.isFinite(worst)) return null;
      if (this.isAtRest()) return { iterations, residualA: worst, largestA: this.largest };
      last = worst;
    }
    return null;
  }

  /** Brings the sources up bit by bit, each solution the start of the next. */
  private ramp(): Solved {
    this.x.fill(0);
    let solved: Solved | null = null;
    for (const share of RAMP) {
      this.scale = share;
      this.sourcesStand = false;
      solved = this.iterate();
    }
    this.scale = 1;
    if (solved) return solved;
    throw new NetworkError({ code: 'noConvergence', ...this.farthest() });
  }

  /** Whether Kirchhoff's current law holds at every unknown as well as it can. */
  private isAtRest(): boolean {
    const { residual, flow, conductance, x } = this;
    for (let at = 0; at < conductance.length; at++) {
      if (!(Math.abs(residual[at]!) <= KIRCHHOFF * flow[at]! + ROUNDING * conductance[at]! * (1 + Math.abs(x[at]!)) + NOISE_A))
        return false;
    }
    return true;
  }

  /** Volts of every node over its group's unknown, and between the ends of every branch, for the sources as they are. */
  private lift(): void {
    const { offset, merged, netlist, x, scale } = this;
    offset[netlist.reference] = 0;
    for (const { element, node, from, sign } of merged.reached) {
      const source = netlist.elements[element]!;
      offset[node] = offset[from]! + (source.kind === 'voltage' ? sign * source.volts * scale : 0);
    }
    x[x.length - 1] = 0;
    for (const { nodeA, nodeB, lift } of [this.ohms, this.duties, this.laws] as Branches[]) {
      for (let at = 0; at < lift.length; at++) lift[at] = offset[nodeA[at]!]! - offset[nodeB[at]!]!;
    }
    this.sourcesStand = true;
  }

  private fillSteady(): void {
    const { system, ohms, duties } = this;
    system.diagonal.fill(0);
    system.lower.fill(0);
    system.addConductances(ohms, ohms.siemens);
    system.addConductances(duties, duties.siemens);
    this.conductance.set(system.diagonal);
    system.keep();
    this.matrixStands = true;
  }

  /** Currents of every branch at the present voltages, and what they leave over at each unknown. Returns the largest of that. */
  private sumCurrents(): number {
    const { residual, flow, x } = this;
    residual.fill(0);
    flow.fill(0);
    let largest = Math.max(this.sumOhms(), this.sumDuties(), this.sumLaws());
    for (const element of this.sources) {
      const source = this.netlist.elements[element]!;
      if (source.kind !== 'current') continue;
      const amps = source.amps * this.scale;
      this.leave(this.unknown[source.a]!, this.unknown[source.b]!, amps);
      largest = Math.max(largest, Math.abs(amps));
    }
    this.largest = largest;
    let worst = 0;
    for (let at = 0; at < x.length - 1; at++) {
      const size = Math.abs(residual[at]!);
      if (!(size <= worst)) worst = size;
    }
    return worst;
  }

  private sumOhms(): number {
    const { residual, flow, x } = this;
    const { a, b, lift, siemens, amps } = this.ohms;
    let largest = 0;
    for (let at = 0; at < amps.length; at++) {
      const from = a[at]!;
      const to = b[at]!;
      const i = (x[from]! - x[to]! + lift[at]!) * siemens[at]!;
      amps[at] = i;
      residual[from]! += i;
      residual[to]! -= i;
      const size = i < 0 ? -i : i;
      flow[from]! += size;
      flow[to]! += size;
      if (size > largest) largest = size;
    }
    return largest;
  }

  private sumLaws(): number {
    const { residual, flow, x, out } = this;
    const { a, b, lift, law, slope, amps } = this.laws;
    let largest = 0;
    for (let at = 0; at < amps.length; at++) {
      const from = a[at]!;
      const to = b[at]!;
      out[VOLTS] = x[from]! - x[to]! + lift[at]!;
      law[at]!.at(out);
      const i = out[AMPS]!;
      slope[at] = out[SLOPE]!;
      amps[at] = i;
      residual[from]! += i;
      residual[to]! -= i;
      const size = i < 0 ? -i : i;
      flow[from]! += size;
      flow[to]! += size;
      if (size > largest) largest = size;
    }
    return largest;
  }

  private sumDuties(): number {
    const { x, offset } = this;
    const { a, b, nodeA, lift, siemens, share, common, amps } = this.duties;
    let largest = 0;
    for (let at = 0; at < amps.length; at++) {
      const whole = x[a[at]!]! + offset[nodeA[at]!]! - this.voltage(common[at]!);
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

  /** Opens and closes controlled switches by what they see; says whether any moved. */
  private flipSwitches(): boolean {
    let flipped = false;
    for (const { element, part } of this.switches) {
      const volts = this.voltage(part.plus) - this.voltage(part.minus);
      const closed = this.ohms.ohm[element] === part.closedOhm;
      if (closed ? volts >= part.thresholdV - part.hysteresisV : volts <= part.thresholdV + part.hysteresisV) continue;
      this.setOhm(element, closed ? part.openOhm : part.closedOhm);
      flipped = true;
    }
    return flipped;
  }

  /** Voltages of the nodes inside chains, from each chain's first end on. */
  private walkChains(): void {
    const { ohms, innerVolts } = this;
    this.innerStands = true;
    ohms.chains.forEach(({ a, links, inner }, branch) => {
      if (inner.length === 0) return;
      let volts = this.voltage(a);
      inner.forEach((node, at) => {
        volts -= ohms.amps[branch]! * ohms.ohm[links[at]!.element]!;
        innerVolts[node] = volts;
      });
    });
  }

  /** Currents of the ideal voltage sources: what Kirchhoff leaves for them, from the ends of each group inwards. */
  private feedSources(): void {
    const { netlist, merged, sourceAmps } = this;
    const leaving = new Map<number, number>();
    for (const { node, from } of merged.reached) leaving.set(node, 0).set(from, leaving.get(from) ?? 0);
    const add = (node: number, amps: number) => {
      const sum = leaving.get(node);
      if (sum !== undefined) leaving.set(node, sum + amps);
    };
    netlist.elements.forEach(({ kind, a, b }, at) => {
      if (kind === 'voltage' || (!leaving.has(a) && !leaving.has(b))) return;
      add(a, this.current(at));
      add(b, -this.current(at));
    });
    for (const { element, node, from, sign } of merged.reached.toReversed()) {
      const amps = leaving.get(node)!;
      sourceAmps.set(element, -sign * amps);
      add(from, amps);
    }
  }

  private farthest(): { elements: string[]; nodes: string[] } {
    const { residual, unknown, netlist } = this;
    let worst = 0;
    for (let at = 0; at < residual.length - 1; at++) if (Math.abs(residual[at]!) > Math.abs(residual[worst]!)) worst = at;
    const nodes = netlist.nodes.filter((_, node) => unknown[node] === worst);
    const elements = netlist.elements.filter(({ kind, a, b }) => kind === 'law' && (unknown[a] === worst || unknown[b] === worst));
    return { elements: elements.map(({ name }) => name), nodes };
  }
}

function positions(elements: Int32Array): Map<number, number> {
  return new Map(Array.from(elements, (element, at) => [element, at]));
}
