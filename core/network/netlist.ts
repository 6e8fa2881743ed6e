import type { Law } from '../devices/laws';

/**
 * A network to be solved: nodes by name, and elements between them. Every element has two ends; its current counts from
 * `a` to `b` through it, its voltage is that of `a` over `b`. SI units throughout.
 */
export interface Netlist {
  /** Names of the nodes; elements speak of them by position. */
  nodes: string[];
  /** The node all voltages are measured from. */
  reference: number;
  elements: NetElement[];
}

interface TwoEnds {
  name: string;
  a: number;
  b: number;
}

export type NetElement = Resistor | VoltageSource | CurrentSource | LawElement | DutyDrop | ControlledSwitch;

/** Ohm's law: i = v / ohm. */
export interface Resistor extends TwoEnds {
  kind: 'resistor';
  ohm: number;
}

/** Ideal: holds `a` that many volts above `b` whatever flows. */
export interface VoltageSource extends TwoEnds {
  kind: 'voltage';
  volts: number;
}

/** Ideal: drives that current from `a` to `b` through itself. */
export interface CurrentSource extends TwoEnds {
  kind: 'current';
  amps: number;
}

/** A two-ended part whose current is some function of its voltage: a lamp, a driver, a diode. */
export interface LawElement extends TwoEnds {
  kind: 'law';
  law: Law;
}

/**
 * A pulse-width dimmer, averaged over its period: while on it joins `a` and `b` through `ohm`, and the mean voltage behind
 * it is the duty's share of that before it, both over `common`. In and out carry the same mean current.
 */
export interface DutyDrop extends TwoEnds {
  kind: 'duty';
  common: number;
  /** Share of the time on, 0 to 1. */
  duty: number;
  ohm: number;
}

/** Closed while the voltage of `plus` over `minus` exceeds the threshold by the hysteresis, open under it by the same. */
export interface ControlledSwitch extends TwoEnds {
  kind: 'switch';
  plus: number;
  minus: number;
  thresholdV: number;
  hysteresisV: number;
  closedOhm: number;
  openOhm: number;
}

/** Collects nodes by name and elements between them. */
export class NetlistBuilder {
  private readonly nodes: string[] = [];
  private readonly byName = new Map<string, number>();
  private readonly elements: NetElement[] = [];

  node(name: string): number {
    const known = this.byName.get(name);
    if (known !== undefined) return known;
    this.byName.set(name, this.nodes.length);
    return this.nodes.push(name) - 1;
  }

  has(name: string): boolean {
    return this.byName.has(name);
  }

  /** Adds an element and returns its position. */
  add(element: NetElement): number {
    return this.elements.push(element) - 1;
  }

  resistor(name: string, a: string, b: string, ohm: number): number {
    return this.add({ kind: 'resistor', name, a: this.node(a), b: this.node(b), ohm });
  }

  voltage(name: string, a: string, b: string, volts: number): number {
    return this.add({ kind: 'voltage', name, a: this.node(a), b: this.node(b), volts });
  }

  current(name: string, a: string, b: string, amps: number): number {
    return this.add({ kind: 'current', name, a: this.node(a), b: this.node(b), amps });
  }

  law(name: string, a: string, b: string, law: Law): number {
    return this.add({ kind: 'law', name, a: this.node(a), b: this.node(b), law });
  }

  netlist(reference: string): Netlist {
    return { nodes: this.nodes, reference: this.node(reference), elements: this.elements };
  }
}
