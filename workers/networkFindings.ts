import { analyse } from '@/core/analysis/analyse';
import { makeDesign } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { findSlowly } from '@/core/analysis/rules/slowFindings';

/** Searches a design's solved network and lives through its days off the page's own thread: records in, findings out. */
self.onmessage = ({ data }: MessageEvent<{ job: number; records: DesignRecord[] }>) => {
  self.postMessage({ job: data.job, findings: findSlowly(analyse(makeDesign(data.records))).found });
};
