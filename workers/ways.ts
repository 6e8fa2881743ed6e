import { analyse } from '@/core/analysis/analyse';
import { makeDesign } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { compareWays, type Way, type WaysQuestion } from '@/core/sizing/ways/compareWays';

export type WaysNews = { done: number } | { ways: Way[] | null };

/** Compares ways to wire some circuits off the page's own thread. Ended by terminating it. */
self.onmessage = ({ data }: MessageEvent<WaysQuestion & { records: DesignRecord[] }>) => {
  const say = (news: WaysNews) => self.postMessage(news);
  const { records, ...question } = data;
  const ways = compareWays(analyse(makeDesign(records)), question, (done) => {
    say({ done });
    return true;
  });
  say({ ways });
};
