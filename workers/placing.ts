import { analyse } from '@/core/analysis/analyse';
import { makeDesign } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { tryPlaces, type PlacingNews } from '@/core/advice/placing';

/** Tries a device at every place off the page's own thread. Ended by terminating it. */
self.onmessage = ({ data }: MessageEvent<{ records: DesignRecord[]; deviceId: string }>) => {
  const post = (news: PlacingNews) => self.postMessage(news);
  const trials = tryPlaces(analyse(makeDesign(data.records)), data.deviceId, (done) => {
    post({ done });
    return true;
  });
  post({ trials });
};
