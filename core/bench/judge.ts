import type { Condition, Device, Mover, Wish, WishSays } from '../design/schema';
import type { ControlValue } from '../devices/kind';
import { AT_REST, withControl, type ControlState } from '../network/controlState';
import { pathTo } from '../network/flow';
import { NetworkError } from '../network/networkError';
import { Reach } from '../network/reach';
import { terminalKey, type Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { withFaults } from './faults';
import { Explored, type Act, type Spot } from './explore';
import { vehicleWires } from './handles';
import { conditionsOf, moversIn, wishedOf } from './wished';
import { inputFor, inputsOf, isSameMover, withNamed, type Input } from './inputs';

/** Why nothing can be said of a wish. */
export type Undecided =
  /** A question without an answer. */
  | 'unanswered'
  /** What it asks for never comes about, in any way things can stand. */
  | 'neverHappens'
  /** Another wish of the load says the contrary at the same time, and neither wins. */
  | 'contradicts'
  /** More ways of standing than are tried; none that was broke it. */
  | 'notAllTried'
  /** Relays that never come to rest. */
  | 'restless'
  /** What is to be moved has no such position. */
  | 'gone'
  /** Nothing of the house battery feeds it. */
  | 'notFromHouse'
  /** The wiring has no answer. */
  | 'noAnswer';

/** What the wiring makes of a wish. */
export interface Judged {
  wish: Wish;
  verdict: 'kept' | 'broken' | 'undecided';
  why: Undecided | null;
  /** The fewest acts from rest that break it, or lead to where nothing can be said. */
  series: Act[];
  /** How far time was let run for it, s; 0: it does not matter. */
  withinS: number;
  /** Ways of standing it was held against. */
  tried: number;
}

type Finding = Pick<Judged, 'verdict' | 'why' | 'series'>;

const KEPT: Finding = { verdict: 'kept', why: null, series: [] };
const broken = (series: Act[]): Finding => ({ verdict: 'broken', why: null, series });
const undecided = (why: Undecided, series: Act[] = []): Finding => ({ verdict: 'undecided', why, series });

/** How much earlier or later than said something may go out. Common practice: simple timers are a tenth off. */
const TIMER_SHARE = 0.1;
const TIMER_S = 1;

/**
 * Holds wishes against the wiring: for each, every way that what influences it can stand is tried, nothing else. Dimmers stand at full, fuses are in.
 * @param tell is told how many are done; false ends it
 */
export function judgeWishes(
  index: DesignIndex,
  wiring: Wiring,
  wishes: readonly Wish[],
  tell: (done: number) => boolean = () => true,
): Judged[] {
  const judge = new Judge(index, wiring, wishes);
  const judged: Judged[] = [];
  for (const wish of wishes) {
    judged.push(judge.of(wish));
    if (!tell(judged.length)) break;
  }
  return judged;
}

/** Answers of the network asked for all wishes of a design together, and for each more: miswired, one part of it may hang on everything, and nobody waits minutes for each. */
const MOST_ANSWERS = 8000;
const MOST_A_WISH = 200;

class Judge {
  private readonly reach: Reach;
  private readonly explored = new Map<string, Explored>();
  private readonly budget: { left: number };

  constructor(
    private readonly index: DesignIndex,
    private readonly wiring: Wiring,
    private readonly wishes: readonly Wish[],
  ) {
    this.budget = { left: MOST_ANSWERS + MOST_A_WISH * wishes.length };
    this.reach = new Reach(index, wiring);
  }

  of(wish: Wish): Judged {
    try {
      if (!this.canBe(wish.says)) return { wish, ...undecided('gone'), withinS: 0, tried: 0 };
      const { explored, start } = this.explore(wish);
      const finding = new Trial(explored, wish, this.contraryOf(wish), this.cutterOf(wish, explored.part)).judge(start);
      // Where not all was tried, a way that breaks it still breaks it, and one that can still be lit still can.
      const isProved = wish.says.kind === 'stillWorks' ? finding.verdict === 'kept' : finding.verdict === 'broken';
      const isOpen = !explored.isWhole && !isProved;
      const said = isOpen ? undecided('notAllTried') : finding;
      return { wish, ...said, withinS: explored.longestS, tried: explored.spots.length };
    } catch (error) {
      if (error instanceof NetworkError) return { wish, ...undecided('noAnswer'), withinS: 0, tried: 0 };
      throw error;
    }
  }

  /** Whether everything it names can stand as it says. */
  private canBe(says: WishSays): boolean {
    const allThere = moversIn(says).every((mover) => inputFor(this.index, mover) !== null);
    return allThere && conditionsOf(says).every(({ mover, position }) => inputFor(this.index, mover)!.positions.includes(position));
  }

  /** Every way the part of the design that decides a wish can stand; the same where two wishes hang on the same. */
  private explore({ loadId, says }: Wish): { explored: Explored; start: Act[] } {
    const loadIds = says.kind === 'neverWith' ? [loadId, says.otherId] : [loadId];
    const contrary = this.wishes.filter((other) => other.loadId === loadId && isContrary(says, other.says));
    const named = [says, ...contrary.map((other) => other.says)].flatMap(moversIn);
    const without = says.kind === 'stillWorks' ? says.withoutId : null;
    const seeds = [...new Set([...loadIds, ...named.flatMap((mover) => (mover.kind === 'device' ? [mover.deviceId] : [])), ...(without ? [without] : [])])]; // prettier-ignore
    const lost = without === null ? null : this.without(without);
    const { index: part, handles } = this.reach.influenceOn(seeds);
    const inputs = withNamed(inputsOf(vehicleWires(part), handles), part, named).filter(
      (input) => input.kind === 'vehicle' || input.deviceId !== without,
    );
    const key = partKey(part, inputs, without);
    let explored = this.explored.get(key);
    if (!explored) this.explored.set(key, (explored = new Explored(lost ? lost.of(part) : part, inputs, this.budget, lost?.start)));
    return { explored, start: lost?.acts ?? [] };
  }

  /** A design in which one part does not do its work: a fuse is out, a relay does not pull in, a fob is lost, and whatever else it is lets nothing through. */
  private without(id: string): { of(part: DesignIndex): DesignIndex; start: ControlState; acts: Act[] } {
    const device = this.index.devices.get(id);
    if (device?.kind === 'protection') {
      const mover: Mover = { kind: 'device', deviceId: id, control: 'fitted' };
      return { of: (part) => part, start: withControl(AT_REST, id, 'fitted', false), acts: [{ kind: 'move', mover, position: false }] };
    }
    const lost = (part: DesignIndex): DesignIndex => {
      // Its buttons are not pressed: they are no inputs then.
      if (device?.kind === 'receiver') return part;
      if (device?.kind === 'relay') return withFaults(part, [{ kind: 'neverPulls', relayId: id }]);
      return { ...part, wires: part.wires.filter(({ from, to }) => from.deviceId !== id && to.deviceId !== id) };
    };
    return { of: lost, start: AT_REST, acts: [] };
  }

  private contraryOf({ id, loadId, says }: Wish): WishSays[] {
    return this.wishes.filter((other) => other.id !== id && other.loadId === loadId && isContrary(says, other.says)).map(({ says: other }) => other); // prettier-ignore
  }

  /** What takes the house battery off a load: the isolator nearest to it, else the fuse; null where there is none, or the battery does not lead there. */
  private cutterOf({ says }: Wish, part: DesignIndex): Cutter | null {
    const { battery } = this.index;
    if (says.kind !== 'powerBack' || !battery || !part.devices.has(battery.id)) return null;
    const { supply } = this.wiring;
    const depthOf = ({ id }: Device) => {
      const at = supply.at.get(terminalKey(id, 'out'));
      const path = at === undefined ? [] : pathTo(supply, at);
      return path.length > 0 && supply.nodes[path[0]!]!.deviceId === battery.id ? path.length : Infinity;
    };
    const nearest = (kind: Device['kind']) =>
      Array.from(part.devices.values())
        .filter((device) => device.kind === kind && Number.isFinite(depthOf(device)))
        .sort((one, other) => depthOf(one) - depthOf(other))[0];
    const isolator = nearest('isolator');
    if (isolator) return { mover: { kind: 'device', deviceId: isolator.id, control: 'position' }, off: 'off', on: 'on' };
    const fuse = nearest('protection');
    return fuse ? { mover: { kind: 'device', deviceId: fuse.id, control: 'fitted' }, off: false, on: true } : null;
  }
}

/** What takes the house battery off, and how it stands then. */
interface Cutter {
  mover: Mover;
  off: ControlValue;
  on: ControlValue;
}

/** One wish against every way things can stand. */
class Trial {
  constructor(
    private readonly explored: Explored,
    private readonly wish: Wish,
    private readonly contrary: readonly WishSays[],
    private readonly cutter: Cutter | null,
  ) {}

  judge(start: readonly Act[]): Finding {
    const { says } = this.wish;
    const found = this.look(says);
    const restless = this.explored.spots.findIndex(({ isRestless }) => isRestless);
    const said = found.verdict === 'kept' && restless >= 0 ? undecided('restless', this.explored.path(restless)) : found;
    return said.verdict === 'kept' ? said : { ...said, series: [...start, ...said.series] };
  }

  private look(says: WishSays): Finding {
    switch (says.kind) {
      case 'on':
      case 'off':
        return this.onWhen(says);
      case 'neverWith':
        if (![this.wish.loadId, says.otherId].every((id) => this.atRest().some(({ lit }) => lit.has(id)))) return undecided('neverHappens');
        return this.inEverySpot((spot) => !(this.isOn(spot) && spot.lit.has(says.otherId)));
      case 'staysOn':
        return this.staysOn(says);
      case 'keyOut':
        return this.keyOut(says.answer);
      case 'powerBack':
        return this.powerBack(says.answer);
      case 'whatever':
        return this.whatever(says.mover);
      case 'stillWorks':
        return this.atRest().some((spot) => this.isOn(spot)) ? KEPT : broken([]);
      case 'notByOne':
        return this.notByOne();
    }
  }

  private atRest(): Spot[] {
    return this.explored.spots.filter(({ isRestless }) => !isRestless);
  }

  private isOn({ lit }: Pick<Spot, 'lit'>): boolean {
    return lit.has(this.wish.loadId);
  }

  /** Whether it is lit after acts beyond those tried; null where things never come to rest then. */
  private played(spot: Spot, acts: readonly Act[]): boolean | null {
    const after = this.explored.play(spot, acts);
    return after && this.isOn(after);
  }

  private inEverySpot(isWell: (spot: Spot) => boolean): Finding {
    const at = this.explored.spots.findIndex((spot) => !spot.isRestless && !isWell(spot));
    return at < 0 ? KEPT : broken(this.explored.path(at));
  }

  private holds(spot: Spot, { mover, position }: Condition): boolean {
    return this.explored.standsAt(spot, mover) === position;
  }

  private onWhen(says: Extract<WishSays, { kind: 'on' | 'off' }>): Finding {
    let happens = false;
    for (const [at, spot] of this.explored.spots.entries()) {
      if (spot.isRestless || !says.when.every((condition) => this.holds(spot, condition))) continue;
      const wished = wishedOf([says, ...this.contrary], (condition) => this.holds(spot, condition));
      if (wished === 'undecided') return undecided('contradicts', this.explored.path(at));
      // Another one wins here.
      if (wished !== (says.kind === 'on')) continue;
      happens = true;
      if (this.isOn(spot) !== wished) return broken(this.explored.path(at));
    }
    return happens ? KEPT : undecided('neverHappens');
  }

  private keyOut(answer: 'works' | 'dark' | null): Finding {
    if (answer === null) return undecided('unanswered');
    if (answer === 'dark') return this.inEverySpot((spot) => spot.side.key !== 'off' || !this.isOn(spot));
    const key: Mover = { kind: 'vehicle', control: 'key' };
    if (!this.atRest().some((spot) => this.isOn(spot))) return undecided('neverHappens');
    return this.afterEvery(
      (spot) => (spot.side.key !== 'off' && this.isOn(spot) ? [{ kind: 'move', mover: key, position: 'off' }] : []),
      (_, after) => this.isOn(after),
    );
  }

  private whatever(mover: Mover): Finding {
    const positions = this.explored.inputs.find((input) => isSameMover(input, mover))?.positions ?? [];
    if (!this.atRest().some((spot) => this.isOn(spot))) return undecided('neverHappens');
    return this.afterEvery(
      () => positions.map((position): Act => ({ kind: 'move', mover, position })),
      (spot, after) => this.isOn(spot) === this.isOn(after),
    );
  }

  /** Where an act from any spot leads, and that it is well there. */
  private afterEvery(acts: (spot: Spot) => Act[], isWell: (spot: Spot, after: Spot) => boolean): Finding {
    for (const [at, spot] of this.explored.spots.entries()) {
      if (spot.isRestless) continue;
      for (const act of acts(spot)) {
        const to = this.explored.after(at, act);
        const after = to === null ? null : this.explored.spots[to]!;
        if (after && !after.isRestless && !isWell(spot, after)) return broken([...this.explored.path(at), act]);
      }
    }
    return KEPT;
  }

  private staysOn({ after, seconds }: Extract<WishSays, { kind: 'staysOn' }>): Finding {
    const { explored } = this;
    const positions = explored.inputs.find((input) => isSameMover(input, after.mover))?.positions ?? [];
    const others = positions.filter((position) => position !== after.position);
    const early: Act = { kind: 'wait', seconds: seconds * (1 - TIMER_SHARE) };
    const late: Act = { kind: 'wait', seconds: 2 * seconds * TIMER_SHARE + TIMER_S };
    const forEver: Act = { kind: 'wait', seconds: explored.longestS };
    let happens = false;
    for (const [at, spot] of explored.spots.entries()) {
      if (spot.isRestless || !this.isOn(spot) || !this.holds(spot, after)) continue;
      for (const position of others) {
        happens = true;
        const ends: Act[] = [{ kind: 'move', mover: after.mover, position }];
        if (this.played(spot, [...ends, early]) !== true) return broken([...explored.path(at), ...ends, early]);
        // Something else may keep it lit for good; then it is no matter of time.
        const goesOut = this.played(spot, [...ends, early, late, forEver]) === false;
        if (goesOut && this.played(spot, [...ends, early, late]) === true) return broken([...explored.path(at), ...ends, early, late]);
      }
    }
    return happens ? KEPT : undecided('neverHappens');
  }

  private powerBack(answer: 'off' | 'asBefore' | 'on' | null): Finding {
    if (answer === null) return undecided('unanswered');
    if (!this.cutter) return undecided('notFromHouse');
    const { mover, off, on } = this.cutter;
    const acts = [off, on].map((position): Act => ({ kind: 'move', mover, position }));
    for (const [at, spot] of this.explored.spots.entries()) {
      // Nobody holds a button while the battery is off.
      if (spot.isRestless || this.explored.isHeld(spot)) continue;
      const back = this.played(spot, acts);
      if (back === null) return undecided('restless', [...this.explored.path(at), ...acts]);
      const wanted = answer === 'asBefore' ? this.isOn(spot) : answer === 'on';
      if (back !== wanted) return broken([...this.explored.path(at), ...acts]);
    }
    return KEPT;
  }

  /** However the vehicle stands, with everything of the house left alone it is dark, and no one act on it lights it. */
  private notByOne(): Finding {
    const { explored } = this;
    const untouched = explored.inputs.filter((input) => input.kind === 'device');
    const isLeft = (spot: Spot) => untouched.every((input) => explored.standsAt(spot, input) === input.positions[0]);
    const lit = explored.spots.findIndex((spot) => !spot.isRestless && isLeft(spot) && this.isOn(spot));
    if (lit >= 0) return broken(explored.path(lit));
    if (!this.atRest().some((spot) => this.isOn(spot))) return undecided('neverHappens');
    return this.afterEvery(
      (spot) =>
        isLeft(spot)
          ? untouched.flatMap(({ positions, ...mover }) => positions.map((position): Act => ({ kind: 'move', mover, position })))
          : [],
      (_, after) => !this.isOn(after),
    );
  }
}

/** What makes two parts of a design, with what is moved in them, one and the same. */
function partKey({ devices, wires }: DesignIndex, inputs: readonly Input[], without: string | null): string {
  const moved = inputs.map((input) => (input.kind === 'vehicle' ? input.control : `${input.deviceId}.${input.control}`));
  return [[...devices.keys()].sort(), wires.map(({ id }) => id).sort(), moved.sort(), [without]].map((list) => list.join()).join('/');
}

function isContrary(a: WishSays, b: WishSays): boolean {
  return (a.kind === 'on' && b.kind === 'off') || (a.kind === 'off' && b.kind === 'on');
}
