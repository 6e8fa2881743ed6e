import { analyse } from '../core/analysis/analyse';
import { Bench } from '../core/bench/bench';
import { applyChange } from '../core/design/change';
import { recordsOf, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { ReadingRecord } from '../core/design/schema';
import { kindOf } from '../core/devices';
import { PARTS } from '../core/devices/parts';
import { withFlaws, type Flaw } from '../core/diagnosis/flaws';
import { broughtTo } from '../core/diagnosis/foresee';
import { movesFor } from '../core/diagnosis/moves';
import { normalFrom } from '../core/diagnosis/normal';
import { seeded } from '../core/energy/weather';
import { colourAll, fixNumbers } from '../core/harness/editWires';
import { harnessOfDesign } from '../core/harness/schedule';
import { tasksOf } from '../core/plan/tasks';
import type { Task } from '../core/plan/task';
import { setTrial } from '../core/plan/trialResults';
import { trialsOf, trialsOfAll } from '../core/plan/trials';
import { tickTask } from '../core/plan/tickTask';
import { indexDesign } from '../core/rig/designIndex';
import { putIntoRun } from '../core/switching/partsByHand';

/** A demo with all its wires numbered and coloured, as they are before they are made. */
export function marked(design: Design): Design {
  const numbered = applyChange(design, fixNumbers(design));
  return applyChange(numbered, colourAll(numbered, false));
}

/** How far a circuit of a demo has come. */
export type Stage = 'made' | 'landed' | 'powered';

const WORK_OF: Record<Stage, ReadonlySet<Task['kind']>> = {
  made: new Set(['make']),
  landed: new Set(['make', 'pull', 'crimpInside', 'land', 'ohms']),
  powered: new Set(['make', 'pull', 'crimpInside', 'land', 'ohms', 'power', 'test', 'aim']),
};
/** What is done once for all. */
const AT_FIRST: ReadonlySet<Task['kind']> = new Set(['isolate', 'connect']);

/**
 * A demo with its work ticked: the main path, and each circuit as far as it has come. What is not named is not begun.
 * @param isWhole what is on no circuit, a panel that is plugged in or a charger, is there too
 */
export function builtUpTo(design: Design, on: string, stageOf: (circuit: string) => Stage | null, isWhole = false): Design {
  const index = indexDesign(design);
  const harness = harnessOfDesign(design);
  const stages = new Map<string | null, Stage | null>(index.circuits.map(({ id, name }) => [id, stageOf(name)]));
  stages.set(null, 'powered');
  const isInPlace = (circuitId: string | null) => ['landed', 'powered'].includes(stages.get(circuitId) ?? '');
  const lines = harness.wires.filter(({ role }) => isInPlace(role.circuitId));
  const parts = new Set(lines.flatMap(({ from, to }) => [from.deviceId, to.deviceId]));
  const routes = new Set(lines.flatMap(({ routeIds }) => routeIds));
  const isDone = ({ kind, subjectId }: Task): boolean => {
    if (AT_FIRST.has(kind)) return true;
    // Sealed and closed up once all of it is in.
    if (kind === 'seal' || kind === 'refit') return isWhole;
    if (kind === 'fit') return isWhole || parts.has(subjectId!) || index.mounted.has(subjectId!);
    if (kind === 'drill' || kind === 'prime' || kind === 'grommet') return routes.has(subjectId!);
    if (kind === 'cutPanel')
      return recordsOf(design, 'panelPart').some(({ panelId, deviceId }) => panelId === subjectId && parts.has(deviceId));
    return WORK_OF[stages.get(subjectId) ?? 'made'].has(kind) && stages.get(subjectId) !== null;
  };
  const edit = new Edit(design);
  for (const task of tasksOf(design, index, harness, { isCold: false })) if (isDone(task)) tickTask(edit, task, harness, true, on);
  const powered = new Set(index.circuits.flatMap(({ id, protectionId }) => (stages.get(id) === 'powered' ? [protectionId] : [])));
  for (const device of index.devices.values()) {
    const isIn = device.kind === 'protection' && (powered.has(device.id) || (parts.has(device.id) && !device.mount));
    if (isIn || (device.kind === 'splice' && parts.has(device.id))) edit.set(device, { work: { ...device.work, state: 'fitted' } });
  }
  return edit.design;
}

/** What a meter read of some circuits at work, with faults in them, each reading a few thousandths off. */
export function metered(design: Design, on: string, circuits: readonly string[], flaws: readonly Flaw[], seed: number): Design {
  const { index, wiring, circuits: all } = analyse(design);
  const flawed = withFlaws(index, flaws);
  const normal = normalFrom(seeded(seed));
  const edit = new Edit(design);
  let count = recordsOf(design, 'reading').length;
  for (const { name, protectionId, loadIds: loads } of all.filter((circuit) => circuits.includes(circuit.name))) {
    const moved = movesFor(index, wiring, loads);
    if (!moved) continue;
    const bench = broughtTo(Bench.longStanding(flawed.index), moved, flawed.held);
    const post = (terminal: string) => ({ deviceId: index.battery!.id, terminal });
    const volts = (at: ReadingRecord['what'] & { kind: 'volts' }) => bench.volts(at.at, at.to ?? post('minus')) ?? 0;
    const read = (what: ReadingRecord['what'], value: number) =>
      edit.add({
        ...{ id: `read_${String(++count).padStart(3, '0')}`, type: 'reading', what, moved: [...moved], on },
        ...{ value: rounded(value * (1 + 0.002 * normal())), batteryV: rounded(bench.volts(post('plus'), post('minus')) ?? 0) },
      });
    const points: (ReadingRecord['what'] & { kind: 'volts' })[] = [
      { kind: 'volts', at: { deviceId: protectionId, terminal: 'out' }, to: null },
      ...loads.map((id) => ({ kind: 'volts' as const, at: { deviceId: id, terminal: 'plus' }, to: { deviceId: id, terminal: 'minus' } })),
    ];
    for (const point of points) read(point, volts(point));
    const feed = index.wires.find(({ from }) => from.deviceId === protectionId);
    if (!feed) throw new Error(`nothing leaves the fuse of ${name}`);
    read({ kind: 'amps', wireId: feed.id }, Math.abs(bench.clamp(feed.id) ?? 0));
  }
  return edit.design;
}

const rounded = (value: number) => Math.round(value * 100) / 100;

/** A demo of which everything that is tried beside readings was tried, and is as it should be. */
export function tried(design: Design, on: string): Design {
  const { index, wiring, circuits } = analyse(design);
  const edit = new Edit(design);
  const trials = circuits.flatMap((circuit) => trialsOf(index, wiring, circuit, movesFor(index, wiring, circuit.loadIds) ?? []));
  for (const { key } of [...trials, ...trialsOfAll(index)]) setTrial(edit, key, 'passed', on);
  return edit.design;
}

/** A joint put into the wire that a named part feeds a load by, made for now. */
export function joinedForNow(design: Design, feeds: string, why: string, due: string): Design {
  const device = recordsOf(design, 'device').find(({ name }) => name === feeds)!;
  const wire = recordsOf(design, 'wire').find(({ role, from }) => role === 'supply' && from.deviceId === device.id && kindOf(device).terminals(device).includes(from.terminal))!; // prettier-ignore
  const { change, deviceId } = putIntoRun(
    design,
    wire.id,
    PARTS.find(({ id }) => id === 'splice')!,
    250,
  )!;
  const edit = new Edit(applyChange(design, change));
  edit.set(deviceId, { made: 'twist', placeId: device.placeId ?? null, work: { state: 'fitted', why, due } });
  return edit.design;
}
