import { renameSync, writeFileSync } from 'node:fs';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { isMainThread } from 'node:worker_threads';

/**
 * Loaded into the server under test: told by a signal, it collects what is dead and writes what is left of its heap, in bytes, into the
 * file HEAP_FILE names.
 */
if (isMainThread && process.env.HEAP_FILE) {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc');
  process.on('SIGUSR2', () => {
    collect();
    collect();
    const { heapUsed, rss } = process.memoryUsage();
    writeFileSync(`${process.env.HEAP_FILE}.new`, JSON.stringify({ heapUsed, rss }));
    renameSync(`${process.env.HEAP_FILE}.new`, process.env.HEAP_FILE);
  });
}
