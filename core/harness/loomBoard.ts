import type { Passage } from '../design/schema';
import { bundleDiameterMm } from '../rig/bundles';
import type { DesignIndex } from '../rig/designIndex';
import type { LaidRoute } from '../rig/layout';
import type { HarnessWire } from './harnessWire';
import type { Harness } from './schedule';

/**
 * A loom laid out flat: every stretch level and as long as it is, one lane under another, the longest way in the middle, joined by upright
 * steps that stand for no length.
 */
export interface LoomBoard {
  branches: LoomBranch[];
  nodes: LoomNode[];
  lanes: number;
  /** From the first place to the furthest, mm. */
  lengthMm: number;
}

/** One stretch on the board. */
export interface LoomBranch {
  routeId: string;
  /** How far along the board it begins, on which lane it lies, and from which lane it leaves. */
  startMm: number;
  lengthMm: number;
  lane: number;
  fromLane: number;
  lines: HarnessWire[];
  /** What the wires in it are thick together, mm. */
  thickMm: number;
  passes: readonly Passage[];
}

/** A place on the board, with the ends that leave the loom there. */
export interface LoomNode {
  placeId: string;
  atMm: number;
  lane: number;
  ends: LoomEnd[];
  /** What has to be pulled through first on the way here: ends are crimped behind it, in the vehicle. */
  behind: readonly Passage[];
  /** Whether this place is on the board already: a ring of stretches is cut open here. */
  isAgain: boolean;
}

export interface LoomEnd {
  line: HarnessWire;
  side: 'from' | 'to';
}

interface Step {
  laid: LaidRoute;
  to: string;
  isAgain: boolean;
}

/**
 * The looms of a design, the longest first: one for each part of the vehicle whose stretches hang together. Nothing where nobody has laid
 * one out.
 */
export function loomBoards({ layout }: DesignIndex, { wires }: Harness): LoomBoard[] {
  const inRoute = new Map<string, HarnessWire[]>();
  const endsAt = new Map<string, LoomEnd[]>();
  for (const line of wires) {
    const run = layout.runs.get(line.wire.id);
    if (!run?.routeIds || run.routeIds.length === 0) continue;
    for (const id of run.routeIds) inRoute.set(id, [...(inRoute.get(id) ?? []), line]);
    endsAt.set(run.fromPlaceId, [...(endsAt.get(run.fromPlaceId) ?? []), { line, side: 'from' }]);
    endsAt.set(run.toPlaceId, [...(endsAt.get(run.toPlaceId) ?? []), { line, side: 'to' }]);
  }
  const near = new Map<string, LaidRoute[]>();
  for (const id of inRoute.keys()) {
    const laid = layout.routes.get(id)!;
    for (const { id: place } of [laid.from, laid.to]) near.set(place, [...(near.get(place) ?? []), laid]);
  }
  const seen = new Set<string>();
  const roots = Array.from(near.keys()).sort((a, b) => (endsAt.get(b)?.length ?? 0) - (endsAt.get(a)?.length ?? 0) || (a < b ? -1 : 1));
  const boards = roots.flatMap((root): LoomBoard[] => (seen.has(root) ? [] : [board(root, { near, seen, inRoute, endsAt })]));
  return boards.sort((a, b) => b.lengthMm - a.lengthMm);
}

interface Looms {
  near: ReadonlyMap<string, readonly LaidRoute[]>;
  seen: Set<string>;
  inRoute: ReadonlyMap<string, HarnessWire[]>;
  endsAt: ReadonlyMap<string, LoomEnd[]>;
}

/** Above the trunk or below it. */
const UP = -1;
const DOWN = 1;
type Side = typeof UP | typeof DOWN;

function board(root: string, looms: Looms): LoomBoard {
  const steps = treeFrom(root, looms);
  const branches: LoomBranch[] = [];
  const nodes: LoomNode[] = [];
  const reach = (place: string): number => Math.max(0, ...(steps.get(place) ?? []).map(({ laid, to, isAgain }) => laid.length.mm + (isAgain ? 0 : reach(to)))); // prettier-ignore
  // Lanes taken above the trunk, counted down, and below it, counted up.
  const taken = { [UP]: 0, [DOWN]: 0 };
  /**
   * Draws what begins at a place along one lane, its longest way straight on; what leaves it last lies next to it, so that no step crosses
   * a stretch. The trunk's branches go where there is more room, theirs further out on the same side.
   */
  const draw = (from: string, atMm: number, lane: number, behind: readonly Passage[], isAgain: boolean, given: Side | null): void => {
    const leaving: { step: Step; atMm: number; behind: readonly Passage[] }[] = [];
    let here = { place: from, atMm, behind, isAgain };
    for (;;) {
      const { place, atMm: x, behind: through } = here;
      nodes.push({ placeId: place, atMm: x, lane, ends: here.isAgain ? [] : (looms.endsAt.get(place) ?? []), behind: through, isAgain: here.isAgain }); // prettier-ignore
      const [straight, ...others] = here.isAgain ? [] : [...(steps.get(place) ?? [])].sort((a, b) => far(b, reach) - far(a, reach));
      leaving.push(...others.map((step) => ({ step, atMm: x, behind: through })));
      if (!straight) break;
      branches.push(branchOf(straight, x, lane, lane, looms));
      here = {
        place: straight.to,
        atMm: x + straight.laid.length.mm,
        behind: [...through, ...fitted(straight)],
        isAgain: straight.isAgain,
      };
    }
    for (const { step, atMm: x, behind: through } of leaving.sort((a, b) => b.atMm - a.atMm)) {
      const side = given ?? (taken[UP] < taken[DOWN] ? UP : DOWN);
      taken[side] += 1;
      const own = side * taken[side];
      branches.push(branchOf(step, x, own, lane, looms));
      draw(step.to, x + step.laid.length.mm, own, [...through, ...fitted(step)], step.isAgain, side);
    }
  };
  draw(root, 0, 0, [], false, null);
  const down = <T extends { lane: number; fromLane?: number }>(one: T): T => ({
    ...one,
    lane: one.lane + taken[UP],
    ...(one.fromLane !== undefined && { fromLane: one.fromLane + taken[UP] }),
  });
  const lanes = 1 + taken[UP] + taken[DOWN];
  return { branches: branches.map(down), nodes: nodes.map(down), lanes, lengthMm: Math.max(0, ...nodes.map(({ atMm }) => atMm)) };
}

const far = ({ laid, to, isAgain }: Step, reach: (place: string) => number) => laid.length.mm + (isAgain ? 0 : reach(to));

/** What holds a cable where it passes something, which no crimped end goes through. */
const fitted = ({ laid }: Step) => laid.route.passes.filter(({ part }) => part === 'grommet' || part === 'gland' || part === 'boot');

/** Every stretch once, nearest first from the root; one that closes a ring ends at its place once more. */
function treeFrom(root: string, { near, seen }: Looms): Map<string, Step[]> {
  const steps = new Map<string, Step[]>();
  const used = new Set<string>();
  const open = [{ place: root, mm: 0 }];
  seen.add(root);
  while (open.length > 0) {
    open.sort((a, b) => a.mm - b.mm);
    const { place, mm } = open.shift()!;
    for (const laid of near.get(place) ?? []) {
      if (used.has(laid.route.id)) continue;
      used.add(laid.route.id);
      const to = laid.from.id === place ? laid.to.id : laid.from.id;
      const isAgain = seen.has(to);
      steps.set(place, [...(steps.get(place) ?? []), { laid, to, isAgain }]);
      if (isAgain) continue;
      seen.add(to);
      open.push({ place: to, mm: mm + laid.length.mm });
    }
  }
  return steps;
}

function branchOf({ laid }: Step, startMm: number, lane: number, fromLane: number, { inRoute }: Looms): LoomBranch {
  const lines = inRoute.get(laid.route.id) ?? [];
  return {
    ...{ routeId: laid.route.id, startMm, lengthMm: laid.length.mm, lane, fromLane, lines, passes: laid.route.passes },
    thickMm: bundleDiameterMm(lines.map(({ wire }) => wire.conductor)),
  };
}
