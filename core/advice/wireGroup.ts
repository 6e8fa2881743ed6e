import { analyse } from '../analysis/analyse';
import type { Finding } from '../analysis/finding';
import type { Analysis } from '../analysis/types';
import { judgeWishes, type Judged } from '../bench/judge';
import { allWishes } from '../bench/usualWishes';
import { applyChange, composeChanges, NO_CHANGE, type Change } from '../design/change';
import { recordsOf } from '../design/design';
import type { Device, Wish } from '../design/schema';
import { partKey, type PartLine } from '../harness/partsList';
import { wayCalled, type WayId } from '../switching/gallery/ways';
import { wayTo } from '../switching/gallery/wayTo';
import { seatOn, unseated, type PanelFor } from '../switching/panels';
import { coresIn } from './coresIn';
import { priceOfChange, type PriceOfChange } from './priceOfChange';
import { waysKeeping, type WayKeeping } from './waysKeeping';
import { whatItBrings } from './whatItBrings';

/** What becomes of one load of a group. */
export interface GroupLine {
  loadId: string;
  /** It does all that is wished already; it is wired another way; no way does it; or those that do would bring a fault. */
  fate: 'asItIs' | 'wired' | 'noWay' | 'unsound';
  wayId: WayId | null;
  /** Wishes of it, and how many nobody has decided. */
  wishes: number;
  undecided: number;
}

/** Loads wired so that all that is wished of them is done, tried on a copy: what it comes to before anything is bought. */
export interface GroupWired {
  change: Change;
  lines: GroupLine[];
  /** Parts that come, by what they are, and how many that were there go. */
  parts: Extract<PartLine, { group: 'parts' }>[];
  dropped: number;
  wires: number;
  cores: number;
  /** Switches and dimmers that come and sit on no panel. */
  offPanel: number;
  /** The panel they were to sit on. */
  panelId: string | null;
  price: PriceOfChange;
  brought: Finding[];
  ended: number;
  /** Wishes that are not kept once all is done: what wires one load may undo another. */
  unmet: Judged[];
}

/**
 * Takes loads with wishes one after another and wires each the best way that keeps all that is wished of it and brings no fault, on what
 * those before it left. Those that do it already stay.
 * @param onto where what works them sits; null: where the ways put it
 * @param tell is told the share that is done; false ends it with what was wired by then
 * @throws NetworkError where the wiring has no answer
 */
export function wireGroup(
  analysis: Analysis,
  loadIds: readonly string[],
  onto: PanelFor | null = null,
  tell: (done: number) => boolean = () => true,
): GroupWired {
  let now = analysis;
  let change = NO_CHANGE;
  const lines: GroupLine[] = [];
  for (const [at, loadId] of loadIds.entries()) {
    let isWanted = true;
    const judged = judgeOf(now, [loadId]);
    const counted = { wishes: judged.length, undecided: judged.filter(({ why }) => why === 'unanswered').length };
    if (judged.every(({ verdict, why }) => verdict === 'kept' || why === 'unanswered')) {
      lines.push({ loadId, fate: 'asItIs', wayId: null, ...counted });
    } else {
      const ways = waysKeeping(now, loadId, (done) => (isWanted = tell((at + done) / loadIds.length)));
      if (!isWanted) break;
      const keeping = ways.filter(({ broken, lost, undecided }) => broken === 0 && lost === 0 && undecided <= counted.undecided);
      const sound = firstSound(now, loadId, keeping);
      lines.push({ loadId, fate: sound ? 'wired' : keeping.length > 0 ? 'unsound' : 'noWay', wayId: sound?.wayId ?? null, ...counted });
      if (sound) {
        change = composeChanges(change, sound.change);
        now = sound.after;
      }
    }
    if (!tell((at + 1) / loadIds.length)) break;
  }
  const panel = onto && seatOn(now.design, new Set(change.added.map(({ id }) => id)), onto);
  if (panel) {
    change = composeChanges(change, panel.change);
    now = analyse(applyChange(now.design, panel.change));
  }
  const added = change.added.flatMap((record) => (record.type === 'device' ? [record] : []));
  const wires = change.added.flatMap((record) => (record.type === 'wire' ? [record] : []));
  const ids = new Set(added.map(({ id }) => id));
  return {
    ...{ change, lines, parts: byKind(added), wires: wires.length, cores: coresIn(now.index, wires) },
    dropped: change.removed.filter(({ type }) => type === 'device').length,
    offPanel: unseated(now.design, 'panel').filter(({ device }) => ids.has(device.id)).length,
    panelId: panel?.panelId ?? null,
    price: priceOfChange(analysis, now),
    ...whatItBrings(analysis, now),
    unmet: judgeOf(now, loadIds).filter(({ verdict, why }) => verdict !== 'kept' && why !== 'unanswered'),
  };
}

/** The first of some ways that brings no fault, and the design with it. */
function firstSound(now: Analysis, loadId: string, ways: readonly WayKeeping[]): { wayId: WayId; change: Change; after: Analysis } | null {
  for (const way of ways) {
    const taken = wayTo(now.design, loadId, wayCalled(way.wayId), way);
    if (!taken) continue;
    const after = analyse(applyChange(now.design, taken.change));
    if (!whatItBrings(now, after).brought.some(({ severity }) => severity === 'fault'))
      return { wayId: way.wayId, change: taken.change, after };
  }
  return null;
}

function judgeOf({ index, wiring, design }: Analysis, loadIds: readonly string[]): Judged[] {
  const mine = ({ loadId }: Wish) => loadIds.includes(loadId);
  return judgeWishes(index, wiring, allWishes(index, recordsOf(design, 'wish')).filter(mine));
}

function byKind(devices: readonly Device[]): GroupWired['parts'] {
  const lines = new Map<string, GroupWired['parts'][number]>();
  for (const like of devices) {
    const line: GroupWired['parts'][number] = { group: 'parts', like, count: 0, names: [] };
    const key = partKey(line);
    const known = lines.get(key) ?? line;
    lines.set(key, { ...known, count: known.count + 1, names: [...known.names, like.name] });
  }
  return Array.from(lines.values());
}
