import type { Device, Wire } from '../design/schema';
import { landsOn } from '../design/terminals';
import { kindOf } from '../devices';
import type { Shine } from '../diagnosis/blows';
import { readAll } from '../diagnosis/expect';
import { Finder, type Observed, type Reading, type Suspicion } from '../diagnosis/diagnose';
import { homeBar, sameRepair, type Flaw } from '../diagnosis/flaws';
import { traceWiring } from '../network/traceWiring';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { isSameName, namesFor, type Complaint, type Hunt, type HuntAct, type Named } from './hunt';
import { seenAfter } from './world';
import { followedByLamp, SURE } from './blowWay';
import { HuntBench } from './huntBench';

/** One step of the shortest way the finder knows. */
export interface WayStep {
  act: HuntAct;
  /** What was read; null for what is no measurement. */
  read: number | null;
  /** What it would have read with nothing wrong. */
  sound: number | null;
  /** What the lamp in a fuse's place did then. */
  shines: Shine | null;
}

/** The way the finder goes from the complaints to the proof. */
export interface Way {
  steps: WayStep[];
  minutes: number;
  /** Whether it named every fault. */
  isRight: boolean;
}

/** Measurements after which it names what is likeliest. */
const MOST_MEASURED = 12;
/** Parts up to which all of a board is suspected, and new work too; of a larger one what can influence the complaint. */
const SMALL_BOARD = 40;

/**
 * Goes the finder's way on a board: the measurement that tells most for its minutes, again and again, until one repair is sure. @throws
 * NetworkError
 */
export function bestWay(hunt: Hunt): Way {
  const index = indexDesign(hunt.design);
  const bench = new HuntBench(hunt);
  const steps: WayStep[] = [];
  let isRight = true;
  const take = (act: HuntAct, sound: number | null = null) => {
    const told = bench.do(act)?.told[0];
    const read = told && (told.kind === 'volts' || told.kind === 'amps') ? told.value : null;
    steps.push({ act, read, sound, shines: bench.lampShines() });
    return read;
  };
  hunt.complaints.forEach((complaint, at) => {
    if (at > 0) for (const { mover, position } of complaint.moved) take({ kind: 'flick', mover, position });
    const looked = (act: HuntAct) => {
      take(act);
      return bench.lampShines();
    };
    const named = complaint.blows
      ? followedByLamp(hunt, index, complaint, looked)
      : followed(index, bench, complaint, hunt.complaints.slice(0, at + 1), take);
    isRight &&= named !== undefined && namesFor(complaint.flaw).some((one) => isSameName(one, named));
    for (const act of mending(index, complaint)) take(act);
  });
  take({ kind: 'prove' });
  return { steps, minutes: bench.minutes, isRight: isRight && bench.isDone };
}

/** Isolated, mended, joined again; a fuse is just fitted. */
function mending(index: DesignIndex, { flaw, blows }: Complaint): HuntAct[] {
  const fuse = index.devices.get(flaw.kind === 'blownFuse' ? flaw.fuseId : (blows?.fuseId ?? ''));
  const fitted: HuntAct[] = fuse?.kind === 'protection' ? [{ kind: 'fitFuse', fuseId: fuse.id, ratingA: fuse.ratingA }] : [];
  if (flaw.kind === 'blownFuse') return [{ kind: 'pullFuse', fuseId: flaw.fuseId }, ...fitted];
  return [{ kind: 'isolate', off: true }, { kind: 'mend', named: namesFor(flaw)[0]! }, { kind: 'isolate', off: false }, ...fitted];
}

function followed(
  index: DesignIndex,
  bench: HuntBench,
  complaint: Complaint,
  sofar: readonly Complaint[],
  take: (act: HuntAct, sound: number | null) => number | null,
): Named | undefined {
  const moved = sofar.flatMap((one) => one.moved);
  const finder = new Finder(index, traceWiring(index), complaint.loadIds, moved, {
    ...suspicionOf(index),
    weight: weightsOf(index, bench, complaint),
  });
  const unseen = new Set(complaint.unseenIds);
  const minus = { deviceId: index.battery!.id, terminal: 'minus' };
  const observed: { -readonly [K in keyof Observed]: Observed[K] } = {
    batteryV: null,
    seen: finder.loadIds.filter((id) => !unseen.has(id)).map((loadId) => ({ loadId, does: bench.does(loadId) })),
    readings: [],
  };
  for (let measured = 0; ; measured++) {
    const { ranked, next } = finder.diagnose(observed);
    const [first] = ranked;
    if (!first || first.probability > SURE || next.length === 0 || measured === MOST_MEASURED) return first && namesFor(first.flaw)[0];
    const { what } = next[0]!;
    const act: HuntAct = what.kind === 'amps' ? { kind: 'clamp', wireId: what.wireId } : { kind: 'meter', mode: 'volts', red: what.at, black: what.to ?? minus }; // prettier-ignore
    const value = take(act, readAll(index, moved, null, [what])[0]!);
    observed.readings = [...observed.readings, { ...what, value: value ?? 0 } as Reading];
  }
}

function suspicionOf(index: DesignIndex): Suspicion {
  return index.devices.size > SMALL_BOARD ? {} : { also: newWork(index), isWhole: true };
}

/** How much likelier each fault is by what was seen in other states; that something is wrong is known. */
function weightsOf(index: DesignIndex, bench: HuntBench, complaint: Complaint): (flaw: Flaw) => number {
  const others = (complaint.seenToo ?? []).map((moved) => {
    const finder = new Finder(index, traceWiring(index), complaint.loadIds, moved, suspicionOf(index));
    const asked = (seen: Observed['seen']) => new Map(finder.diagnose({ batteryV: null, seen, readings: [] }).ranked.map(({ flaw, probability }) => [sameRepair(flaw), probability])); // prettier-ignore
    const [before, after] = [asked([]), asked(seenAfter(bench.asItIs, moved, finder.loadIds))];
    return (flaw: Flaw) => (after.get(sameRepair(flaw)) ?? 0) / (before.get(sameRepair(flaw)) ?? 1);
  });
  return (flaw) => (flaw.kind === 'none' ? 0 : others.reduce((product, weight) => product * weight(flaw), 1));
}

/**
 * What may be wired other than planned where work is new: an end of a wire on another terminal of its part, two ends exchanged, a wire
 * ahead of its fuse in place of behind it, a way home that touches the body before what switches it.
 */
export function newWork(index: DesignIndex): Flaw[] {
  return [...Array.from(index.devices.values()).flatMap((device) => atPart(index, device)), ...aheadOfFuses(index), ...touching(index)];
}

function endsAt({ wires }: DesignIndex, { id }: Device): { wire: Wire; end: 'from' | 'to' }[] {
  return wires.flatMap((wire) => (['from', 'to'] as const).filter((end) => wire[end].deviceId === id).map((end) => ({ wire, end })));
}

function atPart(index: DesignIndex, device: Device): Flaw[] {
  if (device.kind === 'battery' || device.kind === 'load') return [];
  const ends = endsAt(index, device);
  const onOther = ends.flatMap(({ wire, end }) =>
    kindOf(device)
      .terminals(device)
      .filter((terminal) => terminal !== wire[end].terminal)
      .map((terminal): Flaw => ({ kind: 'misplaced', wireId: wire.id, end, on: { deviceId: device.id, terminal } })),
  );
  const exchanged = ends.flatMap(({ wire, end }, at) =>
    ends
      .slice(at + 1)
      .filter((other) => wire.id !== other.wire.id && wire[end].terminal !== other.wire[other.end].terminal)
      .map((other): Flaw => ({ kind: 'swapped', wireIds: [wire.id, other.wire.id] })),
  );
  return [...onOther, ...exchanged];
}

function aheadOfFuses(index: DesignIndex): Flaw[] {
  return Array.from(index.devices.values()).flatMap((device) => {
    if (device.kind !== 'protection') return [];
    const ends = endsAt(index, device);
    const feed = ends.find(({ wire, end }) => wire[end].terminal === 'in');
    const on = feed && feed.wire[feed.end === 'from' ? 'to' : 'from'];
    return on
      ? ends
          .filter(({ wire, end }) => wire[end].terminal === 'out')
          .map(({ wire, end }): Flaw => ({ kind: 'misplaced', wireId: wire.id, end, on }))
      : [];
  });
}

/** A lamp's way home on the body, where a dimmer or a door's contact on it should decide. */
function touching(index: DesignIndex): Flaw[] {
  const bar = homeBar(index);
  if (!bar) return [];
  const isOnBar = (id: string) => index.wires.some((wire) => landsOn(wire, { deviceId: id, terminal: 'minus' }) && landsOn(wire, bar));
  return index.loads
    .filter(({ id }) => !isOnBar(id))
    .map(({ id }): Flaw => ({ kind: 'bridged', from: { deviceId: id, terminal: 'minus' }, to: bar }));
}
