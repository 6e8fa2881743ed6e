import { escapeXml } from '../units/text';

/** A letter's width against its height, and the least height of type that is read, mm. */
const LETTER = 0.56;
const LEAST_MM = 1.4;

/** A text at the largest size that fits its room, mm, cut short where the least still does not. */
export function fitted(text: string, roomMm: number, mostMm: number): { text: string; size: number } {
  const size = Math.max(LEAST_MM, Math.min(mostMm, roomMm / (Math.max(1, text.length) * LETTER)));
  const letters = Math.floor(roomMm / (size * LETTER));
  return { text: text.length <= letters ? text : `${text.slice(0, Math.max(1, letters - 1))}…`, size };
}

/** A figure as it stands in a drawing: thousandths. */
export const n = (value: number) => Number(value.toFixed(3));

interface TextStyle {
  anchor?: 'start' | 'middle';
  weight?: 'normal' | 'bold';
}

/** A text on a drawing, its size in mm: with its own attributes, which every reader and printer takes. */
export function svgText(
  x: number,
  y: number,
  size: number,
  words: string,
  { anchor = 'start', weight = 'normal' }: TextStyle = {},
): string {
  return `<text x="${n(x)}" y="${n(y)}" font-size="${n(size)}" font-weight="${weight}" font-family="sans-serif" text-anchor="${anchor}" fill="#000">${escapeXml(words)}</text>`;
}

/** The same no wider than its room. */
export function fittedText(x: number, y: number, mostMm: number, words: string, roomMm: number, style: TextStyle = {}): string {
  const { text, size } = fitted(words, roomMm, mostMm);
  return svgText(x, y, size, text, style);
}

/** A page of paper with a part of a drawing at full size. */
export interface PaperPage {
  /** The part of the drawing on it, as SVG in millimetres, and where on the page it lies. */
  svg: string;
  widthMm: number;
  heightMm: number;
  leftMm: number;
  topMm: number;
}

/** Drawings at full size, a page each. */
export interface PaperDrawings {
  title: string;
  paper: Paper;
  across: boolean;
  pages: readonly PaperPage[];
}

export const PAPERS = { A4: [210, 297], LETTER: [215.9, 279.4] } as const;
export type Paper = keyof typeof PAPERS;
/** What no printer reaches, and how far tiles lap over each other, mm. Common practice. */
const UNPRINTED_MM = 8;
const LAP_MM = 10;

/**
 * A drawing at full size on as many pages as it takes: one where it fits, upright or across, else tiles that lap over.
 * @param given whether the paper lies across; absent: as fewer pages do
 */
export function onPaper(
  shapes: string,
  widthMm: number,
  heightMm: number,
  paper: Paper,
  given?: boolean,
): { pages: PaperPage[]; across: boolean } {
  const count = (across: boolean) => {
    const [w, h] = roomOn(paper, across);
    return tiles(widthMm, w) * tiles(heightMm, h);
  };
  const across = given ?? count(true) < count(false);
  const [w, h] = roomOn(paper, across);
  const pages: PaperPage[] = [];
  for (let row = 0; row < tiles(heightMm, h); row++)
    for (let column = 0; column < tiles(widthMm, w); column++) {
      const [x, y] = [column * (w - LAP_MM), row * (h - LAP_MM)];
      const [width, height] = [Math.min(w, widthMm - x), Math.min(h, heightMm - y)];
      const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}" height="${n(height)}" viewBox="${n(x)} ${n(y)} ${n(width)} ${n(height)}">${shapes}</svg>`;
      pages.push({ svg, widthMm: width, heightMm: height, leftMm: UNPRINTED_MM, topMm: UNPRINTED_MM });
    }
  return { pages, across };
}

/** What fits on one page, mm, the paper lying across or not. */
export function roomOn(paper: Paper, across: boolean): readonly [widthMm: number, heightMm: number] {
  const [short, long] = PAPERS[paper];
  return [(across ? long : short) - 2 * UNPRINTED_MM, (across ? short : long) - 2 * UNPRINTED_MM];
}

function tiles(mm: number, roomMm: number): number {
  return mm <= roomMm ? 1 : Math.ceil((mm - LAP_MM) / (roomMm - LAP_MM));
}
