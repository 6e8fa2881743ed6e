/** Loaded into the server under test: told by a signal, it collects what is dead and writes what is left of its heap, in bytes, into the file HEAP_FILE names. */
const { writeFileSync, renameSync } = require('node:fs');
const { setFlagsFromString } = require('node:v8');
const { runInNewContext } = require('node:vm');
const { isMainThread } = require('node:worker_threads');

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
