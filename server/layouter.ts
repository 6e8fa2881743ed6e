import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { ElkNode } from 'elkjs/lib/elk-api.js';
import type { Layouter } from '@/core/diagram/layout';
import { BadRequest } from './errors';

interface Answer {
  at: number;
  laid?: ElkNode;
  why?: string;
}

/** A diagram that takes longer is given up, ms. */
const LONGEST_MS = 60_000;

/** Lends work a layouter in a thread of its own, which ends with it. Stops when the reader leaves. */
export async function withLayouter<T>(signal: AbortSignal, work: (layouter: Layouter) => Promise<T>): Promise<T> {
  const thread = new Worker(path.join(process.cwd(), 'workers', 'layoutThread.mjs'));
  const open = new Map<number, { resolve(laid: ElkNode): void; reject(why: Error): void }>();
  const giveUp = (why: Error) => {
    for (const { reject } of open.values()) reject(why);
    open.clear();
  };
  const leave = () => giveUp(new BadRequest('the reader has left', [], 499));
  const timer = setTimeout(() => giveUp(new Error('the diagram took too long')), LONGEST_MS);
  signal.addEventListener('abort', leave, { once: true });
  thread.on('error', giveUp);
  thread.on('message', ({ at, laid, why }: Answer) => {
    const asked = open.get(at);
    open.delete(at);
    if (laid) asked?.resolve(laid);
    else asked?.reject(new Error(why));
  });
  let count = 0;
  const layout = (graph: ElkNode) =>
    new Promise<ElkNode>((resolve, reject) => {
      count += 1;
      open.set(count, { resolve, reject });
      thread.postMessage({ at: count, graph });
    });
  try {
    return await work({ layout });
  } finally {
    clearTimeout(timer);
    signal.removeEventListener('abort', leave);
    await thread.terminate();
  }
}
