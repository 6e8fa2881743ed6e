import { CUT_OUTS } from '../catalog/cutOuts';
import { areaMm2 } from '../catalog/conductorSizes';
import type { RouteKind } from '../catalog/vocabulary';
import { recordsOf, type Design } from '../design/design';
import type { Load, Panel } from '../design/schema';
import { cutPanel } from '../harness/panelFace';
import type { HarnessWire } from '../harness/harnessWire';
import type { Harness } from '../harness/schedule';
import type { DesignIndex } from '../rig/designIndex';
import { benchOf, testFuse } from './firstPower';
import { withHands } from './handTasks';
import { isAimed } from './needs';
import type { Task } from './task';
import { ohmsExpected, type OhmsExpected } from './ohms';
import { placeIdOf } from '../rig/layout';
import { kindOf } from '../devices';

/**
 * Minutes, a practised hand. Common practice: a small crimp 1.5 to 2 with its sleeve and label, a heavy lug 6 to 10; a hole to 10 mm 3 to
 * 4, a hole saw 6 to 10; a rectangular cut-out 15 to 20 by hand; a small device 8 to 12, a battery and its tray 45 to 90, a fuse block of
 * twelve 90 to 150; a metre pulled open 0.5, in conduit 1, behind trim 2 to 3; a circuit tested and recorded 5 to 8.
 */
const CRIMP = 2.5;
const LUG = 8;
/** From this on it is a lug and a press, mm². */
const LUG_MM2 = 10;
const CUT_AND_LABEL = 1.5;
const HOLE = { small: 4, large: 8, square: 17 } as const;
const LAND = 1.5;
const PULL_A_METRE: Record<RouteKind, number> = { loom: 0.5, trunking: 0.5, rack: 0.5, conduit: 1, underfloor: 1.5, pillar: 2.5 };
/**
 * Primer on bare metal until it is touched again, minutes at 23 °C; in the cold twice as long. Common practice, makers' sheets from memory.
 */
export const PRIMER_HOLD = 60;
export const COLD_TIMES = 2;
const MINUTES = { isolate: 10, prime: 3, grommet: 2, ohms: 5, connect: 15, power: 5, test: 6, seal: 5, aim: 10, refit: 20 } as const;
/** Sealant until water may stand on it, minutes at 23 °C. Common practice, makers' sheets from memory: a day. */
export const SEALANT_HOLD = 24 * 60;

/** How the work is done. */
export interface PlanOptions {
  /** Whether it is under some ten degrees: what dries takes twice as long. */
  isCold: boolean;
}

/**
 * Everything that is to be done to build a design, with what must come before each: holes before grommets before cable, both ends before a
 * circuit is checked, every circuit checked before the battery, the battery last.
 */
export function tasksOf(design: Design, index: DesignIndex, harness: Harness, { isCold }: PlanOptions): Task[] {
  const tasks: Task[] = [];
  const ticked = new Set(recordsOf(design, 'doneTask').map(({ task }) => task));
  const primer = PRIMER_HOLD * (isCold ? COLD_TIMES : 1);
  const add = (task: Omit<Task, 'after'> & { after?: (string | { id: string; holdMinutes: number })[] }) => {
    const after = (task.after ?? []).map((one) => (typeof one === 'string' ? { id: one, holdMinutes: 0 } : one));
    tasks.push({ ...task, after, isDone: task.isDone || ticked.has(task.id) });
    return task.id;
  };
  const isolate = add({ id: 'isolate', kind: 'isolate', subjectId: index.battery?.id ?? null, placeId: index.battery?.placeId ?? null, minutes: MINUTES.isolate, isDone: false }); // prettier-ignore
  const opened = addHoles(index, harness, add, isolate, primer);
  const cut = new Map(recordsOf(design, 'panel').flatMap((panel) => addPanel(design, panel, add)));
  const fitted = new Map<string, string>();
  for (const device of index.devices.values()) {
    const { fitMinutes } = kindOf(device);
    if (fitMinutes === null || (device.kind === 'load' && device.partOf)) continue;
    const isDone = device.work?.state === 'fitted';
    const panelTask = cut.get(device.id);
    const after = [isolate, ...(panelTask ? [panelTask] : [])];
    const minutes = fitMinutes * (device.kind === 'load' ? device.quantity : 1);
    fitted.set(device.id, add({ id: `fit ${device.id}`, kind: 'fit', subjectId: device.id, placeId: device.placeId ?? null, minutes, after, isDone })); // prettier-ignore
  }
  const standing = benchOf(index);
  const runs = new Set(standing?.answer.loads.flatMap(({ id, state }) => (state === 'off' ? [] : [id])));
  const ohmsOf = (circuitId: string) => ohmsExpected(loadsIn(index, harness, circuitId), runs);
  const circuits = [...index.circuits.map(({ id }) => id), null];
  const checked: string[] = [];
  for (const circuitId of circuits) {
    const lines = harness.wires.filter(({ role }) => role.circuitId === circuitId);
    if (lines.length > 0) checked.push(addWires(index, circuitId, lines, add, { isolate, opened, fitted, ohmsOf }));
  }
  const sealed = addSeals(index, harness, add);
  if (!index.battery) return withHands(tasks, design, ticked);
  const connect = add({ id: 'connect', kind: 'connect', subjectId: index.battery.id, placeId: index.battery.placeId ?? null, minutes: MINUTES.connect, after: checked, isDone: false }); // prettier-ignore
  const tested: string[] = [];
  for (const { id, protectionId } of index.circuits) {
    if (!tasks.some((task) => task.id === `ohms ${id}`)) continue;
    const placeId = placeIdOf(index.devices, protectionId);
    const power = add({
      id: `power ${id}`,
      kind: 'power',
      subjectId: id,
      placeId,
      minutes: MINUTES.power,
      after: [connect],
      isDone: false,
      testFuseA: testFuse(index, standing, protectionId),
    });
    const test = add({
      id: `test ${id}`,
      kind: 'test',
      subjectId: id,
      placeId: null,
      minutes: MINUTES.test,
      after: [power],
      isDone: false,
    });
    tested.push(test);
    if (loadsIn(index, harness, id).some((load) => isAimed(index, load))) tested.push(add({ id: `aim ${id}`, kind: 'aim', subjectId: id, placeId: null, minutes: MINUTES.aim, after: [test], isDone: false })); // prettier-ignore
  }
  const cures = sealed.map((id) => ({ id, holdMinutes: isCold ? SEALANT_HOLD * COLD_TIMES : SEALANT_HOLD }));
  if (tested.length > 0) add({ id: 'refit', kind: 'refit', subjectId: null, placeId: null, minutes: MINUTES.refit, after: [...tested, ...cures], isDone: false }); // prettier-ignore
  return withHands(tasks, design, ticked);
}

/** Where a stretch lets cable through roof or wall and is to keep water out: sealed once all its wires are through. */
function addSeals(index: DesignIndex, { wires }: Harness, add: Add): string[] {
  return index.routes.flatMap((route) => {
    const through = wires.filter(({ routeIds }) => routeIds.includes(route.id));
    if (through.length === 0) return [];
    const pulls = [...new Set(through.map(({ role }) => `pull ${role.circuitId ?? 'shared'}`))];
    return route.passes.flatMap(({ sealed, part }, at) =>
      sealed && part === 'gland'
        ? [add({ id: `seal ${route.id} ${at}`, kind: 'seal', subjectId: route.id, placeId: route.fromId, minutes: MINUTES.seal, after: pulls, isDone: false })] // prettier-ignore
        : [],
    );
  });
}

type Add = (task: Omit<Task, 'after'> & { after?: (string | { id: string; holdMinutes: number })[] }) => string;

/**
 * Holes that stretches go through: drilled, the edge primed, its grommet in once the primer is dry. The task after which a stretch is open,
 * by its id.
 */
function addHoles(index: DesignIndex, { wires }: Harness, add: Add, isolate: string, primer: number): Map<string, string[]> {
  const used = new Set(wires.flatMap(({ routeIds }) => routeIds));
  const opened = new Map<string, string[]>();
  for (const route of index.routes) {
    if (!used.has(route.id)) continue;
    const isDone = wires.filter(({ routeIds }) => routeIds.includes(route.id)).some(({ wire }) => wire.made?.includes('pulled'));
    const grommets = route.passes.flatMap(({ part, holeMm }, at) => {
      if (part === 'none' || part === 'heatShield' || part === 'guard') return [];
      const where = { subjectId: route.id, placeId: route.fromId, isDone };
      const drill = add({ ...where, id: `drill ${route.id} ${at}`, kind: 'drill', minutes: (holeMm ?? 0) > 10 ? HOLE.large : HOLE.small, after: [isolate] }); // prettier-ignore
      const prime = add({ ...where, id: `prime ${route.id} ${at}`, kind: 'prime', minutes: MINUTES.prime, after: [drill] });
      return [add({ ...where, id: `grommet ${route.id} ${at}`, kind: 'grommet', minutes: MINUTES.grommet, after: [{ id: prime, holdMinutes: primer }] })]; // prettier-ignore
    });
    opened.set(route.id, grommets);
  }
  return opened;
}

/** A panel's holes, before anything is fitted in them. */
function addPanel(design: Design, panel: Panel, add: Add): [string, string][] {
  if (panel.use !== 'panel' && panel.use !== 'dash') return [];
  const { holes } = cutPanel(design, panel);
  if (holes.length === 0) return [];
  const minutes = holes.reduce((sum, { cutOutId }) => sum + (CUT_OUTS[cutOutId].hole.kind === 'round' ? HOLE.large : HOLE.square), 0);
  const isDone = holes.every(({ part }) => {
    const device = design.records.get(part.deviceId);
    return device?.type === 'device' && device.work?.state === 'fitted';
  });
  const id = add({ id: `cutPanel ${panel.id}`, kind: 'cutPanel', subjectId: panel.id, placeId: null, minutes, isDone });
  return holes.map(({ part }) => [part.deviceId, id]);
}

/** What a circuit's wires come after, and what they should read. */
interface WireSteps {
  isolate: string;
  opened: ReadonlyMap<string, string[]>;
  fitted: ReadonlyMap<string, string>;
  ohmsOf(circuitId: string): OhmsExpected;
}

/** The loads a circuit's wires end at. */
function loadsIn({ devices }: DesignIndex, { wires }: Harness, circuitId: string): Load[] {
  const ids = new Set(wires.flatMap(({ role, from, to }) => (role.circuitId === circuitId ? [from.deviceId, to.deviceId] : [])));
  return [...ids].flatMap((id) => {
    const device = devices.get(id);
    return device?.kind === 'load' ? [device] : [];
  });
}

/** A circuit's wires: made at the bench, pulled, landed, and checked with the battery off. The check's id. */
function addWires(
  index: DesignIndex,
  circuitId: string | null,
  lines: readonly HarnessWire[],
  add: Add,
  { isolate, opened, fitted, ohmsOf }: WireSteps,
): string {
  const name = circuitId ?? 'shared';
  const has = (step: 'crimped' | 'pulled') => lines.every(({ wire }) => wire.made?.includes(step));
  const ends = lines.flatMap((line) => [line.from, line.to].map((end) => ({ line, end })));
  const crimpMinutes = (line: HarnessWire) => (areaMm2(line.wire.conductor) >= LUG_MM2 ? LUG : CRIMP);
  const behind = ends.filter(({ line, end }) => line.to === end && passesSomething(index, line));
  const atBench = ends.filter((one) => !behind.includes(one));
  const own = lines.filter(({ wire }) => !wire.kitId);
  const make = add({
    ...{ id: `make ${name}`, kind: 'make', subjectId: circuitId, placeId: null, isDone: has('crimped') },
    minutes: own.length * CUT_AND_LABEL + atBench.reduce((sum, { line }) => sum + (line.wire.kitId ? 0 : crimpMinutes(line)), 0),
  });
  const pullMinutes = lines.reduce((sum, line) => sum + minutesToPull(index, line), 0);
  const grommets = [...new Set(lines.flatMap(({ routeIds }) => routeIds.flatMap((id) => opened.get(id) ?? [])))];
  const [first] = lines;
  const pull = add({
    ...{
      id: `pull ${name}`,
      kind: 'pull',
      subjectId: circuitId,
      placeId: placeIdOf(index.devices, first!.from.deviceId),
      isDone: has('pulled'),
    },
    ...{ minutes: Math.max(1, pullMinutes), after: [isolate, make, ...grommets] },
  });
  const inside =
    behind.length === 0
      ? pull
      : add({
          ...{
            id: `crimpInside ${name}`,
            kind: 'crimpInside',
            subjectId: circuitId,
            placeId: placeIdOf(index.devices, behind[0]!.end.deviceId),
          },
          ...{ minutes: behind.reduce((sum, { line }) => sum + crimpMinutes(line), 0), after: [pull], isDone: false },
        });
  const bodies = [...new Set(ends.flatMap(({ end }) => fittedAt(index, end.deviceId, fitted)))];
  const land = add({
    ...{ id: `land ${name}`, kind: 'land', subjectId: circuitId, placeId: placeIdOf(index.devices, lines.at(-1)!.to.deviceId), isDone: lines.every(({ wire }) => wire.work?.state === 'fitted') }, // prettier-ignore
    ...{ minutes: ends.length * LAND, after: [inside, ...bodies] },
  });
  return add({
    id: `ohms ${name}`,
    kind: 'ohms',
    subjectId: circuitId,
    placeId: null,
    minutes: MINUTES.ohms,
    after: [land],
    isDone: false,
    ...(circuitId !== null && { ohms: ohmsOf(circuitId) }),
  });
}

/** Whether an end has to be crimped behind a grommet or gland, which no ring or plug goes through. */
function passesSomething(index: DesignIndex, { routeIds }: HarnessWire): boolean {
  return routeIds.some(
    (id) => index.layout.routes.get(id)?.route.passes.some(({ part }) => part === 'gland' || part === 'grommet') ?? false,
  );
}

function minutesToPull({ layout }: DesignIndex, { routeIds, lengthMm }: HarnessWire): number {
  if (routeIds.length === 0) return (lengthMm / 1000) * PULL_A_METRE.loom;
  return routeIds.reduce((sum, id) => {
    const laid = layout.routes.get(id);
    return sum + (laid ? (laid.length.mm / 1000) * PULL_A_METRE[laid.route.kind] : 0);
  }, 0);
}

/**
 * What has to be fixed before a wire lands on something: itself, its block where it is a fuse in a slot, its lamp where it is a function.
 */
function fittedAt({ devices }: DesignIndex, deviceId: string, fitted: ReadonlyMap<string, string>): string[] {
  const device = devices.get(deviceId);
  const body = device?.kind === 'protection' && device.mount ? device.mount.blockId : device?.kind === 'load' && device.partOf ? device.partOf.loadId : deviceId; // prettier-ignore
  const task = fitted.get(body);
  return task ? [task] : [];
}
