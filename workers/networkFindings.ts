import { analyse } from '@/core/analysis/analyse';
import { makeDesign } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { findInNetwork } from '@/core/findings/networkRules';

/** Searches a design's solved network off the page's own thread: records in, findings out. */
self.onmessage = ({ data }: MessageEvent<{ job: number; records: DesignRecord[] }>) => {
  self.postMessage({ job: data.job, findings: findInNetwork(analyse(makeDesign(data.records))) });
};
