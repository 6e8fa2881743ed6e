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
import { placed, withinChain, type Placed } from './placed';
import { checkConnected, checkValues } from './checks';
import { CurrentSums } from './currentSums';
import { CutOff } from './cutOff';
import { DutySteps } from './dutySteps';
import type { Elimination } from './elimination';
import type { Law } from '../devices/laws';
import { mergeNodes, type MergedNodes } from './mergedNodes';
import { NetworkError } from './networkError';
import type { ControlledSwitch, Netlist } from './netlist';
import { orderUnknowns } from './unknowns';

/** How a solution was reached and how well it holds. */
export interface Solved {
  iterations: number;
  /** Largest sum of currents left over at any node, A. */
  residualA: number;
  /** Largest current anywhere, A. */
  largestA: number;
}

const MOST_ITERATIONS = 80;
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
  private readonly sums: CurrentSums;

  private readonly ohms: OhmBranches;
  private readonly duties: DutyBranches;
  private readonly laws: LawBranches;
  private readonly dutySteps: DutySteps;
  private readonly cutOff: CutOff;
  private readonly lawAt: Map<number, number>;
  private readonly dutyAt: Map<number, number>;
  private readonly switches: { element: number; part: ControlledSwitch }[];
  private readonly innerVolts: Float64Array;
  private readonly sourceAmps = new Map<number, number>();
  private matrixStands = false;
  private contactsStand = false;
  private sourcesStand = false;
  private innerStands = false;
  /** Share of every source in force, less than one only while they are brought up. */
  private scale = 1;

  /** @throws NetworkError for floating nodes, rings of sources and impossible values. */
  constructor(readonly netlist: Netlist) {
    const { nodes, elements } = netlist;
    checkValues(elements);
    this.merged = mergeNodes(netlist);
    const { group, groupCount } = this.merged;
    checkConnected(netlist, group, groupCount);
    const chains = foldChains(netlist, this.merged);

    const { count, of, system, placeOf } = orderUnknowns(netlist, this.merged, chains);
    this.system = system;
    this.unknown = of;
    this.offset = new Float64Array(nodes.length);
    this.x = new Float64Array(count + 1);
    this.before = new Float64Array(count + 1);
    this.start = new Float64Array(count + 1);
    this.step = new Float64Array(count);
    this.innerVolts = new Float64Array(nodes.length);
    this.ohms = ohmBranches(chains, elements, this.unknown, placeOf);
    this.duties = dutyBranches(elements, this.unknown, placeOf);
    this.laws = lawBranches(elements, this.unknown, placeOf);
    this.dutySteps = new DutySteps(this.duties, this.unknown, count);
    this.cutOff = new CutOff(this.ohms, this.laws, count);
    this.lawAt = positions(this.laws.element);
    this.dutyAt = positions(this.duties.element);
    this.switches = elements.flatMap((part, element) => (part.kind === 'switch' ? [{ element, part }] : []));
    this.sums = new CurrentSums({
      ...{ netlist, ohms: this.ohms, duties: this.duties, laws: this.laws, unknown: of, x: this.x, offset: this.offset },
      sources: elements.flatMap(({ kind }, at) => (kind === 'current' ? [at] : [])),
      voltage: (node) => this.voltage(node),
    });
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

  /** A resistor's ohms at the moment. */
  ohmOf(element: number): number {
    return this.ohms.ohm[element]!;
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
   * Thevenin's resistance between two nodes, ohm: how far one ampere more, into one and out of the other, would move them apart, around the
   * present operating point. The ampere goes in and comes out in one solution, so that what they float on together is not the difference of
   * two large numbers.
   */
  resistanceBetween(one: number, other: number): number {
    const { system, step, unknown, ohms, dutySteps } = this;
    const [into, out] = [placed(one, unknown, ohms), placed(other, unknown, ohms)];
    const fed = ({ shares }: Placed, amps: number) => {
      for (const { unknown: at, share } of shares) if (at < system.count) step[at]! += amps * share;
    };
    const rise = ({ shares }: Placed) =>
      shares.reduce((sum, { unknown: at, share }) => sum + (at < system.count ? share * step[at]! : 0), 0);
    step.fill(0);
    fed(into, 1);
    fed(out, -1);
    system.solve(step);
    dutySteps.correct(system, step);
    return rise(into) - rise(out) + withinChain(into, out);
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
    const { system, x, before, sums, step, laws } = this;
    const count = step.length;
    if (!this.sourcesStand) this.lift();
    if (!this.matrixStands) this.fillSteady();
    if (!this.contactsStand) this.cutOff.guess(x);
    this.contactsStand = true;
    let last = sums.sum(this.scale);
    for (let iterations = 1; iterations <= MOST_ITERATIONS; iterations++) {
      system.restore();
      system.addConductances(laws, laws.slope);
      system.factorise();
      for (let at = 0; at < count; at++) step[at] = -sums.residual[at]!;
      system.solve(step);
      this.dutySteps.correct(system, step);
      before.set(x);
      let worst = 0;
      let share = 1;
      for (let halving = 0; ; halving++) {
        for (let at = 0; at < count; at++) x[at] = before[at]! + share * step[at]!;
        worst = sums.sum(this.scale);
        if (worst <= last || laws.law.length === 0 || halving === MOST_HALVINGS || sums.isAtRest()) break;
        share /= 2;
      }
      if (!Number.isFinite(worst)) return null;
      if (sums.isAtRest()) return { iterations, residualA: worst, largestA: sums.largest };
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
    this.sums.conductance.set(system.diagonal);
    system.keep();
    this.matrixStands = true;
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
    const { unknown, netlist } = this;
    const worst = this.sums.farthest();
    const nodes = netlist.nodes.filter((_, node) => unknown[node] === worst);
    const elements = netlist.elements.filter(({ kind, a, b }) => kind === 'law' && (unknown[a] === worst || unknown[b] === worst));
    return { elements: elements.map(({ name }) => name), nodes };
  }
}

function positions(elements: Int32Array): Map<number, number> {
  return new Map(Array.from(elements, (element, at) => [element, at]));
}
