import { parentPort } from 'node:worker_threads';
import { drawingsPdf, reportPdf } from './setPdf.mjs';

/** Sets PDF in a thread of its own: seconds of work that would else hold up every page. */
parentPort.on('message', async ({ report, date, drawings }) => {
  try {
    const pdf = await (drawings ? drawingsPdf(drawings) : reportPdf(report, date));
    parentPort.postMessage({ pdf: new Uint8Array(pdf) });
  } catch (error) {
    parentPort.postMessage({ why: String(error) });
  }
});
