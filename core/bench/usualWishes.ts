import type { Load, Mover, Wish, WishSays } from '../design/schema';
import { isLamp } from '../devices/load';
import { kindsNamed } from '../devices/loadKinds';
import type { DesignIndex } from '../rig/designIndex';

const KEY: Mover = { kind: 'vehicle', control: 'key' };

/** Lamps that shine ahead. Common practice: they dazzle whoever comes towards one that drives with low beam. */
const SHINES_AHEAD = /\b(driving|spot|fog|ditch|pencil)[ -]?(lamp|light|beam)s?\b|\blight ?bar\b|\bfront\b.*\b(work|scene|flood)/;
/** What pulls, lifts or moves with force. */
const MOVES_WITH_FORCE = /winch|hoist|\bjack|\blift|locker|slide|\bstep\b|ramp|tail ?gate/;
/** What dries a locker moves air alone. */
const MOVES_AIR = /\bfan\b|blower/;
/** Colours of one lamp that mean different things on the road. */
const COLOURS = /\b(white|amber|yellow|red|blue|green)\b/;

/** The colour a lamp's name says it has; null where it says none. */
export function colourOf(load: Pick<Load, 'name'>): string | null {
  return COLOURS.exec(load.name.toLowerCase())?.[0] ?? null;
}

/**
 * What every load of a kind shall do for the safety of people, whether anybody said so or not: held against the wiring like any wish.
 * Common practice, and road law in most places for the lamps. A wish of one's own that says the contrary, and wins, goes before.
 */
export function givenWishes({ loads }: DesignIndex): Wish[] {
  return loads.flatMap((load) =>
    safetyOf(load).map((says, at): Wish => ({ id: `given_${at}_${load.id}`.slice(0, 60), type: 'wish', loadId: load.id, says })),
  );
}

/** Whether a wish is one that nobody made. */
export function isGiven({ id }: Wish): boolean {
  return id.startsWith('given_');
}

function safetyOf(load: Load): WishSays[] {
  const name = load.name.toLowerCase();
  const says: WishSays[] = [];
  if (isLamp(load)) {
    const low = { mover: { kind: 'vehicle', control: 'lamps' }, position: 'low' } as const;
    if (SHINES_AHEAD.test(name)) says.push({ kind: 'off', when: [low] });
  } else if (MOVES_WITH_FORCE.test(name) && !MOVES_AIR.test(name)) says.push({ kind: 'notByOne' });
  const mustNotFail = load.critical === true || load.thermostat?.mode === 'cools' || kindsNamed(load.name).some(({ id }) => id === 'fridge' || id === 'alarm'); // prettier-ignore
  if (mustNotFail) says.push({ kind: 'whatever', mover: KEY });
  return says;
}

/** What one might wish of a load and has not said: what must be asked, and what its kind makes likely. */
export function suggestedWishes(index: DesignIndex, load: Load, wishes: readonly Wish[]): WishSays[] {
  const { loads, functions } = index;
  const mine = wishes.filter(({ loadId }) => loadId === load.id).map(({ says }) => says);
  const asks = ['keyOut', 'powerBack'] as const;
  const asked = asks.filter((kind) => !mine.some((says) => says.kind === kind)).map((kind): WishSays => ({ kind, answer: null }));
  const lampId = load.partOf?.loadId ?? load.id;
  const colour = colourOf(load);
  const others = colour
    ? [...loads.filter(({ id }) => id === lampId), ...(functions.get(lampId) ?? [])].filter((other) => {
        const its = colourOf(other);
        const isSaid = mine.some((says) => says.kind === 'neverWith' && says.otherId === other.id);
        return other.id !== load.id && its !== null && its !== colour && !isSaid;
      })
    : [];
  const level: WishSays[] = hasDimmer(index, load.id) && !mine.some(({ kind }) => kind === 'levelKept') ? [{ kind: 'levelKept' }] : [];
  return [...others.map(({ id }): WishSays => ({ kind: 'neverWith', otherId: id })), ...level, ...asked];
}

/** Whether a dimmer is wired straight to a load. */
function hasDimmer({ wires, devices }: DesignIndex, loadId: string): boolean {
  return wires.some(({ from, to }) => {
    const other = from.deviceId === loadId ? to : to.deviceId === loadId ? from : null;
    return other !== null && devices.get(other.deviceId)?.kind === 'dimmer';
  });
}

/** All that is asked of a design: what was wished, and what is given. */
export function allWishes(index: DesignIndex, wished: readonly Wish[]): Wish[] {
  return [...wished, ...givenWishes(index)];
}
