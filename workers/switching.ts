import { judgeWishes, type Judged } from '@/core/bench/judge';
import { truthOf, type Truth } from '@/core/bench/truth';
import { allWishes } from '@/core/bench/usualWishes';
import { makeDesign, recordsOf } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { NetworkError } from '@/core/network/networkError';
import { traceWiring } from '@/core/network/wiring';
import { indexDesign } from '@/core/rig/designIndex';

/** What is asked of the worker, and what each question is answered with. */
export type SwitchingQuestion = { ask: 'wishes' } | { ask: 'truth'; loadId: string };
export type SwitchingAnswer = { judged: Judged[] } | { truth: Truth } | { tooMany: number } | { problem: string };

/** Holds wishes against the wiring, or makes out a load's truth table, off the page's own thread. Ended by terminating it. */
self.onmessage = ({ data }: MessageEvent<SwitchingQuestion & { records: DesignRecord[] }>) => {
  const say = (news: { done: number } | SwitchingAnswer) => self.postMessage(news);
  const design = makeDesign(data.records);
  const index = indexDesign(design);
  const wished = recordsOf(design, 'wish');
  try {
    if (data.ask === 'truth') {
      const truth = truthOf(index, traceWiring(index), data.loadId, wished);
      say('tooMany' in truth ? truth : { truth });
      return;
    }
    const all = allWishes(index, wished);
    const tell = (done: number) => {
      say({ done: done / all.length });
      return true;
    };
    say({ judged: judgeWishes(index, traceWiring(index), all, tell) });
  } catch (error) {
    if (!(error instanceof NetworkError)) throw error;
    say({ problem: error.message });
  }
};
