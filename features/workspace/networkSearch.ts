import type { Finding } from '@/core/analysis/finding';
import type { DesignRecord } from '@/core/design/schema';

/** What is asked of a web worker here. */
export type Searcher = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;

interface Answered {
  found(findings: Finding[]): void;
  failed(): void;
}

/**
 * Has designs searched by one worker, which is kept: the engine has compiled what it does by the time another design is opened. Only the
 * last one asked about is answered; after a failure the next is asked of a new worker.
 */
export class NetworkSearch {
  private worker: Searcher | null = null;
  private last = 0;

  constructor(private readonly make: () => Searcher) {}

  /** @returns what takes the question back */
  ask(records: readonly DesignRecord[], { found, failed }: Answered): () => void {
    const job = ++this.last;
    const worker = (this.worker ??= this.make());
    worker.onmessage = ({ data }: MessageEvent<{ job: number; findings: Finding[] }>) => {
      if (data.job === this.last) found(data.findings);
    };
    worker.onerror = () => {
      worker.terminate();
      this.worker = null;
      failed();
    };
    worker.postMessage({ job, records });
    return () => {
      if (job === this.last) this.last += 1;
    };
  }
}
