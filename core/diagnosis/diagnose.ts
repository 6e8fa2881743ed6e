import type { TerminalRef } from '../design/schema';
import { kindOf } from '../devices';
import { Reach } from '../network/reach';
import type { Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { probePoints, sameRepair, suspectsIn, type Flaw } from './flaws';
import { doing, Foresight, pointKey, type Foreseen, type Moved, type Places, type Seen } from './foresee';
import { LogShare, Outcomes, type Meaning } from './outcomes';

/** Where a meter's leads are, or its clamp. `to` null: the battery's minus. */
export type Measurement = { kind: 'volts'; at: TerminalRef; to: TerminalRef | null } | { kind: 'amps'; wireId: string };

/** What it read there, and at what volts of the battery where that was another moment's. */
export type Reading = Measurement & { value: number; batteryV?: number | null };

/** Everything that is known of a fault so far, all of it in one state of the controls. */
export interface Observed {
  /** At the battery's posts while it was read; null where nobody looked. */
  batteryV: number | null;
  seen: readonly Seen[];
  readings: readonly Reading[];
}

/** What may be wrong, with how likely it is now. */
export interface Ranked {
  flaw: Flaw;
  probability: number;
}

/** A measurement that would tell: what it is worth against what it costs. */
export interface NextMeasure {
  what: Measurement;
  /** How much of the uncertainty about what to repair it takes away, bits. */
  bits: number;
  /** Minutes until the leads are on it. */
  minutes: number;
  /** What each answer would mean, the likeliest first. */
  answers: Meaning[];
}

export interface Diagnosis {
  ranked: Ranked[];
  next: NextMeasure[];
  /** That nothing modelled explains what was seen and read. */
  isOutside: boolean;
}

/** How often eyes agree with what is so: a glow in daylight is taken for dark. */
const SEEN_AS = { same: 0.95, near: 0.045, other: 0.005 };
/** What was looked at and found sound is wrong all the same, once in fifty: a look lowers, never locks. */
const LOOKED_OVER = 0.02;
/** Below this a suspect is no longer asked about when the next measurement is weighed. */
const NEGLIGIBLE = 1e-5;
/** Measurements that are offered. */
const MOST_OFFERED = 12;
/** A clamp round one wire of many, minutes. Common practice. */
const CLAMP_MINUTES = 3;
/** A second lead on a second terminal, minutes. */
const SECOND_LEAD_MINUTES = 1;

/** What a hunt begins with, beside what may be wrong everywhere. */
export interface Suspicion {
  /** Suspected too. */
  also?: readonly Flaw[];
  /** How much likelier each is than before, by what was seen otherwise. */
  weight?: (flaw: Flaw) => number;
  /** Everything in the design is suspected, whatever it can influence. */
  isWhole?: boolean;
}

/** How much likelier each suspect is once some were looked at and found sound, by what would be repaired. */
export function afterLooking(sound: readonly string[]): (flaw: Flaw) => number {
  const lookedAt = new Set(sound);
  return (flaw) => (lookedAt.has(sameRepair(flaw)) ? LOOKED_OVER : 1);
}

/** One state of a design with everything that may be wrong in it foreseen; asked again and again as readings come in. */
export class Finder {
  private readonly foreseen: readonly Foreseen[];
  private readonly places: Places;
  private readonly measurements: readonly Measurement[];
  /** Loads whose doing tells something. */
  readonly loadIds: readonly string[];

  /**
   * @param loadIds what the complaint is about, and what is known to work: everything that can influence them is suspected, and nothing
   * else
   */
  constructor(
    private readonly index: DesignIndex,
    wiring: Wiring,
    loadIds: readonly string[],
    moved: readonly Moved[],
    { also = [], weight = () => 1, isWhole = false }: Suspicion = {},
  ) {
    const part = isWhole ? index : partDeciding(index, wiring, loadIds);
    const points = probePoints(part);
    const foresight = new Foresight(index, moved, points, part.wires.map(({ id }) => id)); // prettier-ignore
    this.places = foresight.places;
    this.loadIds = part.loads.map(({ id }) => id);
    const suspects = suspectsIn(part, also).map(({ flaw, prior }) => ({ flaw, prior: prior * weight(flaw) }));
    this.foreseen = foresight.all(suspects.filter(({ prior }) => prior > 0));
    this.measurements = measurementsIn(part, points);
  }

  /** What is likely wrong after all that was seen and read, and what to measure next. */
  diagnose(observed: Observed): Diagnosis {
    const logs = this.foreseen.map((one) => this.logLikelihood(one, observed));
    const best = Math.max(...logs);
    const weights = this.foreseen.map(({ prior }, at) => prior * Math.exp(logs[at]! - best));
    const sum = weights.reduce((total, weight) => total + weight, 0);
    const shares = weights.map((weight) => weight / sum);
    return { ranked: rankedBy(this.foreseen, shares), next: this.next(shares, observed), isOutside: this.isOutside(shares, observed) };
  }

  /** Whether even what explains things best has to take half of the readings, and two at least, for mistakes. */
  private isOutside(shares: readonly number[], { batteryV, readings }: Observed): boolean {
    const best = this.foreseen[shares.indexOf(Math.max(...shares))]!;
    const mistakes = readings.filter((reading) => {
      const foreseen = this.valueOf(best, reading);
      const scale = this.scaleTo(best, reading.batteryV ?? batteryV);
      return foreseen !== null && LogShare.of(readValue(reading), foreseen * scale, reading.kind) < LogShare.mistake;
    }).length;
    return mistakes >= 2 && mistakes * 2 >= readings.length;
  }

  private logLikelihood(one: Foreseen, { batteryV, seen, readings }: Observed): number {
    let log = 0;
    for (const { loadId, does } of seen) {
      const at = this.places.loads.get(loadId);
      if (at === undefined) continue;
      const apart = Math.abs(RANK[doing(one.does[at]!)] - RANK[does]);
      log += Math.log(apart === 0 ? SEEN_AS.same : apart === 1 ? SEEN_AS.near : SEEN_AS.other);
    }
    for (const reading of readings) {
      const foreseen = this.valueOf(one, reading);
      const scale = this.scaleTo(one, reading.batteryV ?? batteryV);
      if (foreseen !== null) log += LogShare.of(readValue(reading), foreseen * scale, reading.kind);
    }
    return log;
  }

  /** What is read is read at the battery's voltage of that moment. */
  private scaleTo({ volts }: Foreseen, batteryV: number | null): number {
    const { battery } = this.index;
    const at = battery ? this.places.points.get(pointKey({ deviceId: battery.id, terminal: 'plus' })) : undefined;
    const own = at === undefined ? 0 : volts[at]!;
    return batteryV === null || own === 0 ? 1 : batteryV / own;
  }

  private valueOf({ volts, floats, amps }: Foreseen, what: Measurement): number | null {
    if (what.kind === 'amps') {
      const at = this.places.wires.get(what.wireId);
      // Nobody looks which way round a clamp is.
      return at === undefined ? null : Math.abs(amps[at]!);
    }
    const [at, to] = [this.places.points.get(pointKey(what.at)), what.to && this.places.points.get(pointKey(what.to))];
    if (at === undefined || to === undefined) return null;
    if (floats[at] === 1 || (to !== null && floats[to] === 1)) return 0;
    return volts[at]! - (to === null ? 0 : volts[to]!);
  }

  /** What tells most about what to repair for the minutes it takes. */
  private next(shares: readonly number[], { batteryV, readings }: Observed): NextMeasure[] {
    const taken = new Set(readings.map(measurementKey));
    const asked = this.foreseen.flatMap((one, at) =>
      shares[at]! > NEGLIGIBLE ? [{ one, share: shares[at]!, repair: sameRepair(one.flaw), scale: this.scaleTo(one, batteryV) }] : [],
    );
    return this.measurements
      .filter((what) => !taken.has(measurementKey(what)))
      .map((what): NextMeasure => {
        const outcomes = new Outcomes(what.kind);
        for (const { one, share, repair, scale } of asked) {
          const value = this.valueOf(one, what);
          if (value !== null) outcomes.add(value * scale, share, repair, one.flaw);
        }
        return { what, bits: outcomes.bits(), minutes: minutesFor(this.index, what), answers: outcomes.meanings() };
      })
      .filter(({ bits }) => bits > 0.02)
      .sort((a, b) => worth(b) - worth(a) || b.bits - a.bits)
      .slice(0, MOST_OFFERED);
  }
}

/** What a reading says: of amperes how much, since nobody looks which way round a clamp is. */
const readValue = ({ kind, value }: Reading) => (kind === 'amps' ? Math.abs(value) : value);

/** Bits for the minutes: so much the more where the leads are on it at once, and never much for what tells little. */
const worth = ({ bits, minutes }: NextMeasure) => bits / (minutes + 3);

const RANK: Record<Seen['does'], number> = { off: 0, dim: 1, on: 2 };

export const measurementKey = (what: Measurement): string =>
  what.kind === 'amps' ? what.wireId : `${pointKey(what.at)} ${what.to ? pointKey(what.to) : ''}`;

function rankedBy(foreseen: readonly Foreseen[], shares: readonly number[]): Ranked[] {
  const byRepair = new Map<string, Ranked & { best: number }>();
  foreseen.forEach(({ flaw }, at) => {
    const key = sameRepair(flaw);
    const share = shares[at]!;
    const known = byRepair.get(key);
    if (!known) byRepair.set(key, { flaw, probability: share, best: share });
    else {
      known.probability += share;
      if (share > known.best) Object.assign(known, { flaw, best: share });
    }
  });
  return Array.from(byRepair.values(), ({ flaw, probability }) => ({ flaw, probability })).sort((a, b) => b.probability - a.probability);
}

/**
 * Everything a meter can be put to: each terminal against the battery's minus, across each wire and each contact, and a clamp round each
 * wire.
 */
function measurementsIn(part: DesignIndex, points: readonly TerminalRef[]): Measurement[] {
  const known = new Set(points.map(pointKey));
  const across = Array.from(part.devices.values()).flatMap((device) =>
    kindOf(device)
      .paths(device)
      .map(
        ({ from, to }) =>
          [
            { deviceId: device.id, terminal: from },
            { deviceId: device.id, terminal: to },
          ] as const,
      )
      .filter((ends) => ends.every((end) => known.has(pointKey(end)))),
  );
  const loads = part.loads.map(({ id }) => [{ deviceId: id, terminal: 'plus' }, { deviceId: id, terminal: 'minus' }] as const).filter((ends) => ends.every((end) => known.has(pointKey(end)))); // prettier-ignore
  return [
    ...points.map((at): Measurement => ({ kind: 'volts', at, to: null })),
    ...[...part.wires.map(({ from, to }) => [from, to] as const), ...across, ...loads].map(([at, to]): Measurement => ({ kind: 'volts', at, to })), // prettier-ignore
    ...part.wires.map(({ id }): Measurement => ({ kind: 'amps', wireId: id })),
  ];
}

/** Minutes until the leads are on it, or the clamp round it. */
export function minutesFor(index: DesignIndex, what: Measurement): number {
  if (what.kind === 'amps') return CLAMP_MINUTES;
  return what.to === null
    ? minutesTo(index, what.at)
    : Math.max(minutesTo(index, what.at), minutesTo(index, what.to)) + SECOND_LEAD_MINUTES;
}

/**
 * Minutes until a lead is on a terminal, by what it is on. Common practice: a fuse has test points, a panel is unscrewed, a joint lies
 * behind trim.
 */
export function minutesTo({ devices }: DesignIndex, { deviceId }: TerminalRef): number {
  switch (devices.get(deviceId)?.kind) {
    case 'battery':
    case 'protection':
    case 'fuseBlock':
    case 'busBar':
      return 1;
    case 'relay':
    case 'isolator':
    case 'shunt':
      return 2;
    case 'switch':
    case 'load':
      return 4;
    case 'splice':
    case 'plug':
    case 'groundPoint':
      return 8;
    default:
      return 5;
  }
}

/** The part of a design that decides what some loads do. */
export function partDeciding(index: DesignIndex, wiring: Wiring, loadIds: readonly string[]): DesignIndex {
  const { index: reached } = new Reach(index, wiring).influenceOn(loadIds);
  const devices = new Map(Array.from(reached.devices.keys(), (id) => [id, index.devices.get(id)!]));
  const wireIds = new Set(reached.wires.map(({ id }) => id));
  return {
    ...index,
    devices,
    wires: index.wires.filter(({ id }) => wireIds.has(id)),
    loads: index.loads.filter(({ id }) => devices.has(id)),
  };
}
