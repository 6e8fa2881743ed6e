import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { PaperDrawings } from '@/core/formats/paper';
import type { Report } from '@/core/formats/reportSection';
import { BadRequest, Busy } from './errors';

/** Documents that may wait their turn; more are asked to come again. */
const MOST_WAITING = 8;
/** A document that takes longer is given up, ms. */
const LONGEST_MS = 60_000;

interface Answer {
  pdf?: Uint8Array<ArrayBuffer>;
  why?: string;
}

let worker: Worker | null = null;
let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

/**
 * Runs long documents one after another, whoever asks: each begins when those before it are done, and one whose reader has left does not
 * begin.
 * @throws Busy when too many wait already
 */
export function inTurn<T>(signal: AbortSignal, work: () => Promise<T>): Promise<T> {
  if (waiting >= MOST_WAITING) return Promise.reject(new Busy('too many documents are being made; try again in a moment'));
  waiting += 1;
  const turn = last.then(() => {
    if (signal.aborted) throw new BadRequest('the reader has left', [], 499);
    return work();
  });
  last = turn.catch(() => undefined).finally(() => (waiting -= 1));
  return turn;
}

/** The report as a PDF, A4 across, set in a thread of its own. Stops when the reader leaves. */
export function reportPdf(report: Report, date: string, signal?: AbortSignal): Promise<Uint8Array<ArrayBuffer>> {
  return made({ report, date }, signal);
}

/** What a book has beside its report: drawings that fit a page each, and photos with their words. */
export interface BookOrder {
  report: Report;
  date: string;
  pages: readonly string[];
  photos: readonly { words: string; picture: string }[];
}

/** The book of a vehicle as a PDF. */
export function bookPdf(book: BookOrder, signal?: AbortSignal): Promise<Uint8Array<ArrayBuffer>> {
  return made({ book }, signal);
}

/** Drawings at full size as a PDF. */
export function drawingsPdf(drawings: PaperDrawings, signal?: AbortSignal): Promise<Uint8Array<ArrayBuffer>> {
  return made({ drawings }, signal);
}

function made(
  order: { report: Report; date: string } | { drawings: PaperDrawings } | { book: BookOrder },
  signal?: AbortSignal,
): Promise<Uint8Array<ArrayBuffer>> {
  const own = (worker ??= new Worker(path.join(process.cwd(), 'workers', 'pdfThread.mjs')));
  // The thread alone keeps no program running that is done otherwise.
  own.unref();
  return new Promise((resolve, reject) => {
    const end = (finish: () => void) => {
      clearTimeout(timer);
      signal?.removeEventListener('abort', leave);
      own.off('message', take);
      own.off('error', giveUp);
      finish();
    };
    const giveUp = (why: Error) =>
      end(() => {
        worker = null;
        void own.terminate();
        reject(why);
      });
    const leave = () => giveUp(new BadRequest('the reader has left', [], 499));
    const timer = setTimeout(() => giveUp(new Error('the document took too long')), LONGEST_MS);
    signal?.addEventListener('abort', leave, { once: true });
    const take = ({ pdf, why }: Answer) => end(() => (pdf ? resolve(pdf) : reject(new Error(why))));
    own.once('message', take);
    own.once('error', giveUp);
    own.postMessage(order);
  });
}
