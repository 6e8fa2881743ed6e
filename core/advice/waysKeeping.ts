import { judgeWishes } from '../bench/judge';
import { givenWishes } from '../bench/usualWishes';
import type { Analysis } from '../analysis/types';
import { applyChange } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { NetworkError } from '../network/networkError';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import { thereToTake } from '../switching/gallery/spare';
import { waysFor, wayTo } from '../switching/gallery/wayTo';
import type { Way, WayChoice, WayId } from '../switching/gallery/ways';

/** What becomes of a load's wishes if it is switched in one way. */
export interface WayKeeping extends WayChoice {
  wayId: WayId;
  kept: number;
  broken: number;
  undecided: number;
  /** Wishes that name a part which goes, and go with it. */
  lost: number;
  parts: number;
  wires: number;
}

/**
 * Every way a load may be switched, with each signal that makes sense for it, held against what is wished of it and given for its safety:
 * those that keep most first, of these the ones with the fewest parts and wires.
 * @param tell is told the share that is done; false ends it
 */
export function waysKeeping(analysis: Analysis, loadId: string, tell: (done: number) => boolean = () => true): WayKeeping[] {
  const { design, index } = analysis;
  const load = index.loads.find(({ id }) => id === loadId);
  if (!load) return [];
  const lampId = load.partOf?.loadId ?? load.id;
  const sibling = index.loads.find(({ id, partOf }) => id !== loadId && (partOf?.loadId ?? id) === lampId)?.id ?? null;
  const asked = waysFor(load).flatMap((way) => choicesOf(design, way, sibling).map((choice) => ({ way, choice })));
  const found: WayKeeping[] = [];
  for (const [at, { way, choice }] of asked.entries()) {
    const tried = tryOne(analysis, loadId, way, choice);
    if (tried) found.push(tried);
    if (!tell((at + 1) / asked.length)) break;
  }
  const before = recordsOf(design, 'wish').filter((wish) => wish.loadId === loadId).length;
  const open = ({ broken, undecided, lost }: WayKeeping) => broken * (before + 1) + undecided + lost;
  return found.sort((a, b) => open(a) - open(b) || a.parts - b.parts || a.wires - b.wires);
}

function choicesOf(design: Design, { asks, signals }: Way, sibling: string | null): WayChoice[] {
  if (asks === 'signal') return (signals ?? []).map((signal) => ({ signal, otherId: null }));
  if (asks === 'other') return sibling === null ? [] : [{ signal: 'ignition', otherId: sibling }];
  if (asks !== undefined) {
    // The first that is free of each part: they are alike.
    const free = thereToTake(design, asks).filter(({ deviceId }, at, all) => all.findIndex((one) => one.deviceId === deviceId) === at);
    return free.flatMap((onto) => (signals ?? ['ignition' as const]).map((signal) => ({ signal, otherId: null, onto })));
  }
  return [{ signal: 'ignition', otherId: null }];
}

function tryOne({ design }: Analysis, loadId: string, way: Way, choice: WayChoice): WayKeeping | null {
  const taken = wayTo(design, loadId, way, choice);
  if (!taken) return null;
  const after = applyChange(design, taken.change);
  const index = indexDesign(after);
  const mine = [...recordsOf(after, 'wish'), ...givenWishes(index)].filter((wish) => wish.loadId === loadId);
  try {
    const judged = judgeWishes(index, traceWiring(index), mine);
    const count = (verdict: string) => judged.filter((one) => one.verdict === verdict).length;
    const added = (type: string) => taken.change.added.filter((record) => record.type === type).length;
    const lost = taken.change.removed.filter((record) => record.type === 'wish' && record.loadId === loadId).length;
    return {
      ...{ ...choice, wayId: way.id, kept: count('kept'), broken: count('broken'), undecided: count('undecided'), lost },
      ...{ parts: added('device'), wires: added('wire') },
    };
  } catch (error) {
    if (error instanceof NetworkError) return null;
    throw error;
  }
}
