import type { Condition, Mover, Wish, WishSays } from '../design/schema';
import { dimmerPercent, type Dimmer } from '../devices/dimmer';
import type { ControlValue } from '../devices/kind';
import { stateOf } from '../network/compile';
import type { Act, Explored, Spot } from './explore';
import { isSameMover, type Standing } from './inputs';
import { wishedOf } from './wished';

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
  /** A level that no dimmer sets. */
  | 'notDimmed'
  /** Nobody said what a dimmer does that is switched on again. */
  | 'levelNotSaid'
  /** The wiring has no answer. */
  | 'noAnswer';

/** What is found of a wish: the fewest acts from rest that break it, or lead to where nothing can be said. */
export interface Found {
  verdict: 'kept' | 'broken' | 'undecided';
  why: Undecided | null;
  series: Act[];
}

const KEPT: Found = { verdict: 'kept', why: null, series: [] };
const broken = (series: Act[]): Found => ({ verdict: 'broken', why: null, series });
export const undecided = (why: Undecided, series: Act[] = []): Found => ({ verdict: 'undecided', why, series });

/** How much earlier or later than said something may go out. Common practice: simple timers are a tenth off. */
const TIMER_SHARE = 0.1;
const TIMER_S = 1;
/** A level a dimmer is put to, neither full nor nothing. */
const HALF_PERCENT = 50;

/** What takes the house battery off, and how it stands then. */
export interface Cutter {
  mover: Mover;
  off: ControlValue;
  on: ControlValue;
}

/** One wish against every way things can stand. */
export class Trial {
  constructor(
    private readonly explored: Explored,
    private readonly wish: Wish,
    private readonly contrary: readonly WishSays[],
    private readonly cutter: Cutter | null,
  ) {}

  judge(start: readonly Act[]): Found {
    const { says } = this.wish;
    const found = this.look(says);
    const restless = this.explored.spots.findIndex(({ isRestless }) => isRestless);
    const said = found.verdict === 'kept' && restless >= 0 ? undecided('restless', this.explored.path(restless)) : found;
    return said.verdict === 'kept' ? said : { ...said, series: [...start, ...said.series] };
  }

  private look(says: WishSays): Found {
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
      case 'levelKept':
        return this.levelKept();
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

  private inEverySpot(isWell: (spot: Spot) => boolean): Found {
    const at = this.explored.spots.findIndex((spot) => !spot.isRestless && !isWell(spot));
    return at < 0 ? KEPT : broken(this.explored.path(at));
  }

  private holds(spot: Spot, { mover, position }: Condition): boolean {
    return this.explored.standsAt(spot, mover) === position;
  }

  private onWhen(says: Extract<WishSays, { kind: 'on' | 'off' }>): Found {
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

  private keyOut(answer: 'works' | 'dark' | null): Found {
    if (answer === null) return undecided('unanswered');
    if (answer === 'dark') return this.inEverySpot((spot) => spot.side.key !== 'off' || !this.isOn(spot));
    const key: Mover = { kind: 'vehicle', control: 'key' };
    if (!this.atRest().some((spot) => this.isOn(spot))) return undecided('neverHappens');
    return this.afterEvery(
      (spot) => (spot.side.key !== 'off' && this.isOn(spot) ? [{ kind: 'move', mover: key, position: 'off' }] : []),
      (_, after) => this.isOn(after),
    );
  }

  private whatever(mover: Mover): Found {
    const positions = this.explored.inputs.find((input) => isSameMover(input, mover))?.positions ?? [];
    if (!this.atRest().some((spot) => this.isOn(spot))) return undecided('neverHappens');
    return this.afterEvery(
      () => positions.map((position): Act => ({ kind: 'move', mover, position })),
      (spot, after) => this.isOn(spot) === this.isOn(after),
    );
  }

  /** Where an act from any spot leads, and that it is well there. */
  private afterEvery(acts: (spot: Spot) => Act[], isWell: (spot: Spot, after: Spot) => boolean): Found {
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

  private staysOn({ after, seconds }: Extract<WishSays, { kind: 'staysOn' }>): Found {
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

  private powerBack(answer: 'off' | 'asBefore' | 'on' | null): Found {
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

  /** Half turned up and put out by any one thing, it is half turned up again once that is put back. */
  private levelKept(): Found {
    const { explored } = this;
    const dimmer = explored.dimmerOf(this.wish.loadId);
    if (!dimmer) return undecided('notDimmed');
    const half: Act = { kind: 'move', mover: { kind: 'device', deviceId: dimmer.id, control: 'levelPercent' }, position: HALF_PERCENT };
    let happens = false;
    for (const [at, spot] of explored.spots.entries()) {
      if (spot.isRestless || explored.isHeld(spot) || !this.isOn(spot)) continue;
      for (const { positions, ...mover } of explored.inputs) {
        const was = explored.setAt(spot, mover);
        for (const position of positions.filter((other) => other !== was)) {
          // A channel that latches wants its button once more.
          const acts = [half, ...[position, was, position, was].map((to): Act => ({ kind: 'move', mover, position: to }))];
          const found = this.levelAfter(spot, dimmer, acts);
          if (found) happens = true;
          if (found && found.percent !== HALF_PERCENT) return broken([...explored.path(at), ...acts.slice(0, found.acts)]);
        }
      }
    }
    return happens ? KEPT : undecided('neverHappens');
  }

  /** How far it is turned up once acts from a spot have put it out and on again, and by how many of them; null where they do not. */
  private levelAfter(spot: Spot, dimmer: Dimmer, acts: readonly Act[]): { percent: number; acts: number } | null {
    let standing: Standing = spot;
    let wasOut = false;
    for (const [at, act] of acts.entries()) {
      const after = this.explored.play(standing, [act]);
      if (!after) return null;
      standing = after.standing;
      const isOn = this.isOn(after);
      // One that comes back at nothing is fed and dark: its level tells.
      const percent = dimmerPercent(dimmer, stateOf(standing.state, dimmer));
      if (wasOut && (isOn || percent === 0)) return { percent, acts: at + 1 };
      wasOut ||= !isOn;
    }
    return null;
  }

  /** However the vehicle stands, with everything of the house left alone it is dark, and no one act on it lights it. */
  private notByOne(): Found {
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
