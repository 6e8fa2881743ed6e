import { isFitting, progressOf, type DesignView } from '@/core/design/asBuilt';
import { recordsOf } from '@/core/design/design';
import { sheetsOf } from '@/core/diagram/drawing';
import { drawSheets } from '@/core/diagram/drawSheets';
import { withSlowFindings } from '@/core/analysis/rules/slowFindings';
import { makeBook, photoWords } from '@/core/formats/book';
import { diagramDocument } from '@/core/formats/documents';
import { harnessOf } from '@/core/harness/schedule';
import { readAnalysed } from './analysed';
import { attachment } from './attachment';
import { withLayouter } from './layouter';
import { bookPdf, inTurn } from './pdf';
import { photoBytes } from './photos';
import { today } from '@/core/units/days';

/** Photos a book carries at most, the newest: more make a document nobody can send. */
const MOST_PHOTOS = 60;

/** The book of the vehicle as one PDF, made in turn: as it is now, or as planned before anything is fitted, with diagrams and photos. @throws NotFound */
export async function bookFile(request: Request, designId: string): Promise<Response> {
  const planned = await readAnalysed(designId, 'planned');
  const { whole } = planned;
  const isBegun = Array.from(whole.records.values()).some((record) => isFitting(record) && progressOf(record) === 'fitted');
  const view: DesignView = isBegun ? 'now' : 'planned';
  const { analysis } = isBegun ? await readAnalysed(designId, view) : planned;
  const { design, index, wiring } = analysis;
  const pdf = await inTurn(request.signal, async () => {
    const harness = harnessOf(index, wiring);
    const sheets = sheetsOf(index, harness);
    const drawings = await withLayouter(request.signal, (layouter) => drawSheets({ design, index, wiring, harness }, sheets, layouter));
    const kept = recordsOf(whole, 'photo').slice(-MOST_PHOTOS);
    const photos = await Promise.all(kept.map(async (photo) => ({ words: photoWords(photo), jpeg: await photoBytes(designId, photo.id) })));
    const day = today();
    const order = {
      report: makeBook(withSlowFindings(analysis), view, whole, day),
      date: day,
      pages: diagramDocument(analysis, drawings, 'A4').pages.map(({ svg }) => svg),
      photos: photos.flatMap(({ words, jpeg }) => (jpeg ? [{ words, picture: `data:image/jpeg;base64,${jpeg.toString('base64')}` }] : [])),
    };
    return bookPdf(order, request.signal);
  });
  return attachment(whole, pdf, 'application/pdf', 'book.pdf');
}
