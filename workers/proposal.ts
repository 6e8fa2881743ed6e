import { analyse } from '@/core/analysis/analyse';
import { makeDesign } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { propose, type Proposal, type ProposalQuestion } from '@/core/sizing/propose';

export type ProposalNews = { done: number } | { proposal: Proposal | null };

/** Sizes circuits off the page's own thread. Ended by terminating it. */
self.onmessage = ({ data }: MessageEvent<ProposalQuestion & { records: DesignRecord[] }>) => {
  const say = (news: ProposalNews) => self.postMessage(news);
  const { records, ...question } = data;
  const proposal = propose(analyse(makeDesign(records)), question, (done) => {
    say({ done });
    return true;
  });
  say({ proposal });
};
