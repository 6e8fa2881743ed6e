import type { Device, Mover, Wish, WishSays } from '../design/schema';
import type { Dimmer } from '../devices/dimmer';
import { BEGUN, withControl, type ControlState } from '../network/controlState';
import { pathTo } from '../network/ways';
import { NetworkError } from '../network/networkError';
import { Reach } from '../network/reach';
import { terminalKey, type Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { Explored, type Act } from './explore';
import { withFaults } from './faults';
import { vehicleWires } from './handles';
import { inputFor, inputsOf, withNamed, type Input } from './inputs';
import { Trial, undecided, type Cutter, type Found } from './trial';
import { conditionsOf, devicesAmong, moversIn } from './wished';

/** What the wiring makes of a wish. */
export interface Judged extends Found {
  wish: Wish;
  /** How far time was let run for it, s; 0: it does not matter. */
  withinS: number;
  /** Ways of standing it was held against. */
  tried: number;
}

/**
 * Holds wishes against the wiring: for each, every way that what influences it can stand is tried, nothing else. Dimmers stand at full,
 * fuses are in.
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

/**
 * Answers of the network asked for all wishes of a design together, and for each more: miswired, one part of it may hang on everything, and
 * nobody waits minutes for each.
 */
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
      if (wish.says.kind === 'levelKept' && !this.hasDimmer(wish.loadId)) return { wish, ...undecided('notDimmed'), withinS: 0, tried: 0 };
      const { explored, start } = this.explore(wish);
      const finding = new Trial(explored, wish, this.contraryOf(wish), this.cutterOf(wish, explored.part)).judge(start);
      // Where not all was tried, a way that breaks it still breaks it, and one that can still be lit still can.
      const isProved = wish.says.kind === 'stillWorks' ? finding.verdict === 'kept' : finding.verdict === 'broken';
      const isOpen = !explored.isWhole && !isProved;
      const isSaid = wish.says.kind !== 'levelKept' || finding.verdict !== 'broken' || this.saysLevel(explored.dimmerOf(wish.loadId));
      const said = isOpen ? undecided('notAllTried') : isSaid ? finding : undecided('levelNotSaid', finding.series);
      return { wish, ...said, withinS: explored.longestS, tried: explored.spots.length };
    } catch (error) {
      if (error instanceof NetworkError) return { wish, ...undecided('noAnswer'), withinS: 0, tried: 0 };
      throw error;
    }
  }

  /** Whether somebody said what a dimmer does that is switched on again. */
  private saysLevel(dimmer: Dimmer | null): boolean {
    const device = dimmer && this.index.devices.get(dimmer.id);
    return device?.kind === 'dimmer' && device.keeps !== undefined;
  }

  /** Whether a dimmer is among what influences a load. */
  private hasDimmer(loadId: string): boolean {
    return Array.from(this.reach.influenceOn([loadId]).index.devices.values()).some(({ kind }) => kind === 'dimmer');
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
    const seeds = without === null ? loadIds : [...loadIds, without];
    const { index: part, handles } = this.reach.influenceNaming(seeds, devicesAmong(named));
    const lost = without === null ? null : this.without(without);
    const inputs = withNamed(inputsOf(vehicleWires(part), handles), part, named).filter(
      (input) => input.kind === 'vehicle' || input.deviceId !== without,
    );
    const tried = says.kind === 'levelKept' ? withLevelsLost(part) : lost ? lost.of(part) : part;
    const key = partKey(part, inputs, without ?? (tried === part ? null : says.kind));
    let explored = this.explored.get(key);
    if (!explored) this.explored.set(key, (explored = new Explored(tried, inputs, this.budget, lost?.start)));
    return { explored, start: lost?.acts ?? [] };
  }

  /**
   * A design in which one part does not do its work: a fuse is out, a relay does not pull in, a fob is lost, and whatever else it is lets
   * nothing through.
   */
  private without(id: string): { of(part: DesignIndex): DesignIndex; start: ControlState; acts: Act[] } {
    const device = this.index.devices.get(id);
    if (device?.kind === 'protection') {
      const mover: Mover = { kind: 'device', deviceId: id, control: 'fitted' };
      return { of: (part) => part, start: withControl(BEGUN, id, 'fitted', false), acts: [{ kind: 'move', mover, position: false }] };
    }
    const lost = (part: DesignIndex): DesignIndex => {
      // Its buttons are not pressed: they are no inputs then.
      if (device?.kind === 'receiver') return part;
      if (device?.kind === 'relay') return withFaults(part, [{ kind: 'neverPulls', relayId: id }]);
      return { ...part, wires: part.wires.filter(({ from, to }) => from.deviceId !== id && to.deviceId !== id) };
    };
    return { of: lost, start: BEGUN, acts: [] };
  }

  private contraryOf({ id, loadId, says }: Wish): WishSays[] {
    return this.wishes.filter((other) => other.id !== id && other.loadId === loadId && isContrary(says, other.says)).map(({ says: other }) => other); // prettier-ignore
  }

  /**
   * What takes the house battery off a load: the isolator nearest to it, else the fuse; null where there is none, or the battery does not
   * lead there.
   */
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

/** A design in which dimmers of which nobody said so come back at full, as many do. */
function withLevelsLost(part: DesignIndex): DesignIndex {
  const open = Array.from(part.devices.values()).filter((device) => device.kind === 'dimmer' && device.keeps === undefined);
  return open.length === 0
    ? part
    : {
        ...part,
        devices: new Map([...part.devices, ...open.map((device) => [device.id, { ...device, keeps: 'full' } as Device] as const)]),
      };
}

/** What makes two parts of a design, with what is moved in them, one and the same. */
function partKey({ devices, wires }: DesignIndex, inputs: readonly Input[], without: string | null): string {
  const moved = inputs.map((input) => (input.kind === 'vehicle' ? input.control : `${input.deviceId}.${input.control}`));
  return [[...devices.keys()].sort(), wires.map(({ id }) => id).sort(), moved.sort(), [without]].map((list) => list.join()).join('/');
}

function isContrary(a: WishSays, b: WishSays): boolean {
  return (a.kind === 'on' && b.kind === 'off') || (a.kind === 'off' && b.kind === 'on');
}
