import { analyse } from '@/core/analysis/analyse';
import { makeDesign } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { propose } from '@/core/advice/propose';
import type { Proposal, ProposalQuestion } from '@/core/advice/proposal';
import { compareWays, type Way, type WaysQuestion } from '@/core/advice/ways/compareWays';

/** What is asked of the worker, and what each question is answered with. */
export type SizingQuestion = ({ ask: 'sizes' } & ProposalQuestion) | ({ ask: 'ways' } & WaysQuestion);
export type SizingAnswer = { proposal: Proposal } | { ways: Way[] };
export type SizingNews = { done: number } | SizingAnswer;

/** Sizes circuits, or lays ways to wire them side by side, off the page's own thread. Ended by terminating it. */
self.onmessage = ({ data }: MessageEvent<SizingQuestion & { records: DesignRecord[] }>) => {
  const post = (news: SizingNews) => self.postMessage(news);
  const tell = (done: number) => {
    post({ done });
    return true;
  };
  const analysis = analyse(makeDesign(data.records));
  if (data.ask === 'sizes') post({ proposal: propose(analysis, data, tell)! });
  else post({ ways: compareWays(analysis, data, tell) });
};
