import type { DesignView } from '@/core/design/asBuilt';
import { recordsOf, type Design } from '@/core/design/design';
import type { Photo } from '@/core/design/schema';
import { sheetsOf } from '@/core/diagram/drawing';
import { drawSheets } from '@/core/diagram/drawSheets';
import type { Drawing } from '@/core/diagram/layout';
import type { Analysis } from '@/core/analysis/types';
import { withSlowFindings } from '@/core/analysis/rules/slowFindings';
import { bookView, makeBook, photoWords } from '@/core/formats/book';
import { diagramDocument } from '@/core/formats/documents';
import { folderFiles } from '@/core/formats/folder';
import { packed } from '@/core/formats/packed';
import { harnessOf } from '@/core/harness/schedule';
import { readAnalysed } from './analysed';
import { attachment } from './attachment';
import { withLayouter } from './layouter';
import { bookPdf, inTurn } from './pdf';
import { photoBytes } from './photos';
import { today } from '@/core/units/days';
import { plainName } from '@/core/units/text';

/** Photos a book carries at most, the newest: more make a document nobody can send. */
const MOST_PHOTOS = 60;

interface Book {
  analysis: Analysis;
  view: DesignView;
  whole: Design;
  drawings: Drawing[];
  photos: { photo: Photo; jpeg: Buffer }[];
  pdf: Uint8Array<ArrayBuffer>;
}

/** The book as it is now, or as planned before anything is fitted, with diagrams and photos; made in turn. */
async function bookOf({ signal }: Request, designId: string): Promise<Book> {
  const planned = await readAnalysed(designId, 'planned');
  const { whole } = planned;
  const view = bookView(whole);
  const { analysis } = view === 'now' ? await readAnalysed(designId, view) : planned;
  const { design, index, wiring } = analysis;
  return inTurn(signal, async () => {
    const harness = harnessOf(index, wiring);
    const sheets = sheetsOf(index, harness);
    const drawings = await withLayouter(signal, (layouter) => drawSheets({ design, index, wiring, harness }, sheets, layouter));
    const photos = await photosOf(designId, whole);
    const day = today();
    const order = {
      report: makeBook(withSlowFindings(analysis), view, whole, day),
      date: day,
      pages: diagramDocument(analysis, drawings, 'A4').pages.map(({ svg }) => svg),
      photos: photos.map(({ photo, jpeg }) => ({ words: photoWords(photo), picture: `data:image/jpeg;base64,${jpeg.toString('base64')}` })),
    };
    return { analysis, view, whole, drawings, photos, pdf: await bookPdf(order, signal) };
  });
}

/** The newest photos whose pictures are here. */
async function photosOf(designId: string, whole: Design): Promise<Book['photos']> {
  const found = [];
  for (const photo of recordsOf(whole, 'photo').slice(-MOST_PHOTOS)) {
    const jpeg = await photoBytes(designId, photo.id);
    if (jpeg) found.push({ photo, jpeg });
  }
  return found;
}

/** The book of the vehicle as one PDF. @throws NotFound */
export async function bookFile(request: Request, designId: string): Promise<Response> {
  const { whole, pdf } = await bookOf(request, designId);
  return attachment(whole, pdf, 'application/pdf', 'book.pdf');
}

/** The same beside open files of all that is in it, and its photos, in one archive. @throws NotFound */
export async function folderFile(request: Request, designId: string): Promise<Response> {
  const { analysis, view, whole, drawings, photos, pdf } = await bookOf(request, designId);
  const files = folderFiles(analysis, view, whole, drawings, [
    { path: 'book.pdf', about: 'the book of the vehicle: everything below, and its photos, to be read and printed', content: pdf },
    ...photos.map(({ photo, jpeg }, at) => ({
      path: `photos/${photo.on}-${at + 1}-${plainName(photo.caption)}.jpg`,
      about: photo.caption,
      content: new Uint8Array(jpeg),
    })),
  ]);
  return attachment(whole, packed(files), 'application/zip', 'folder.zip');
}
