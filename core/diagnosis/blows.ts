import { Bench } from '../bench/bench';
import { cableOhmPerM } from '../catalog/cable';
import type { Device, Protection, Settings, TerminalRef, Wire } from '../design/schema';
import { asLaid, type LaidWire } from '../rig/layout';
import { kindOf } from '../devices';
import { CHASSIS } from '../devices/groundPoint';
import { terminalKey, type Wiring, type WiringNode } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { minutesTo } from './diagnose';
import type { Moved } from './foresee';

/** When the fuse goes: as soon as one is put in, as something is switched on, after a while, or on the road. */
export const BLOWS_WHEN = ['atOnce', 'switchedOn', 'later', 'moving'] as const;
export type BlowsWhen = (typeof BLOWS_WHEN)[number];

/** Why a fuse blows: the live side touches the return somewhere, more is drawn than it holds, or more as something starts. */
export type BlowCause = { kind: 'wire'; wireId: string } | { kind: 'part'; deviceId: string } | { kind: 'tooMuch' } | { kind: 'start' };

/** Where a circuit is taken apart: a wire off its terminal, at the end towards the fuse or at the other. */
export interface Parting {
  wireId: string;
  end: 'near' | 'far';
}

/** What the lamp in the fuse's place did, with everything joined (no parting) or with one wire lifted. */
export interface LampTest {
  parting: Parting | null;
  bright: boolean;
}

export interface BlowsObserved {
  when: BlowsWhen | null;
  tests: readonly LampTest[];
}

/** A cause with how likely it is now. */
export interface BlowRanked {
  cause: BlowCause;
  probability: number;
}

/** What to do with the lamp next: what it tells, bits, for its minutes, and how likely it stays bright. */
export interface NextTest {
  parting: Parting | null;
  at: TerminalRef | null;
  bits: number;
  minutes: number;
  bright: number;
}

/** What else is known of the circuit. */
export interface CircuitSaid {
  /** What all of it draws at once over what its fuse is rated for. */
  drawnShare: number;
  /** Whether the plan itself says that a start opens the fuse. */
  startOpens: boolean;
}

/**
 * A lamp that takes the fuse's place, W: its current harms nothing, and it is bright only where next to nothing else is in its way. Common
 * practice.
 */
export const LAMP_W = 21;

/**
 * Chafed wires against parts burnt inside, and how much likelier a wire is for each metre and behind a bare edge. From memory of the trade;
 * replaced by one's own log in time.
 */
const WIRE_SHARE = 1;
const WIRE_PER_M = 0.4;
const BARE_EDGE = 5;
const PART_SHARE = 1;
/**
 * How likely a fuse is simply asked for too much, by how near to its rating the plan's own loads come. Common practice: a fuse carries
 * three quarters for good.
 */
const tooMuchShare = (drawnShare: number) => (drawnShare > 1 ? 3 : drawnShare > 0.75 ? 0.6 : 0.06);
const START_SHARE = { opens: 1.5, holds: 0.04 };

/**
 * How often each cause shows in each way. A short where nothing is live until something is switched on waits for that; a chafe waits for a
 * bump. Common practice.
 */
const SHOWS: Record<
  'liveWire' | 'livePart' | 'switchedWire' | 'switchedPart' | 'tooMuch' | 'start' | 'elsewhere',
  Record<BlowsWhen, number>
> = {
  liveWire: { atOnce: 0.75, switchedOn: 0.02, later: 0.03, moving: 0.2 },
  livePart: { atOnce: 0.9, switchedOn: 0.02, later: 0.06, moving: 0.02 },
  switchedWire: { atOnce: 0.02, switchedOn: 0.75, later: 0.03, moving: 0.2 },
  switchedPart: { atOnce: 0.02, switchedOn: 0.88, later: 0.08, moving: 0.02 },
  tooMuch: { atOnce: 0.01, switchedOn: 0.07, later: 0.9, moving: 0.02 },
  start: { atOnce: 0.02, switchedOn: 0.9, later: 0.07, moving: 0.01 },
  /** Dead in this state: it can touch what it likes. */
  elsewhere: { atOnce: 0.005, switchedOn: 0.01, later: 0.02, moving: 0.02 },
};
/** A lamp misread, or the wrong wire lifted. */
const WRONG = 0.02;
const MOST_OFFERED = 6;
/** Below this a cause is no longer asked about. */
const NEGLIGIBLE = 1e-3;

interface Suspected {
  cause: BlowCause;
  prior: number;
  shows: Record<BlowsWhen, number>;
  /** The node of the supply that touches the return; none: nothing does. */
  node: number | null;
}

/**
 * One circuit whose fuse blows, in the state in which it does: everything of it that may touch the return, and every place to take it
 * apart.
 */
export class BlownCircuit {
  private readonly causes: readonly Suspected[];
  private readonly edges: readonly Edge[];
  private readonly nodes: readonly WiringNode[];
  private readonly lamp: Lamp;
  /** The lamp with nothing touching anything, everything joined, in that state: what the loads let through, V. */
  readonly soundV: number;

  /**
   * @param moved what is moved as it blows; nothing: with everything as it is left
   * @throws NetworkError where the design has no answer
   */
  constructor(
    private readonly index: DesignIndex,
    private readonly wiring: Wiring,
    private readonly fuse: Protection,
    private readonly moved: readonly Moved[],
    said: CircuitSaid,
  ) {
    const { nodes, at } = wiring.supply;
    this.nodes = nodes;
    const behind = nodesBehind(nodes, at.get(terminalKey(fuse.id, 'out')) ?? -1);
    this.edges = edgesAmong(index, wiring, behind);
    this.lamp = new Lamp(
      index,
      fuse,
      Array.from(behind, (node) => nodes[node]!),
    );
    this.soundV = this.lamp.volts(null, null, moved);
    this.causes = [...this.shorts(behind), ...causesOfDraw(said)];
  }

  /** What is likely the matter, and what to do with the lamp next. */
  diagnose({ when, tests }: BlowsObserved): { ranked: BlowRanked[]; next: NextTest[] } {
    const weights = this.causes.map((one) => {
      const told = when === null ? 1 : one.shows[when];
      return tests.reduce((share, { parting, bright }) => share * (this.staysBright(one, parting) === bright ? 1 - WRONG : WRONG), one.prior * told); // prettier-ignore
    });
    const whole = weights.reduce((sum, weight) => sum + weight, 0);
    const shares = weights.map((weight) => weight / whole);
    const ranked = this.causes.map(({ cause }, at) => ({ cause, probability: shares[at]! })).sort((a, b) => b.probability - a.probability);
    return { ranked, next: this.next(shares, tests) };
  }

  private staysBright({ cause, node }: Suspected, parting: Parting | null): boolean {
    // Off at its near end a wire hangs in the air, and off at the other it still lies where it lay.
    const isOff = parting?.end === 'near' && cause.kind === 'wire' && cause.wireId === parting.wireId;
    const touching = node === null || isOff ? null : this.nodes[node]!;
    return this.lamp.isBright(touching, parting?.wireId ?? null, this.moved);
  }

  private shorts(behind: ReadonlySet<number>): Suspected[] {
    const bare = bareRoutes(this.index);
    const showing = (node: number, what: 'Wire' | 'Part'): Suspected['shows'] => {
      const at = this.nodes[node]!;
      if (this.lamp.isBright(at, null, [])) return SHOWS[`live${what}`];
      return this.lamp.isBright(at, null, this.moved) ? SHOWS[`switched${what}`] : SHOWS.elsewhere;
    };
    const wires = this.edges.flatMap(({ wire, near }): Suspected[] => {
      if (!wire) return [];
      const edge = (this.index.layout.runs.get(wire.id)?.routeIds ?? []).some((id) => bare.has(id)) ? BARE_EDGE : 1;
      const prior = (WIRE_SHARE + (WIRE_PER_M * wire.lengthMm) / 1000) * edge;
      return [{ cause: { kind: 'wire', wireId: wire.id }, prior, shows: showing(near, 'Wire'), node: near }];
    });
    const parts = [...new Set(Array.from(behind, (node) => this.nodes[node]!.deviceId))].flatMap((deviceId): Suspected[] => {
      const node = this.insideOf(deviceId, behind);
      return node === null ? [] : [{ cause: { kind: 'part', deviceId }, prior: PART_SHARE, shows: showing(node, 'Part'), node }];
    });
    return [...wires, ...parts];
  }

  /** Where a part that has both sides within it is fed, so that it can burn through there: a relay's coil, a load's plus. */
  private insideOf(deviceId: string, behind: ReadonlySet<number>): number | null {
    const device = this.index.devices.get(deviceId);
    if (!device || deviceId === this.fuse.id) return null;
    const fed = device.kind === 'relay' ? ['86', '85'] : kindOf(device).terminals(device).includes('minus') ? null : [];
    return [...behind].find((node) => this.nodes[node]!.deviceId === deviceId && (fed === null || fed.includes(this.nodes[node]!.terminal))) ?? null; // prettier-ignore
  }

  private next(shares: readonly number[], tests: readonly LampTest[]): NextTest[] {
    const done = new Set(tests.map(({ parting }) => partingKey(parting)));
    const ends = ['near', 'far'] as const;
    const places = this.edges.flatMap(({ wire }) => (wire ? ends.map((end) => ({ parting: { wireId: wire.id, end }, at: partedAt(this.wiring, wire, end) })) : [])); // prettier-ignore
    const live = this.causes.map((one, at) => ({ one, share: shares[at]! })).filter(({ share }) => share > NEGLIGIBLE);
    return [{ parting: null, at: null }, ...places]
      .filter(({ parting }) => !done.has(partingKey(parting)))
      .map(({ parting, at }): NextTest => {
        const bright = live.reduce((sum, { one, share }) => sum + (this.staysBright(one, parting) ? share : 0), 0);
        const seen = bright * (1 - WRONG) + (1 - bright) * WRONG;
        const minutes = at ? minutesTo(this.index, at) + LIFT_MINUTES : LAMP_MINUTES;
        return { parting, at, bits: entropy(seen) - entropy(WRONG), minutes, bright };
      })
      .filter(({ bits }) => bits > 0.03)
      .sort((a, b) => b.bits / (b.minutes + 3) - a.bits / (a.minutes + 3) || b.bits - a.bits)
      .slice(0, MOST_OFFERED);
  }
}

/** The end of a wire where it is lifted: what lies nearer to the fuse was traced before what hangs on it. */
export function partedAt({ supply }: Wiring, { from, to }: Wire, end: Parting['end']): TerminalRef {
  const place = ({ deviceId, terminal }: TerminalRef) => supply.at.get(terminalKey(deviceId, terminal)) ?? Infinity;
  return place(from) <= place(to) === (end === 'near') ? from : to;
}

/** Of the battery's volts, from which a lamp is bright: only a short leaves it so much. Common practice. */
const BRIGHT_SHARE = 0.85;
/** Up to which it is dark. Common practice. */
export const DARK_SHARE = 0.15;

export type Shine = 'bright' | 'glows' | 'dark';

/** What a lamp is seen to do at some share of the nominal voltage. */
export const shineAt = (share: number): Shine => (share > BRIGHT_SHARE ? 'bright' : share < DARK_SHARE ? 'dark' : 'glows');

/** A design with a lamp where a fuse was, each point of its circuit ready to be bolted to the return. */
class Lamp {
  private readonly bench: Bench;
  private readonly seen = new Map<string, { volts: number; isBright: boolean }>();

  constructor(
    private readonly index: DesignIndex,
    private readonly fuse: Protection,
    points: readonly TerminalRef[],
  ) {
    const lamped = withLamp(index, fuse);
    const minus = { deviceId: index.battery?.id ?? CHASSIS.deviceId, terminal: index.battery ? 'minus' : CHASSIS.terminal };
    const bolts = points.map((point) => asLaid({ id: boltId(point), type: 'wire', role: 'supply', from: atLamp(fuse, point), to: minus, lengthMm: 20, lengthMeasured: true, conductor: BOLT_CONDUCTOR })); // prettier-ignore
    this.bench = new Bench({ ...lamped, wires: [...lamped.wires, ...bolts] });
    for (const { id } of bolts) this.bench.resist(id, Infinity);
  }

  volts(touching: TerminalRef | null, liftedId: string | null, moved: readonly Moved[]): number {
    return this.look(touching, liftedId, moved).volts;
  }

  isBright(touching: TerminalRef | null, liftedId: string | null, moved: readonly Moved[]): boolean {
    return this.look(touching, liftedId, moved).isBright;
  }

  private look(touching: TerminalRef | null, liftedId: string | null, moved: readonly Moved[]): { volts: number; isBright: boolean } {
    const key = `${touching ? boltId(touching) : ''} ${liftedId ?? ''} ${moved.length}`;
    const known = this.seen.get(key);
    if (known) return known;
    const { bench } = this;
    if (touching) bench.resist(boltId(touching), 0);
    if (liftedId) bench.resist(liftedId, Infinity);
    bench.rest();
    for (const { mover, position } of moved) bench.do({ kind: 'move', mover, position });
    const volts = Math.abs(bench.volts({ deviceId: this.fuse.id, terminal: 'out' }, { deviceId: LAMP.joint, terminal: 'joint' }) ?? 0);
    // Relays that buzz make it flicker: dark it is not.
    const isBright = !bench.isAtRest || shineAt(volts / this.index.settings.nominalV) === 'bright';
    if (touching) bench.resist(boltId(touching), Infinity);
    if (liftedId) bench.resist(liftedId, 0);
    const one = { volts, isBright };
    this.seen.set(key, one);
    return one;
  }
}

const boltId = ({ deviceId, terminal }: TerminalRef) => `bolt ${terminalKey(deviceId, terminal)}`;
const BOLT_CONDUCTOR = 'mm2:2.5';

/** Minutes to lift a wire and look at the lamp; to put the lamp in the fuse's place. Common practice. */
const LIFT_MINUTES = 2;
const LAMP_MINUTES = 2;

interface Edge {
  wire: Wire | null;
  near: number;
  far: number;
}

/** A node and all that hangs on it. */
function nodesBehind(nodes: readonly WiringNode[], root: number): ReadonlySet<number> {
  const behind = new Set([root]);
  // Parents come before their children.
  nodes.forEach(({ parent }, at) => {
    if (behind.has(parent)) behind.add(at);
  });
  return behind;
}

function edgesAmong(index: DesignIndex, { supply, rings }: Wiring, behind: ReadonlySet<number>): Edge[] {
  const wires = new Map(index.wires.map((wire) => [wire.id, wire]));
  const tree = [...behind].flatMap((far): Edge[] => {
    const { parent: near, wire } = supply.nodes[far]!;
    return behind.has(near) ? [{ wire, near, far }] : [];
  });
  const closing = rings.flatMap(({ side, wireId, ends: [near, far] }): Edge[] => {
    const isHere = side === 'supply' && behind.has(near) && behind.has(far);
    return isHere ? [{ wire: wireId === null ? null : (wires.get(wireId) ?? null), near, far }] : [];
  });
  return [...tree, ...closing];
}

/** Stretches with an edge that nothing covers. */
function bareRoutes({ routes }: DesignIndex): ReadonlySet<string> {
  return new Set(routes.filter(({ passes }) => passes.some(({ part }) => part === 'none')).map(({ id }) => id));
}

function causesOfDraw({ drawnShare, startOpens }: CircuitSaid): Suspected[] {
  return [
    { cause: { kind: 'tooMuch' }, prior: tooMuchShare(drawnShare), shows: SHOWS.tooMuch, node: null },
    { cause: { kind: 'start' }, prior: startOpens ? START_SHARE.opens : START_SHARE.holds, shows: SHOWS.start, node: null },
  ];
}

const partingKey = (parting: Parting | null) => (parting ? `${parting.wireId} ${parting.end}` : 'joined');

/** Bits of a yes or no. Shannon 1948. */
function entropy(share: number): number {
  const bits = (part: number) => (part > 0 ? -part * Math.log2(part) : 0);
  return bits(share) + bits(1 - share);
}

/** Thin wire that makes a lamp's resistance in a design; what it is made of does not matter. */
const LAMP_CONDUCTOR = 'mm2:0.5';
export const LAMP = { joint: 'lamp_joint', wire: 'lamp_wire' } as const;

/** What is on a fuse's outgoing side is on the lamp's, where that has taken its place. */
function atLamp(fuse: Protection, end: TerminalRef): TerminalRef {
  return end.deviceId === fuse.id && end.terminal === 'out' ? { deviceId: LAMP.joint, terminal: 'joint' } : end;
}

/** A lamp between two terminals: as long a thin wire as has its resistance. */
export function lampWire({ nominalV, conductorStandard, conductorTemperatureC }: Settings, from: TerminalRef, to: TerminalRef): LaidWire {
  const ohm = nominalV ** 2 / LAMP_W;
  const lengthMm = (ohm / cableOhmPerM(LAMP_CONDUCTOR, conductorStandard, conductorTemperatureC)) * 1000;
  return asLaid({ id: LAMP.wire, type: 'wire', role: 'supply', from, to, lengthMm, lengthMeasured: true, conductor: LAMP_CONDUCTOR });
}

/** A design with a lamp where a fuse was. */
export function withLamp(index: DesignIndex, fuse: Protection): DesignIndex {
  const out = { deviceId: fuse.id, terminal: 'out' };
  const lamp = lampWire(index.settings, out, atLamp(fuse, out));
  const splice: Device = { id: LAMP.joint, type: 'device', kind: 'splice', name: 'Lamp', zoneId: fuse.zoneId };
  return {
    ...index,
    devices: new Map([...index.devices, [splice.id, splice]]),
    wires: [...index.wires.map((wire) => ({ ...wire, from: atLamp(fuse, wire.from), to: atLamp(fuse, wire.to) })), lamp],
  };
}
