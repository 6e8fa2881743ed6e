import { makeDesign } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { NetworkError } from '@/core/network/networkError';
import { networkWords } from '@/core/wording/networkWords';
import { bestWay, type Way } from '@/core/practise/bestWay';
import type { Hunt } from '@/core/practise/hunt';

/** A hunt as it crosses to the worker. */
export type HuntQuestion = Omit<Hunt, 'design'> & { records: readonly DesignRecord[] };
export type HuntAnswer = { way: Way } | { problem: string };

/** Finds the finder's way on a board, off the page's own thread. Ended by terminating it. */
self.onmessage = ({ data: { records, ...hunt } }: MessageEvent<HuntQuestion>) => {
  const post = (news: HuntAnswer) => self.postMessage(news);
  const design = makeDesign([...records]);
  try {
    post({ way: bestWay({ ...hunt, design }) });
  } catch (error) {
    if (!(error instanceof NetworkError)) throw error;
    post({ problem: networkWords(error.problem, design) });
  }
};
