import { parentPort } from 'node:worker_threads';
import ELK from 'elkjs/lib/elk.bundled.js';

/** Finds places for the parts of a diagram in a thread of its own, one graph after another. */
const elk = new ELK();

parentPort.on('message', async ({ at, graph }) => {
  try {
    parentPort.postMessage({ at, laid: await elk.layout(graph) });
  } catch (error) {
    parentPort.postMessage({ at, why: String(error) });
  }
});
