import { Bench } from '../bench/bench';
import { changedLoads, type LoadChange } from '../bench/changedLoads';
import { inputsOf } from '../bench/inputs';
import { vehicleWires } from '../bench/handles';
import { RATINGS_A } from '../catalog/fuses';
import { openingTimeS } from '../catalog/fuseTimes';
import { deviceOf, recordsOf, type Design } from '../design/design';
import type { Edit } from '../design/edit';
import type { BenchAct, Protection } from '../design/schema';
import { behaviourOf, isDrawUnknown } from '../devices/load';
import { startOf } from '../devices/starts';
import { movesFor } from '../diagnosis/moves';
import type { Moved } from '../diagnosis/foresee';
import { BEGUN, withControl, type ControlState } from '../network/controlState';
import { NetworkError } from '../network/networkError';
import { Reach } from '../network/reach';
import type { Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { markDone } from './markDone';

/** What is in a fuse's holder: nothing yet, a small one to try with, its own, or another that somebody put in. */
export type InHolder = 'out' | 'test' | 'own' | 'other';

/** Over what flows by itself a test fuse is taken so many times larger, so that it holds. Common practice: a third. */
const HOLDS = 1.33;
/** What is shown as nought, A. */
export const UNSEEN_A = 0.005;

/** A circuit as it is wired. */
interface WiredCircuit {
  id: string;
  protectionId: string;
  loadIds: readonly string[];
  partIds: readonly string[];
  fed: boolean;
}

/** What first power is worked out from. */
interface Powering {
  design: Design;
  index: DesignIndex;
  circuits: readonly WiredCircuit[];
  protections: ReadonlyMap<string, { endA: number | null }>;
}

interface Start {
  loadId: string;
  amps: number;
  seconds: number;
}

/** First power to one circuit. */
export interface PowerStep {
  circuit: WiredCircuit;
  fuse: Protection;
  holds: InHolder;
  /** The fuse to try with, A; null where none smaller than its own would hold. */
  testA: number | null;
  /** What flows through it with every control as it is left, A. */
  standingA: number;
  /** Loads of it of which nobody has said what they draw: what flows is then not known. */
  unknownIds: string[];
  /** The hardest start among what runs by itself: which load, what then flows, A, and how long, s. */
  start: Start | null;
  /** A dead short at its far end: the least it carries, A, and how soon either fuse opens at that, s. Null with nothing behind it. */
  short: { amps: number; testOpensS: number | null; ownOpensS: number } | null;
  isChecked: boolean;
  isPowered: boolean;
}

/** First power to a design, circuit by circuit, as the fuses stand now. */
export interface FirstPower {
  /** Out of the battery with every circuit's fuse out, A; null where that has no answer. */
  bareA: number | null;
  steps: PowerStep[];
  /** Circuits that nothing feeds, or that feed nothing: there is nothing to try. */
  leftOut: string[];
}

/** How first power goes. Null where the wiring has no answer, or never comes to rest as it is left. */
export function firstPower({ design, index, circuits, protections }: Powering): FirstPower | null {
  const done = new Set(recordsOf(design, 'doneTask').map(({ task }) => task));
  const left = benchOf(index);
  if (!left?.isAtRest) return null;
  const steps = circuits.flatMap((circuit): PowerStep[] => {
    const fuse = deviceOf(design, circuit.protectionId, 'protection');
    if (!fuse || !circuit.fed || circuit.loadIds.length + circuit.partIds.length === 0) return [];
    const testA = testFuse(index, left, fuse.id) ?? null;
    const endA = protections.get(fuse.id)?.endA ?? null;
    return [
      {
        circuit,
        fuse,
        holds: inHolder(fuse, testA),
        testA,
        standingA: through(left, fuse.id),
        unknownIds: circuit.loadIds.filter((id) => isDrawUnknown(deviceOf(design, id, 'load'))),
        start: startsBehind(index, left, fuse.id)[0] ?? null,
        short:
          endA === null
            ? null
            : {
                amps: endA,
                testOpensS: testA && openingTimeS('blade', endA / testA),
                ownOpensS: openingTimeS(fuse.family, endA / fuse.ratingA),
              },
        isChecked: done.has(`ohms ${circuit.id}`),
        isPowered: done.has(`power ${circuit.id}`),
      },
    ];
  });
  const bare = benchOf(index, withOut(steps.map(({ fuse }) => fuse.id)));
  const tried = new Set(steps.map(({ circuit }) => circuit.id));
  const leftOut = circuits.flatMap(({ id }) => (tried.has(id) ? [] : [id]));
  return { bareA: bare?.isAtRest ? Math.abs(bare.answer.batteryA) : null, steps, leftOut };
}

/** One thing moved with a circuit's own fuse in, everything else as it is left, and what should answer. */
export interface PowerMove {
  act: BenchAct & { kind: 'move' };
  changes: LoadChange[];
  /** Through the circuit's fuse, A. */
  amps: number;
}

/** What should happen in one circuit. */
export interface CircuitTried {
  /** What comes on as its fuse goes in, with those that are in by now. */
  wakes: LoadChange[];
  moves: PowerMove[];
  /** What puts all of it on together, and what then flows, A; null where no positions do, or one move alone does. */
  together: { moved: Moved[]; amps: number } | null;
}

/**
 * A circuit's fuse put in, and then everything that may decide what its loads do, moved by itself to each of its positions, all fuses in.
 */
export function tryCircuit(index: DesignIndex, wiring: Wiring, { steps }: FirstPower, { circuit, fuse }: PowerStep): CircuitTried {
  const bench = benchOf(index);
  const out = steps.flatMap((one) => (one.holds === 'out' || one.fuse.id === fuse.id ? [one.fuse.id] : []));
  const before = benchOf(index, withOut(out));
  if (!bench || !before) return { wakes: [], moves: [], together: null };
  const rest = bench.answer;
  const inAll = new Map(rest.loads.map((load) => [load.id, load]));
  // Its figures are those with all fuses in, as everywhere else here: with less on the battery they are a little other.
  const wakes = changedLoads(before.answer, before.set(fuse.id, 'fitted', true).answer).map(({ id, from, to }) => {
    const then = inAll.get(id);
    return { id, from, to: then?.state === to.state ? then : to };
  });
  const restingA = through(bench, fuse.id);
  const { index: part, handles } = new Reach(index, wiring).influenceOn(circuit.loadIds);
  const moves = inputsOf(vehicleWires(part), handles).flatMap(({ positions, ...mover }) =>
    positions.slice(1).flatMap((position): PowerMove[] => {
      const act: PowerMove['act'] = { kind: 'move', mover, position };
      const changes = changedLoads(rest, bench.do(act).answer);
      const amps = through(bench, fuse.id);
      bench.rest();
      return changes.length > 0 || Math.abs(amps - restingA) > UNSEEN_A ? [{ act, changes, amps }] : [];
    }),
  );
  const moved = movesFor(index, wiring, circuit.loadIds);
  if (!moved || moved.length < 2) return { wakes, moves, together: null };
  for (const { mover, position } of moved) bench.do({ kind: 'move', mover, position });
  return { wakes, moves, together: { moved, amps: through(bench, fuse.id) } };
}

const withOut = (fuseIds: readonly string[]) => fuseIds.reduce((state, id) => withControl(state, id, 'fitted', false), BEGUN);

const through = (bench: Bench, fuseId: string) => Math.abs(bench.through(fuseId, 'link'));

/** The design as it is left; null where it has no answer. */
export function benchOf(index: DesignIndex, begun: ControlState = BEGUN): Bench | null {
  try {
    return new Bench(index, null, begun);
  } catch (error) {
    if (error instanceof NetworkError) return null;
    throw error;
  }
}

/** What runs by itself behind a fuse and takes more as it starts, beside all else that runs there; the most first. */
function startsBehind({ devices }: DesignIndex, bench: Bench, fuseId: string): Start[] {
  const standingA = through(bench, fuseId);
  const starts = bench.answer.loads.flatMap(({ id, state, amps, by }): Start[] => {
    const load = devices.get(id);
    if (state === 'off' || load?.kind !== 'load' || !by.includes(fuseId)) return [];
    const { factor, seconds } = startOf(load, behaviourOf(load));
    return factor > 1 ? [{ loadId: id, amps: standingA + (factor - 1) * amps, seconds }] : [];
  });
  return starts.sort((a, b) => b.amps - a.amps);
}

/**
 * A test fuse holds what flows with every switch as it is left, a third over it, stands what starts by itself, and is smaller than the
 * circuit's own. Common practice: from 1 A up.
 */
export function testFuse(index: DesignIndex, bench: Bench | null, protectionId: string): number | undefined {
  const fuse = index.devices.get(protectionId);
  if (!bench || fuse?.kind !== 'protection') return undefined;
  const standingA = through(bench, protectionId);
  const starts = startsBehind(index, bench, protectionId);
  const stands = (ratingA: number) => starts.every(({ amps, seconds }) => openingTimeS('blade', amps / ratingA) >= seconds);
  return RATINGS_A.blade.find((ratingA) => ratingA >= standingA * HOLDS && ratingA < fuse.ratingA && stands(ratingA));
}

function inHolder({ work, fittedA }: Protection, testA: number | null): InHolder {
  if (fittedA !== undefined) return fittedA === testA ? 'test' : 'other';
  return work?.state === 'fitted' || work?.state === 'temporary' ? 'own' : 'out';
}

/** Says what is in a circuit's holder: first power is done once its own fuse is in, and not while it is out or tried. */
export function holderHolds(edit: Edit, { circuit, fuse, testA }: PowerStep, holds: 'out' | 'test' | 'own', today: string): void {
  edit.set(fuse, { work: holds === 'out' ? undefined : { state: 'fitted' }, fittedA: holds === 'test' ? (testA ?? undefined) : undefined });
  markDone(edit, `power ${circuit.id}`, holds === 'own', today);
}
