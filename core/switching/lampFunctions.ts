import type { Change } from '../design/change';
import { deviceOf, settingsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { DesignRecord, Load } from '../design/schema';
import { landingOf } from '../devices/load';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import { detachPole, functionsOf, lampOf } from './loadWires';
import { addWire, wiresAt } from './wires';

/**
 * A lamp with several functions: white and amber, low and high beam, main light and backlight. Each is a load with a draw, a use and a
 * circuit of its own; they are one body and have one terminal in common.
 */

/** Names for functions, the usual first. */
const USUAL = ['amber', 'white', 'backlight', 'low', 'high', 'ring'];
/** Functions of one lamp, its first among them. */
export const MOST_FUNCTIONS = 8;
/** A lead from one terminal of a lamp to another, mm. */
const LINK_MM = 100;
const NAME_LENGTH = 80;

type Common = NonNullable<Load['partOf']>['shares'];

/** A function added to a lamp, its draw still to be said; it has no wire yet. */
export function addFunction(design: Design, loadId: string, shares: Common = 'minus'): { change: Change; loadId: string } | null {
  const lamp = deviceOf(design, loadId, 'load');
  if (!lamp || lamp.partOf || functionsOf(design, lamp.id).length + 1 >= MOST_FUNCTIONS) return null;
  const edit = new Edit(design);
  const added = edit.add(newFunction(design, lamp, shares, USUAL.find((word) => !isTaken(design, lamp, word)) ?? 'another'));
  return { change: edit.change, loadId: added.id };
}

/** Adds further functions to a lamp, each by its word ("amber") and what it draws; one whose draw is not said has none yet. Their ids. */
export function addFunctions(edit: Edit, lampId: string, functions: readonly { word: string; rated: Load['rated'] | null }[]): string[] {
  return functions.slice(0, MOST_FUNCTIONS - 1).flatMap(({ word, rated }) => {
    const lamp = deviceOf(edit.design, lampId, 'load');
    return lamp ? [edit.add({ ...newFunction(edit.design, lamp, 'minus', word), ...(rated && { rated }) }).id] : [];
  });
}

/** Gives one of a load's levels a terminal and a wire of its own: it becomes a function, its times in every scenario with it. */
export function levelToFunction(design: Design, loadId: string, level: string, shares: Common = 'minus'): Change | null {
  const lamp = deviceOf(design, loadId, 'load');
  const found = lamp?.levels?.find(({ name }) => name === level);
  if (!lamp || !found || lamp.partOf || functionsOf(design, lamp.id).length + 1 >= MOST_FUNCTIONS) return null;
  const edit = new Edit(design);
  const rated = { kind: 'watts', watts: found.watts, atV: lamp.rated.atV } as const;
  const added = edit.add({ ...newFunction(design, lamp, shares, level), rated });
  const left = lamp.levels!.filter(({ name }) => name !== level);
  edit.set(lamp, { levels: left.length > 0 ? left : undefined });
  for (const record of design.records.values())
    if (record.type === 'duty' && record.loadId === lamp.id && record.level === level)
      edit.set(record, { loadId: added.id, level: undefined });
  return edit.change;
}

/** Why two loads are not one lamp; null where they can be. */
export function whyNotOne(design: Design, lamp: Load, other: Load): string | null {
  if (lamp.id === other.id) return 'It is the same load.';
  if (lamp.partOf || other.partOf) return 'One of them is a function of a lamp already.';
  if (functionsOf(design, other.id).length > 0) return `${other.name} has functions of its own: join this one to it instead.`;
  if (lamp.quantity !== other.quantity) return `There are ${lamp.quantity} of the one and ${other.quantity} of the other.`;
  return functionsOf(design, lamp.id).length + 1 >= MOST_FUNCTIONS ? `A lamp has at most ${MOST_FUNCTIONS} functions.` : null;
}

/**
 * Makes one lamp of two loads: the second becomes a function of the first. What they have in common is wired once, what hung on the
 * second's wire hangs on.
 * @returns null where they cannot be one
 */
export function joinLamps(design: Design, lampId: string, otherId: string, shares: Common): Change | null {
  const [lamp, other] = [deviceOf(design, lampId, 'load'), deviceOf(design, otherId, 'load')];
  if (!lamp || !other || whyNotOne(design, lamp, other) !== null) return null;
  const edit = new Edit(design);
  const [kept, given] = [landingOf(lamp, shares), landingOf(other, shares)];
  if (wiresAt(design, kept.deviceId, shares).length > 0) detachPole(edit, given, traceWiring(indexDesign(design)));
  else
    for (const wire of wiresAt(design, given.deviceId, shares)) {
      const isFrom = wire.from.deviceId === given.deviceId && wire.from.terminal === shares;
      edit.set(wire, isFrom ? { from: kept } : { to: kept });
    }
  edit.set(other, { ...wholeOf(lamp), placeId: undefined, partOf: { loadId: lamp.id, shares } });
  return edit.change;
}

/** Makes a function a load by itself again, its common terminal linked to the lamp's where that is wired. */
export function partFromLamp(design: Design, functionId: string): Change | null {
  const one = deviceOf(design, functionId, 'load');
  const lamp = one?.partOf && deviceOf(design, one.partOf.loadId, 'load');
  if (!one?.partOf || !lamp) return null;
  const { shares } = one.partOf;
  const edit = new Edit(design);
  edit.set(one, { partOf: undefined, placeId: lamp.placeId });
  const own = shares === 'minus' ? 'plus' : 'minus';
  const [common] = wiresAt(design, lamp.id, shares);
  if (common && wiresAt(design, one.id, own).length > 0) {
    const ends = [
      { deviceId: one.id, terminal: shares },
      { deviceId: lamp.id, terminal: shares },
    ] as const;
    const [from, to] = shares === 'minus' ? ends : [ends[1], ends[0]];
    addWire(edit, shares === 'minus' ? 'return' : 'supply', from, to, LINK_MM, common.conductor);
  }
  return edit.change;
}

/** A change with what is of a whole lamp carried to all its functions: where it is, how many there are, how far apart. */
export function acrossLamps(design: Design, change: Change): Change {
  const updated = new Map(change.updated.map((update) => [update.from.id, update]));
  const removed = new Set(change.removed.map(({ id }) => id));
  for (const { from, to } of change.updated) {
    if (!isLoad(from) || !isLoad(to) || from.partOf?.loadId !== to.partOf?.loadId || sameWhole(from, to)) continue;
    const lampId = lampOf(to);
    const lamp = deviceOf(design, lampId, 'load');
    for (const one of lamp ? [lamp, ...functionsOf(design, lampId)] : []) {
      const update = updated.get(one.id);
      const now = update?.to ?? one;
      if (one.id === to.id || removed.has(one.id) || !isLoad(now)) continue;
      if (!sameWhole(now, to)) updated.set(one.id, { from: update?.from ?? one, to: { ...now, ...wholeOf(to) } });
    }
  }
  return { ...change, updated: [...updated.values()] };
}

function newFunction(design: Design, lamp: Load, shares: Common, word: string): Load {
  const { nominalV } = settingsOf(design);
  return {
    id: newId('load'),
    type: 'device',
    kind: 'load',
    name: `${bodyName(lamp.name).slice(0, NAME_LENGTH - word.length - 2)}, ${word}`,
    ...wholeOf(lamp),
    rated: { kind: 'watts', watts: 0, atV: nominalV },
    measured: null,
    continuous: lamp.continuous,
    exclusiveGroup: null,
    ...(lamp.behaviour && { behaviour: lamp.behaviour }),
    partOf: { loadId: lamp.id, shares },
  };
}

/** What tells a function from its lamp: “amber” under “Scene light, white”; the whole name where they share none. */
export function functionWord(name: string, lampName: string): string {
  const body = bodyName(lampName);
  const rest = name.toLowerCase().startsWith(body.toLowerCase()) ? name.slice(body.length).replace(/^[ ,]+/, '') : '';
  return rest || name;
}

/** A lamp's name without the function it is named for. */
function bodyName(name: string): string {
  return name.replace(new RegExp(`[ ,]+(${USUAL.join('|')})$`, 'i'), '');
}

/** What is of the whole lamp and not of one function. */
const wholeOf = ({ zoneId, quantity, spacingMm }: Load) => ({ zoneId, quantity, spacingMm });

function sameWhole(a: Load, b: Load): boolean {
  return a.zoneId === b.zoneId && a.quantity === b.quantity && a.spacingMm === b.spacingMm;
}

function isTaken(design: Design, lamp: Load, word: string): boolean {
  return [lamp, ...functionsOf(design, lamp.id)].some(({ name }) =>
    name
      .toLowerCase()
      .split(/[^a-z]+/)
      .includes(word),
  );
}

const isLoad = (record: DesignRecord): record is Load => record.type === 'device' && record.kind === 'load';
