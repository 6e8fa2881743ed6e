import { tryWay, type WayTried } from '@/core/advice/tryWay';
import { wireGroup, type GroupWired } from '@/core/advice/wireGroup';
import { waysKeeping, type WayKeeping } from '@/core/advice/waysKeeping';
import { analyse } from '@/core/analysis/analyse';
import { judgeWishes, type Judged } from '@/core/bench/judge';
import { groupTruthOf, type GroupTruth } from '@/core/bench/truth';
import { allWishes } from '@/core/bench/usualWishes';
import { makeDesign, recordsOf } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { NetworkError } from '@/core/network/networkError';
import { networkWords } from '@/core/wording/networkWords';
import { traceWiring } from '@/core/network/traceWiring';
import { indexDesign } from '@/core/rig/designIndex';
import type { PanelFor } from '@/core/switching/panels';
import { wayCalled, type WayChoice, type WayId } from '@/core/switching/gallery/ways';

/** What is asked of the worker, and what each question is answered with. */
export type SwitchingQuestion =
  | { ask: 'wishes' }
  | { ask: 'group'; loadIds: string[]; onto: PanelFor | null }
  | { ask: 'truth'; loadIds: string[] }
  | { ask: 'ways'; loadId: string }
  | ({ ask: 'way'; loadId: string; wayId: WayId } & WayChoice);
export type SwitchingAnswer =
  | { judged: Judged[] }
  | { truth: GroupTruth }
  | { tooMany: number }
  | { ways: WayKeeping[] }
  | { group: GroupWired }
  | { tried: WayTried | null }
  | { problem: string };

/**
 * Holds wishes against the wiring, makes out a load's truth table, tries a way to switch it, or finds which keep its wishes, off the page's
 * own thread. Ended by terminating it.
 */
self.onmessage = ({ data }: MessageEvent<SwitchingQuestion & { records: DesignRecord[] }>) => {
  const post = (news: { done: number } | SwitchingAnswer) => self.postMessage(news);
  const design = makeDesign(data.records);
  const index = indexDesign(design);
  const wished = recordsOf(design, 'wish');
  try {
    if (data.ask === 'truth') {
      const truth = groupTruthOf(index, traceWiring(index), data.loadIds, wished);
      post('tooMany' in truth ? truth : { truth });
      return;
    }
    if (data.ask === 'way') return post({ tried: tryWay(analyse(design), data.loadId, wayCalled(data.wayId), data) });
    const tellShare = (done: number) => {
      post({ done });
      return true;
    };
    if (data.ask === 'ways') return post({ ways: waysKeeping(analyse(design), data.loadId, tellShare) });
    if (data.ask === 'group') return post({ group: wireGroup(analyse(design), data.loadIds, data.onto, tellShare) });
    const all = allWishes(index, wished);
    post({ judged: judgeWishes(index, traceWiring(index), all, (done) => tellShare(done / all.length)) });
  } catch (error) {
    if (!(error instanceof NetworkError)) throw error;
    post({ problem: networkWords(error.problem, design) });
  }
};
