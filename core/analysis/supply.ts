import { slotKey } from '../design/design';
import type { Device, FuseBlock, Protection } from '../design/schema';
import { isBehindOwnFuse } from '../devices/vehicleFeed';
import { DemandSum } from '../network/demand';
import type { FedWire } from '../network/feeders';
import { isReturnJunction, type TreeFlow } from '../network/flow';
import { partedWays } from '../network/ways';
import { letThrough, type GuardedLoad, type LetThrough } from '../network/letThrough';
import { crossesContact } from '../network/longerWay';
import { terminalKey, type WiringTree } from '../network/wiring';
import { isSameList, slot } from '../units/carried';
import type { AnalysisContext } from './context';
import type { LaidWire } from '../rig/layout';
import { returnRings, type RoundReturn } from './returnRings';
import type { BlockAnalysis, CircuitAnalysis, MainAnalysis, SlotAnalysis, WireAnalysis } from './types';

const WIRES = slot<WireAnalysis>('wires');

/** Every wire that carries current between battery and loads, with what it carries and what guards it. */
export function analyseWires(context: AnalysisContext, circuits: Iterable<CircuitAnalysis>): Map<string, WireAnalysis> {
  const { carried, wiring, hanging, supply, returns, index, feeders } = context;
  const onlyOf = ({ fuseIds, passesA }: FedWire) => fuseIds.find((id) => ratingOf(id) === passesA) ?? null;
  const passing = guardedLetThrough(context);
  const around = carriedByEither(context);
  const round = returnRings(context);
  const lent = vehicleReturns(context);
  const homeward = (at: number): RoundReturn | undefined => {
    const [own, other] = [lent.get(at), round.ways.get(at)];
    if (!own || !other) return own ?? other;
    return { amps: own.amps + other.amps, loadIds: [...new Set([...own.loadIds, ...other.loadIds])] };
  };
  const wires = new Map<string, WireAnalysis>();
  const add = (tree: WiringTree, flow: TreeFlow, at: number, own: Ownership) => {
    const { wire, parent } = tree.nodes[at]!;
    const amps = flow.demand[at]!.peakA;
    const most = Math.max(amps, (tree === wiring.supply ? around.get(at) : homeward(at)?.amps) ?? 0);
    if (wire) put(wire, most, flow.dropV[at]! - flow.dropV[parent]!, own);
  };
  const put = (wire: LaidWire, amps: number, dropV: number, own: Ownership) => {
    const { side, circuitId, protectionId, protectionA, sharedBy, fedBy } = own;
    const ampacity = context.ampacityOf(wire);
    const inputs = [wire, side, circuitId, protectionId, protectionA, sharedBy, fedBy, amps, dropV, ampacity];
    wires.set(
      wire.id,
      carried.keepEach(WIRES, wire.id, inputs, () => ({ wire, ...own, amps, dropV, ampacity })),
    );
  };
  const ratingOf = (id: string | null) => {
    const guard = index.devices.get(id ?? '');
    return guard?.kind === 'protection' ? guard.ratingA : null;
  };
  const ownFuseA = (feedId: string | null) => {
    const feed = index.devices.get(feedId ?? '');
    return feed?.kind === 'vehicleFeed' && isBehindOwnFuse(feed) ? (feed.ownFuseA ?? null) : null;
  };
  wiring.supply.nodes.forEach(({ circuitId, parent, wire, feedId }, at) => {
    if (parent < 0) return;
    const sharedBy = hanging.unguardedLeads.get(at) ?? null;
    const passes = sharedBy && wire && passing(wire.id, sharedBy);
    const guard = passes ? passes.limitedBy : wiring.supply.nodes[parent]!.protectionId;
    const fed = wire ? feeders.wires.get(wire.id) : undefined;
    const protectionId = fed ? onlyOf(fed) : guard;
    const protectionA = fed ? fed.passesA : passes ? passes.amps : guard === null ? ownFuseA(feedId) : ratingOf(guard);
    add(wiring.supply, supply, at, { side: 'supply', circuitId, protectionId, protectionA, sharedBy, fedBy: fed?.fuseIds ?? null });
  });
  // A wire that closes a ring carries what either side of it may ask for, should the other be open.
  for (const { wireId, side, ends } of wiring.rings) {
    const fed = feeders.wires.get(wireId ?? '');
    if (side !== 'supply' || !fed) continue;
    const fuses = new Set(ends.map((at) => wiring.supply.nodes[at]!.protectionId));
    const askedAt = (fuseId: string | null) => wiring.supply.at.get(terminalKey(fuseId ?? '', 'out'));
    const amps = Math.max(0, ...[...fuses].map((fuseId) => supply.demand[askedAt(fuseId) ?? -1]?.peakA ?? 0));
    const { circuitId } = wiring.supply.nodes[ends[0]]!;
    put(fed.wire, amps, across(supply, ends), {
      side,
      circuitId,
      protectionId: onlyOf(fed),
      protectionA: fed.passesA,
      sharedBy: null,
      fedBy: fed.fuseIds,
    });
  }
  const owner = new Map<string, CircuitAnalysis>();
  for (const circuit of circuits) {
    for (const wireId of circuit.returnWireIds) {
      if (circuit.ratingA > (owner.get(wireId)?.ratingA ?? 0)) owner.set(wireId, circuit);
    }
  }
  wiring.return.nodes.forEach(({ wire }, at) => {
    if (!wire) return;
    const circuit = owner.get(wire.id);
    const sharedBy = homeward(at)?.loadIds ?? hanging.sharedReturns.get(at) ?? null;
    const passes = sharedBy && passing(wire.id, sharedBy);
    const protectionId = passes ? passes.limitedBy : (circuit?.protectionId ?? null);
    const protectionA = passes ? passes.amps : ratingOf(protectionId);
    add(wiring.return, returns, at, { side: 'return', circuitId: circuit?.id ?? null, protectionId, protectionA, sharedBy, fedBy: null });
  });
  for (const [wireId, { amps, loadIds, ends }] of round.closing) {
    const { limitedBy, amps: protectionA } = passing(wireId, loadIds);
    const wire = index.wires.find(({ id }) => id === wireId)!;
    put(wire, amps, across(returns, ends), {
      side: 'return',
      circuitId: null,
      protectionId: limitedBy,
      protectionA,
      sharedBy: loadIds,
      fedBy: null,
    });
  }
  return wires;
}

/** Between the ends of a wire that closes a ring are the volts that their two ways lose differently. */
const across = ({ dropV }: TreeFlow, [one, other]: readonly [number, number]) => Math.abs(dropV[one]! - dropV[other]!);

/**
 * What the vehicle's own side lends goes home to its own battery: by node of the return tree from its minus to where returns meet, all that
 * its feed gives.
 */
function vehicleReturns({ wiring, index, hanging, supply }: AnalysisContext): Map<number, RoundReturn> {
  const lent = new Map<number, RoundReturn>();
  for (const { id, kind } of index.devices.values()) {
    const out = kind === 'vehicleFeed' ? wiring.supply.at.get(terminalKey(id, 'out')) : undefined;
    if (out === undefined) continue;
    const loadIds = [...hanging.loads].flatMap(([loadId, { plus }]) => (plus !== undefined && wiring.supply.nodes[plus]!.feedId === id ? [loadId] : [])); // prettier-ignore
    const { nodes } = wiring.return;
    for (let at = wiring.return.at.get(terminalKey(id, 'minus')) ?? -1; at >= 0; at = nodes[at]!.parent) {
      const { deviceId } = nodes[at]!;
      if (isReturnJunction(deviceId, index.devices.get(deviceId)?.kind)) break;
      lent.set(at, { amps: supply.demand[out]!.peakA, loadIds });
    }
  }
  return lent;
}

/**
 * Of two ways that lead to one point the tree follows one, and by turns, or with the other open, each carries all of it: two contacts side
 * by side, the travellers of a lamp switched from two places, a second feed. What comes to a node so with what hangs on it, A. What hangs
 * on a way before its first contact is not the other's: nothing opens there.
 */
function carriedByEither({ index, wiring: { supply, rings }, supply: { demand } }: AnalysisContext): Map<number, number> {
  /** By node, the nodes whose loads it may carry. */
  const carried = new Map<number, Set<number>>();
  for (const { side, ends } of rings) {
    if (side !== 'supply') continue;
    const fuseOf = (at: number) => supply.nodes[at]!.protectionId;
    const isOneFuse = fuseOf(ends[0]) === fuseOf(ends[1]);
    const ways = partedWays(supply, ends).map((up, which) => {
      const down = [...up].reverse();
      const contact = down.findIndex((at) => fuseOf(at) === fuseOf(ends[which]!) && crossesContact(supply, index.devices, at));
      // Without a contact all of a way is the other's should it break, but never what another fuse feeds.
      return { down, from: contact >= 0 ? contact : isOneFuse ? 0 : down.length };
    });
    const moved = ways.map(({ down, from }, which) => down[from] ?? ends[which]!);
    ways.forEach(({ down, from }, which) =>
      down.forEach((at, place) => {
        const own = place < from ? at : moved[which]!;
        carried.set(at, (carried.get(at) ?? new Set()).add(own).add(moved[1 - which]!));
      }),
    );
  }
  return new Map([...carried].map(([at, from]) => [at, amongThem(supply, from).reduce((sum, one) => sum + demand[one]!.peakA, 0)]));
}

/** Of some nodes those that lie behind none of the others. */
function amongThem({ nodes }: WiringTree, some: ReadonlySet<number>): number[] {
  return [...some].filter((one) => {
    for (let at = nodes[one]!.parent; at >= 0; at = nodes[at]!.parent) if (some.has(at)) return false;
    return true;
  });
}

type Ownership = Pick<WireAnalysis, 'side' | 'circuitId' | 'protectionId' | 'protectionA' | 'sharedBy' | 'fedBy'>;

const FUSES = slot<readonly Device[]>('fuses');
const LET_THROUGH = slot<LetThrough>('let through');

/** By the wire they share: what the fuses of some loads let through together. */
function guardedLetThrough(context: AnalysisContext): (wireId: string, loadIds: readonly string[]) => LetThrough {
  const { carried, index, hanging, draws, exclusions } = context;
  const all = Array.from(index.devices.values()).filter(({ kind }) => kind === 'protection');
  const fuses = carried.steady(FUSES, all, isSameList);
  return (wireId, loadIds) =>
    carried.keepEach(LET_THROUGH, wireId, [loadIds, hanging, draws, exclusions, fuses], () => togetherThrough(context, loadIds));
}

function togetherThrough({ index, hanging, wiring, draws, exclusions }: AnalysisContext, loadIds: readonly string[]): LetThrough {
  const { nodes } = wiring.supply;
  const loads = loadIds.flatMap((id): GuardedLoad[] => {
    const { plus } = hanging.loads.get(id)!;
    const load = index.devices.get(id);
    if (plus === undefined || load?.kind !== 'load') return [];
    return [
      {
        fuseId: nodes[plus]!.protectionId,
        amps: draws.get(id)!.amps,
        exclusiveGroup: exclusions.proven.has(load.exclusiveGroup ?? '') ? load.exclusiveGroup : null,
      },
    ];
  });
  return letThrough(loads, {
    ratingOf: (id) => (index.devices.get(id) as Protection).ratingA,
    aheadOf: (id) => hanging.protectionsAhead.get(id) ?? null,
  });
}

/** Every fuse block with its slots and what they feed. */
export function analyseBlocks(context: AnalysisContext): BlockAnalysis[] {
  const { index, wiring, supply } = context;
  const circuitOf = new Map(index.circuits.map((circuit) => [circuit.protectionId, circuit.id]));
  const blocks = Array.from(index.devices.values()).filter((device): device is FuseBlock => device.kind === 'fuseBlock');
  return blocks.map((block) => {
    const at = wiring.supply.at.get(terminalKey(block.id, 'in'));
    const mounted = new Map((index.mounted.get(block.id) ?? []).map((fuse) => [fuse.mount!.slot, fuse]));
    const sum = new DemandSum();
    const peakOf = ({ id }: Protection) => {
      const out = wiring.supply.at.get(terminalKey(id, 'out'));
      return out === undefined ? 0 : supply.demand[out]!.peakA;
    };
    const slots = Array.from({ length: block.slots }, (_, place): SlotAnalysis => {
      const slot = place + 1;
      const fuse = mounted.get(slot);
      const tap = index.taps.get(slotKey({ blockId: block.id, slot }));
      return {
        slot,
        protectionId: fuse?.id ?? null,
        circuitId: fuse ? (circuitOf.get(fuse.id) ?? null) : null,
        ratingA: fuse?.ratingA ?? null,
        peakA: fuse ? peakOf(fuse) : 0,
        tap: tap
          ? {
              ...{ protectionId: tap.id, circuitId: circuitOf.get(tap.id) ?? null },
              ...{ ratingA: tap.ratingA, peakA: peakOf(tap), leg: tap.mount!.tap!, metered: tap.mount!.metered === true },
            }
          : null,
      };
    });
    const fed = at !== undefined && at < wiring.fedCount;
    const demand = at === undefined ? sum.demand() : supply.demand[at]!;
    return {
      id: block.id,
      slotMaxA: block.slotMaxA,
      blockMaxA: block.blockMaxA,
      ...demand,
      fed,
      slots,
      spare: slots.filter(({ protectionId, tap }) => protectionId === null && tap === null).length,
    };
  });
}

/** The first protection reached from the battery's positive. */
export function analyseMain({ wiring, supply, index }: AnalysisContext): MainAnalysis | null {
  const at = wiring.supply.nodes.findIndex((node, place) => place < wiring.fedCount && node.feedId === null && node.protectionId !== null);
  if (at < 0) return null;
  const { protectionId } = wiring.supply.nodes[at]!;
  const protection = index.devices.get(protectionId!);
  if (protection?.kind !== 'protection') return null;
  const { peakA, continuousA } = supply.demand[at]!;
  return { protectionId: protection.id, ratingA: protection.ratingA, peakA, continuousA };
}
