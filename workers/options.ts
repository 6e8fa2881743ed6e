import { compareOptions, type OptionCompared } from '@/core/advice/compareOptions';
import { analyse } from '@/core/analysis/analyse';
import { makeDesign, recordOf } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';

/** Works every option of a choice out as if it stood, off the page's own thread. Ended by terminating it. */
self.onmessage = ({ data }: MessageEvent<{ choiceId: string; records: DesignRecord[] }>) => {
  const post = (news: { done: number } | OptionsAnswer) => self.postMessage(news);
  const design = makeDesign(data.records);
  const choice = recordOf(design, data.choiceId, 'choice');
  post({ compared: choice ? compareOptions(analyse(design), choice, true, (done) => post({ done })) : [] });
};

export interface OptionsAnswer {
  compared: OptionCompared[];
}
