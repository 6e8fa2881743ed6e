import { Bench } from '../bench/bench';
import { deviceHandles, vehicleHandles } from '../bench/handles';
import { fuseOhm } from '../catalog/fuses';
import { VEHICLE_CONTROLS } from '../catalog/vocabulary';
import type { Mover, Protection } from '../design/schema';
import type { ControlValue } from '../devices/kind';
import { bankFacts } from '../energy/battery';
import { NetworkError } from '../network/networkError';
import type { DesignIndex } from '../rig/designIndex';
import { broughtTo } from './foresee';
import { movesFor } from './moves';
import { traceWiring } from '../network/traceWiring';
import { NOTHING_HELD, suspectsIn, withFlaw, type Flaw, type Flawed } from './flaws';

/** What somebody read across a fuse that stayed in, millivolts. */
export interface FuseReading {
  fuseId: string;
  millivolts: number;
}

/**
 * Something that would draw more than should flow: a control that was left, a part that holds itself, a load that runs by more than one
 * thing together.
 */
export type DrainCause =
  { kind: 'left'; mover: Mover; position: ControlValue } | { kind: 'flaw'; flaw: Flaw } | { kind: 'runs'; loadId: string };

/** A cause with the amperes the fuse then carries, and how far that is from what was read, in spreads of the reading. */
export interface Draining {
  cause: DrainCause;
  amps: number;
  off: number;
}

/** One fuse with everything as it is left. */
export interface FuseDrain {
  fuseId: string;
  /** What should flow, A, and what a meter then reads across the fuse, mV. */
  expectedA: number;
  expectedMv: number;
  /** What a meter that shows a tenth of a millivolt can see at all, A. */
  leastA: number;
  /** What was read, and the amperes between which that lies; null: nothing was. */
  read: { millivolts: number; amps: number; lowA: number; highA: number } | null;
  verdict: 'unread' | 'asItShould' | 'more' | 'less';
  /** Of one that carries more: what would make it, the nearest first. Nothing: the plan has nothing that draws it. */
  causes: Draining[];
}

/** Where the current goes while everything is off. */
export interface Drain {
  fuses: FuseDrain[];
  /** Out of the battery: what should flow, what was read with a clamp, and what of that passes no fuse that was read, A. */
  expectedA: number;
  batteryA: number | null;
  elsewhereA: number | null;
  /** Days until the bank is down to its usable depth at what flows. */
  days: number | null;
}

/** How far fuses of one rating differ, as a share. From memory of makers' tables: 15 to 20 %. */
const SPREAD = 0.2;
/** A meter's last digit, mV. Common practice. */
const DIGIT_MV = 0.1;
/** A cause further from what was read than this, in spreads, does not explain it. */
const FITS = 1.5;
const MOST_CAUSES = 5;
/** Amperes below which a cause adds nothing worth telling. */
const LEAST_MORE_A = 0.005;
/** A clamp's own error, A, and as a share. Common practice: a clamp for direct current. */
const CLAMP = { amps: 0.03, share: 0.03 };

/**
 * The drop across fuses that stay in tells what each circuit draws while everything is off, without waking what sleeps: I = U / R with the
 * fuse's cold resistance (parasitic-draw method, common practice). What carries more than it should is held against everything that could
 * be left on or hold itself.
 * @param batteryA what a clamp reads round the battery's minus lead; null: not read
 * @throws NetworkError where the design as it is left has no answer
 */
export function drainOf(index: DesignIndex, readings: readonly FuseReading[], batteryA: number | null): Drain {
  const still = new AtRest(index);
  const bench = still.sound();
  const fuses = Array.from(index.devices.values()).filter((device) => device.kind === 'protection');
  const expected = new Map(fuses.map(({ id }) => [id, Math.abs(bench.through(id, 'link'))]));
  const rows = fuses.map((fuse): FuseDrain => {
    const read = readings.find(({ fuseId }) => fuseId === fuse.id);
    return rowOf(fuse, expected.get(fuse.id)!, read?.millivolts ?? null);
  });
  const expectedA = Math.abs(bench.answer.batteryA);
  const more = rows.filter(({ verdict }) => verdict === 'more');
  const explained = more.length > 0 ? explain(index, still, more) : new Map<string, Draining[]>();
  const flows = batteryA ?? expectedA;
  const usableAh = index.battery ? bankFacts(index.battery).usableAh : 0;
  return {
    fuses: rows.map((row) => ({ ...row, causes: explained.get(row.fuseId) ?? [] })),
    expectedA,
    batteryA,
    elsewhereA: elsewhere(index, rows, batteryA),
    days: index.battery && flows > 0 ? usableAh / flows / 24 : null,
  };
}

function rowOf({ id, family, ratingA, fittedA }: Protection, expectedA: number, millivolts: number | null): FuseDrain {
  const milliohm = fuseOhm(family, fittedA ?? ratingA) * 1000;
  const row = { fuseId: id, expectedA, expectedMv: expectedA * milliohm, leastA: DIGIT_MV / milliohm, causes: [] };
  if (millivolts === null) return { ...row, read: null, verdict: 'unread' };
  const size = Math.abs(millivolts);
  const amps = size / milliohm;
  const lowA = Math.max(0, size - DIGIT_MV) / milliohm / (1 + SPREAD);
  const highA = (size + DIGIT_MV) / milliohm / (1 - SPREAD);
  const verdict = expectedA < lowA ? 'more' : expectedA > highA ? 'less' : 'asItShould';
  return { ...row, read: { millivolts, amps, lowA, highA }, verdict };
}

/**
 * What is out of the battery and through no circuit's fuse, A, below nought where the fuses carry more than the clamp saw; null where too
 * little was read to tell.
 */
function elsewhere(index: DesignIndex, rows: readonly FuseDrain[], batteryA: number | null): number | null {
  const last = rows.filter(({ fuseId }) => isLast(index, fuseId));
  if (batteryA === null || last.length === 0) return null;
  const read = last.flatMap((row) => (row.read ? [row.read] : []));
  const [low, amps, high] = (['lowA', 'amps', 'highA'] as const).map((key) => read.reduce((sum, one) => sum + one[key], 0)) as [number, number, number]; // prettier-ignore
  const slack = CLAMP.amps + CLAMP.share * batteryA;
  if (batteryA + slack < low) return batteryA - amps;
  if (read.length < last.length) return null;
  return batteryA - slack <= high ? 0 : batteryA - amps;
}

/** Whether a fuse guards a circuit: what is a circuit's own is counted, not what lies ahead of many. */
const isLast = ({ circuits }: DesignIndex, fuseId: string) => circuits.some(({ protectionId }) => protectionId === fuseId);

/** A design with everything off: controls as they are left, and what has a switch of its own switched off by it. */
class AtRest {
  /** What would run with every control as it is left. */
  readonly running: readonly string[];
  private readonly bench: Bench;

  constructor(private readonly index: DesignIndex) {
    this.bench = new Bench(index);
    this.running = this.bench.answer.loads.filter(({ state }) => state !== 'off').map(({ id }) => id);
  }

  /** The sound design, from rest again each time. */
  sound(): Bench {
    return this.off(this.bench.rest());
  }

  with({ index, held }: Flawed): Bench {
    return (index === this.index ? this.sound() : this.off(new Bench(index))).hold(held);
  }

  private off(bench: Bench): Bench {
    for (const id of this.running) bench.set(id, 'on', false);
    return bench;
  }
}

/** Tries everything that could be left on or hold itself, and keeps for each fuse what comes near what it carries. */
function explain(index: DesignIndex, still: AtRest, more: readonly FuseDrain[]): Map<string, Draining[]> {
  const found = new Map<string, Draining[]>(more.map(({ fuseId }) => [fuseId, []]));
  const weigh = (cause: DrainCause, made: () => Bench) => {
    const bench = answered(made);
    for (const { fuseId, expectedA, read } of bench ? more : []) {
      const amps = Math.abs(bench!.through(fuseId, 'link'));
      const off = Math.abs(amps - read!.amps) / ((read!.highA - read!.lowA) / 2);
      if (amps - expectedA >= LEAST_MORE_A && off <= FITS) found.get(fuseId)!.push({ cause, amps, off });
    }
  };
  const leave = (mover: Mover, positions: readonly ControlValue[]) =>
    positions.forEach((position) => weigh({ kind: 'left', mover, position }, () => still.sound().do({ kind: 'move', mover, position })));
  for (const deviceId of still.running) leave({ kind: 'device', deviceId, control: 'on' }, [true]);
  for (const { deviceId, control, positions, where } of deviceHandles(index))
    if (where !== 'fuse' && where !== 'supply' && where !== 'load') leave({ kind: 'device', deviceId, control }, positions.slice(1));
  for (const control of vehicleHandles(index)) leave({ kind: 'vehicle', control }, VEHICLE_CONTROLS[control].slice(1));
  for (const { flaw } of suspectsIn(index))
    if (flaw.kind === 'stuckContact') weigh({ kind: 'flaw', flaw }, () => still.with(withFlaw(index, flaw)));
  // What takes a key and a switch together is no single thing that was left.
  if (Array.from(found.values()).some((causes) => causes.length === 0)) {
    const wiring = traceWiring(index);
    for (const { id } of index.loads) {
      const moved = movesFor(index, wiring, [id]);
      if (moved) weigh({ kind: 'runs', loadId: id }, () => broughtTo(still.sound(), moved, NOTHING_HELD));
    }
  }
  for (const causes of found.values()) causes.sort((a, b) => a.off - b.off).splice(MOST_CAUSES);
  return found;
}

/** A state in which the network has no answer explains nothing. */
function answered(made: () => Bench): Bench | null {
  try {
    return made();
  } catch (error) {
    if (error instanceof NetworkError) return null;
    throw error;
  }
}
