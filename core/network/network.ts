import { Elimination } from './elimination';
import type { Law } from './laws';
import { mergeNodes, type MergedNodes } from './mergedNodes';
import { NetworkError } from './networkError';
import type { NetElement, Netlist } from './netlist';
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
  /** Unknown of each node, and volts of the node over it. The reference group's unknown is the last, held fixed. */
  private readonly unknown: Int32Array;
  private readonly offset: Float64Array;
  private readonly x: Float64Array;
  private readonly before: Float64Array;
  private readonly residual: Float64Array;
  /** Amperes coming and going at each unknown, and its steady conductance. */
  private readonly flow: Float64Array;
  private readonly conductance: Float64Array;
  private readonly step: Float64Array;

  private readonly ohmic: Ohmic;
  private readonly laws: Laws;
  private readonly out = new Float64Array(2);
  private readonly currents: Float64Array;
  private readonly leaving: Float64Array;
  private dirty = true;
  private scale = 1;

  /** @throws NetworkError for floating nodes, rings of sources and impossible values. */
  constructor(readonly netlist: Netlist) {
    const { nodes, elements, reference } = netlist;
    checkValues(elements);
    this.merged = mergeNodes(netlist);
    const { group, groupCount } = this.merged;
    checkConnected(netlist, group, groupCount);

    const count = groupCount - 1;
    const fixed = group[reference]!;
    const compact = (node: number) => (group[node]! === fixed ? -1 : group[node]! > fixed ? group[node]! - 1 : group[node]!);
    const varying = new Uint8Array(count);
    const edges: [number, number][] = [];
    for (const element of elements) {
      if (element.kind === 'voltage' || element.kind === 'current') continue;
      const a = compact(element.a);
      const b = compact(element.b);
      if (a >= 0 && b >= 0) edges.push([a, b]);
      if (element.kind === 'law') for (const end of [a, b]) if (end >= 0) varying[end] = 1;
    }
    this.system = new Elimination(minimumDegree(count, edges, (unknown) => varying[unknown] === 0));
    this.unknown = Int32Array.from(nodes, (_, node) => (compact(node) < 0 ? count : this.system.order.step[compact(node)]!));
    const placeOf = (a: number, b: number) =>
      compact(a) < 0 || compact(b) < 0 || compact(a) === compact(b) ? -1 : this.system.placeOf(compact(a), compact(b));

    this.offset = new Float64Array(nodes.length);
    this.x = new Float64Array(count + 1);
    this.before = new Float64Array(count + 1);
    this.residual = new Float64Array(count + 1);
    this.flow = new Float64Array(count + 1);
    this.conductance = new Float64Array(count);
    this.step = new Float64Array(count);
    this.currents = new Float64Array(elements.length);
    this.leaving = new Float64Array(nodes.length);
    this.ohmic = ohmicOf(elements, placeOf);
    this.laws = lawsOf(elements, placeOf);
  }

  /** Sets a resistor's ohms, or opens and closes a contact. */
  setOhm(element: number, ohm: number): void {
    const at = this.ohmic.at.get(element)!;
    if (this.ohmic.siemens[at] === 1 / ohm) return;
    this.ohmic.siemens[at] = 1 / ohm;
    this.dirty = true;
  }

  /** Sets the volts or amperes of a source. */
  setSource(element: number, value: number): void {
    const source = this.netlist.elements[element]!;
    if (source.kind === 'voltage') source.volts = value;
    else if (source.kind === 'current') source.amps = value;
  }

  setLaw(element: number, law: Law): void {
    this.laws.law[this.laws.at.get(element)!] = law;
  }

  setDuty(element: number, duty: number): void {
    this.ohmic.duty[this.ohmic.at.get(element)!] = duty;
  }

  /** Forgets the last solution: the next starts from nothing, and so gives the same digits whatever came before. */
  reset(): void {
    this.x.fill(0);
  }

  /** Volts of a node over the reference. */
  voltage(node: number): number {
    return this.x[this.unknown[node]!]! + this.offset[node]!;
  }

  /** Amperes from `a` to `b` through an element. */
  current(element: number): number {
    return this.currents[element]!;
  }

  /**
   * Finds the operating point.
   * @throws NetworkError `noConvergence`, naming the elements that were farthest from rest.
   */
  solve(): Solved {
    for (let round = 0; round < 1 + this.ohmic.switches.length; round++) {
      const solved = this.iterate() ?? this.ramp();
      if (!this.flipSwitches()) return this.finish(solved);
    }
    throw new NetworkError({ code: 'noConvergence', elements: this.ohmic.switches.map(({ name }) => name), nodes: [] });
  }

  /** Newton's iteration from the last solution; null when it does not come to rest. */
  private iterate(): Solved | null {
    const { system, x, residual, step, laws } = this;
    this.placeOffsets();
    if (this.dirty) this.fillSteady();
    let worst = this.sumCurrents();
    for (let iterations = 1; iterations <= MOST_ITERATIONS; iterations++) {
      system.restore();
      this.addSlopes();
      system.factorise();
      for (let at = 0; at < step.length; at++) step[at] = -residual[at]!;
      system.solve(step);
      this.before.set(x);
      let last = worst;
      let share = 1;
      for (let halving = 0; ; halving++) {
        for (let at = 0; at < step.length; at++) x[at] = this.before[at]! + share * step[at]!;
        worst = this.sumCurrents();
        if (laws.law.length === 0 || worst <= last || halving === MOST_HALVINGS || this.isAtRest()) break;
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
      solved = this.iterate();
    }
    this.scale = 1;
    if (solved) return solved;
    throw new NetworkError({ code: 'noConvergence', ...this.farthest() });
  }

  private largest = 0;

  /** Whether Kirchhoff's current law holds at every unknown as well as it can. */
  private isAtRest(): boolean {
    const { residual, flow, conductance, x } = this;
    for (let at = 0; at < conductance.length; at++) {
      if (!(Math.abs(residual[at]!) <= KIRCHHOFF * flow[at]! + ROUNDING * conductance[at]! * (1 + Math.abs(x[at]!)))) return false;
    }
    return true;
  }

  /** Volts of every node over its group's unknown, for the sources as they are. */
  private placeOffsets(): void {
    const { offset, merged, netlist, x, scale } = this;
    offset[netlist.reference] = 0;
    for (const { element, node, from, sign } of merged.reached) {
      const source = netlist.elements[element]!;
      offset[node] = offset[from]! + (source.kind === 'voltage' ? sign * source.volts * scale : 0);
    }
    x[x.length - 1] = 0;
  }

  private fillSteady(): void {
    const { system, ohmic, unknown } = this;
    const fixed = system.count;
    system.diagonal.fill(0);
    system.lower.fill(0);
    for (let at = 0; at < ohmic.element.length; at++) {
      const g = ohmic.siemens[at]!;
      const a = unknown[ohmic.a[at]!]!;
      const b = unknown[ohmic.b[at]!]!;
      if (a === b) continue;
      if (a < fixed) system.diagonal[a]! += g;
      if (b < fixed) system.diagonal[b]! += g;
      if (ohmic.place[at]! >= 0) system.lower[ohmic.place[at]!]! -= g;
    }
    this.conductance.set(system.diagonal);
    system.keep();
    this.dirty = false;
  }

  private addSlopes(): void {
    const { system, laws, unknown } = this;
    const fixed = system.count;
    for (let at = 0; at < laws.law.length; at++) {
      const g = laws.slope[at]!;
      const a = unknown[laws.a[at]!]!;
      const b = unknown[laws.b[at]!]!;
      if (a === b) continue;
      if (a < fixed) system.diagonal[a]! += g;
      if (b < fixed) system.diagonal[b]! += g;
      if (laws.place[at]! >= 0) system.lower[laws.place[at]!]! -= g;
    }
  }

  /** Currents of every element at the present voltages, and what they leave over at each unknown. Returns the largest of that. */
  private sumCurrents(): number {
    const { ohmic, laws, residual, flow, currents, unknown, x, offset, out } = this;
    residual.fill(0);
    flow.fill(0);
    let largest = 0;
    for (let at = 0; at < ohmic.element.length; at++) {
      const nodeA = ohmic.a[at]!;
      const nodeB = ohmic.b[at]!;
      const a = unknown[nodeA]!;
      const b = unknown[nodeB]!;
      // The difference of unknowns first: it is small between close nodes, and adding large offsets to it last keeps its digits.
      let volts = x[a]! - x[b]! + (offset[nodeA]! - offset[nodeB]!);
      const duty = ohmic.duty[at]!;
      if (duty < 1) volts -= (1 - duty) * (x[a]! + offset[nodeA]! - this.voltage(ohmic.common[at]!));
      const amps = volts * ohmic.siemens[at]!;
      currents[ohmic.element[at]!] = amps;
      residual[a]! += amps;
      residual[b]! -= amps;
      const size = Math.abs(amps);
      flow[a]! += size;
      flow[b]! += size;
      if (size > largest) largest = size;
    }
    for (let at = 0; at < laws.law.length; at++) {
      const nodeA = laws.a[at]!;
      const nodeB = laws.b[at]!;
      const a = unknown[nodeA]!;
      const b = unknown[nodeB]!;
      laws.law[at]!.at(x[a]! - x[b]! + (offset[nodeA]! - offset[nodeB]!), out);
      const amps = out[0]!;
      laws.slope[at] = out[1]!;
      currents[laws.element[at]!] = amps;
      residual[a]! += amps;
      residual[b]! -= amps;
      const size = Math.abs(amps);
      flow[a]! += size;
      flow[b]! += size;
      if (size > largest) largest = size;
    }
    for (const element of ohmic.sources) {
      const source = this.netlist.elements[element]!;
      if (source.kind !== 'current') continue;
      const amps = source.amps * this.scale;
      currents[element] = amps;
      residual[unknown[source.a]!]! += amps;
      residual[unknown[source.b]!]! -= amps;
      flow[unknown[source.a]!]! += Math.abs(amps);
      flow[unknown[source.b]!]! += Math.abs(amps);
      largest = Math.max(largest, Math.abs(amps));
    }
    this.largest = largest;
    let worst = 0;
    for (let at = 0; at < residual.length - 1; at++) {
      const size = Math.abs(residual[at]!);
      if (!(size <= worst)) worst = size;
    }
    return worst;
  }

  private flipSwitches(): boolean {
    let flipped = false;
    for (const { at, plus, minus, thresholdV, hysteresisV, closedOhm, openOhm } of this.ohmic.switches) {
      const volts = this.voltage(plus) - this.voltage(minus);
      const closed = this.ohmic.siemens[at] === 1 / closedOhm;
      if (closed ? volts >= thresholdV - hysteresisV : volts <= thresholdV + hysteresisV) continue;
      this.ohmic.siemens[at] = 1 / (closed ? openOhm : closedOhm);
      this.dirty = true;
      flipped = true;
    }
    return flipped;
  }

  /** Currents of the ideal voltage sources: what Kirchhoff leaves for them, from the ends of each group inwards. */
  private finish(solved: Solved): Solved {
    const { leaving, currents, netlist, merged } = this;
    leaving.fill(0);
    netlist.elements.forEach((element, at) => {
      if (element.kind === 'voltage') return;
      leaving[element.a]! += currents[at]!;
      leaving[element.b]! -= currents[at]!;
    });
    for (let at = merged.reached.length - 1; at >= 0; at--) {
      const { element, node, from, sign } = merged.reached[at]!;
      currents[element] = -sign * leaving[node]!;
      leaving[from]! += leaving[node]!;
    }
    return solved;
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

/** Everything with a conductance of its own, side by side in flat arrays. */
interface Ohmic {
  element: Int32Array;
  a: Int32Array;
  b: Int32Array;
  common: Int32Array;
  siemens: Float64Array;
  duty: Float64Array;
  place: Int32Array;
  at: Map<number, number>;
  switches: {
    name: string;
    at: number;
    plus: number;
    minus: number;
    thresholdV: number;
    hysteresisV: number;
    closedOhm: number;
    openOhm: number;
  }[];
  /** Positions of the current sources. */
  sources: number[];
}

function ohmicOf(elements: readonly NetElement[], placeOf: (a: number, b: number) => number): Ohmic {
  const mine = elements.flatMap((element, index) =>
    element.kind === 'resistor' || element.kind === 'duty' || element.kind === 'switch' ? [{ element, index }] : [],
  );
  return {
    element: Int32Array.from(mine, ({ index }) => index),
    a: Int32Array.from(mine, ({ element }) => element.a),
    b: Int32Array.from(mine, ({ element }) => element.b),
    common: Int32Array.from(mine, ({ element }) => (element.kind === 'duty' ? element.common : 0)),
    siemens: Float64Array.from(mine, ({ element }) => 1 / (element.kind === 'switch' ? element.openOhm : element.ohm)),
    duty: Float64Array.from(mine, ({ element }) => (element.kind === 'duty' ? element.duty : 1)),
    place: Int32Array.from(mine, ({ element }) => placeOf(element.a, element.b)),
    at: new Map(mine.map(({ index }, at) => [index, at])),
    switches: mine.flatMap(({ element }, at) => (element.kind === 'switch' ? [{ ...element, at }] : [])),
    sources: elements.flatMap(({ kind }, index) => (kind === 'current' ? [index] : [])),
  };
}

/** The elements with laws, side by side. */
interface Laws {
  element: Int32Array;
  a: Int32Array;
  b: Int32Array;
  place: Int32Array;
  law: Law[];
  slope: Float64Array;
  at: Map<number, number>;
}

function lawsOf(elements: readonly NetElement[], placeOf: (a: number, b: number) => number): Laws {
  const mine = elements.flatMap((element, index) => (element.kind === 'law' ? [{ element, index }] : []));
  return {
    element: Int32Array.from(mine, ({ index }) => index),
    a: Int32Array.from(mine, ({ element }) => element.a),
    b: Int32Array.from(mine, ({ element }) => element.b),
    place: Int32Array.from(mine, ({ element }) => placeOf(element.a, element.b)),
    law: mine.map(({ element }) => element.law),
    slope: new Float64Array(mine.length),
    at: new Map(mine.map(({ index }, at) => [index, at])),
  };
}

function checkValues(elements: readonly NetElement[]): void {
  const positive = (value: number) => value > 0 && Number.isFinite(value);
  const wrong = elements.filter((element) => {
    switch (element.kind) {
      case 'resistor':
        return !positive(element.ohm);
      case 'voltage':
        return !Number.isFinite(element.volts);
      case 'current':
        return !Number.isFinite(element.amps);
      case 'law':
        return false;
      case 'duty':
        return !positive(element.ohm) || !(element.duty >= 0 && element.duty <= 1);
      case 'switch':
        return !positive(element.closedOhm) || !positive(element.openOhm) || !Number.isFinite(element.thresholdV);
    }
  });
  if (wrong.length > 0) throw new NetworkError({ code: 'impossibleValue', elements: wrong.map(({ name }) => name) });
}

/** Every group must reach the reference through something that can carry current. */
function checkConnected({ nodes, elements, reference }: Netlist, group: Int32Array, groupCount: number): void {
  const near: number[][] = Array.from({ length: groupCount }, () => []);
  for (const { kind, a, b } of elements) {
    if (kind === 'current') continue;
    near[group[a]!]!.push(group[b]!);
    near[group[b]!]!.push(group[a]!);
  }
  const seen = new Uint8Array(groupCount);
  const queue = [group[reference]!];
  seen[queue[0]!] = 1;
  for (const at of queue) {
    for (const next of near[at]!) {
      if (seen[next]) continue;
      seen[next] = 1;
      queue.push(next);
    }
  }
  const floating = nodes.filter((_, node) => seen[group[node]!] === 0);
  if (floating.length > 0) throw new NetworkError({ code: 'floating', nodes: floating });
}
