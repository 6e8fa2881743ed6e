import { parentPort } from 'node:worker_threads';
import { bookPdf, drawingsPdf, reportPdf } from './setPdf.mjs';

/** Sets PDF in a thread of its own: seconds of work that would else hold up every page. */
parentPort.on('message', async ({ report, date, drawings, book }) => {
  try {
    const pdf = await (book ? bookPdf(book) : drawings ? drawingsPdf(drawings) : reportPdf(report, date));
    parentPort.postMessage({ pdf: new Uint8Array(pdf) });
  } catch (error) {
    parentPort.postMessage({ why: String(error) });
  }
});
