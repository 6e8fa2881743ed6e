import type { Analysis } from '../analysis/types';
import { BLADE_COLOURS } from '../catalog/fuses';
import { nameOf } from '../design/names';
import type { FuseBlock, Protection } from '../design/schema';
import { formatRating } from '../units/quantity';
import { fittedText, n, PAPERS, type Paper, type PaperPage } from './paper';
import { squareCode } from './squareCode';

/** A line of the map: which slot or holder, which fuse, and what goes dark without it. */
export interface MapLine {
  slot: string;
  rating: string;
  /** What colour a blade of this rating is; empty for other families. */
  colour: string;
  circuit: string;
  feeds: string;
}

/** One block with its slots in order, free ones too, or what sits in holders of its own. */
export interface MapPart {
  title: string;
  lines: MapLine[];
}

/** The fuse map of a design as it is shown: each block from its first slot to its last, then every inline and kit fuse with its place. */
export function fuseMap({ design, index, circuits }: Analysis): MapPart[] {
  const byFuse = new Map(circuits.map((circuit) => [circuit.protectionId, circuit]));
  const line = (fuse: Protection, slot: string): MapLine => {
    const circuit = byFuse.get(fuse.id);
    const feeds = circuit ? [...circuit.loadIds, ...circuit.secondWayIds].map((id) => nameOf(design, id)) : [];
    return {
      ...{ slot, rating: formatRating(fuse.ratingA), colour: fuse.family === 'blade' ? (BLADE_COLOURS[fuse.ratingA] ?? '') : '' },
      ...{ circuit: circuit ? nameOf(design, circuit.id) : fuse.name, feeds: [...new Set(feeds)].join(', ') },
    };
  };
  const blocks = Array.from(index.devices.values()).filter((device): device is FuseBlock => device.kind === 'fuseBlock');
  const parts = blocks.map((block): MapPart => {
    const inSlot = new Map((index.mounted.get(block.id) ?? []).map((fuse) => [fuse.mount!.slot, fuse]));
    const lines = Array.from({ length: block.slots }, (_, at): MapLine[] => {
      const fuse = inSlot.get(at + 1);
      const tap = index.taps.get(`${block.id}/${at + 1}`);
      const own = fuse ? line(fuse, String(at + 1)) : { slot: String(at + 1), rating: '', colour: '', circuit: 'free', feeds: '' };
      return tap ? [own, line(tap, `${at + 1} tap`)] : [own];
    }).flat();
    return { title: `${block.name}${placeWords(design, block.placeId)}`, lines };
  });
  const loose = Array.from(index.devices.values()).filter((device): device is Protection => device.kind === 'protection' && !device.mount);
  const own = loose.map((fuse) => line(fuse, placeWords(design, fuse.placeId).replace(/^, /, '') || 'inline'));
  return own.length > 0 ? [...parts, { title: 'In holders of their own', lines: own }] : parts;
}

const placeWords = (design: Analysis['design'], placeId: string | null | undefined) => (placeId ? `, ${nameOf(design, placeId)}` : '');

const MARGIN_MM = 12;
const ROW_MM = 7.2;
const HEAD_MM = 11;

/** The map on paper for inside the lid, page after page. A square code opens the design. */
export function fuseMapPages(parts: readonly MapPart[], name: string, paper: Paper, address?: string): PaperPage[] {
  const [width, height] = PAPERS[paper];
  const pages: string[][] = [[]];
  let y = MARGIN_MM + 16;
  const put = (shapes: string, tall: number) => {
    if (y + tall > height - MARGIN_MM - 8) {
      pages.push([]);
      y = MARGIN_MM + 16;
    }
    pages.at(-1)!.push(`<g transform="translate(0 ${n(y)})">${shapes}</g>`);
    y += tall;
  };
  for (const { title, lines } of parts) {
    put(fittedText(MARGIN_MM, 7, 4.6, title, width - 2 * MARGIN_MM, { weight: 'bold' }), HEAD_MM);
    const slotWide = Math.min(44, Math.max(11, ...lines.map(({ slot }) => slot.length * 2.1)));
    const at = { rating: MARGIN_MM + slotWide, circuit: MARGIN_MM + slotWide + 34, feeds: MARGIN_MM + slotWide + 92 };
    for (const { slot, rating, colour, circuit, feeds } of lines)
      put(
        `<path d="M${MARGIN_MM} 0H${n(width - MARGIN_MM)}" stroke="#888" stroke-width="0.15"/>` +
          fittedText(MARGIN_MM, 5, 3.8, slot, slotWide - 2, { weight: 'bold' }) +
          fittedText(at.rating, 5, 3.6, [rating, colour].filter(Boolean).join(' '), 32) +
          fittedText(at.circuit, 5, 3.6, circuit, 56) +
          fittedText(at.feeds, 5, 3, feeds, width - MARGIN_MM - at.feeds),
        ROW_MM,
      );
    y += 4;
  }
  return pages.map((shapes, page) => {
    const code = address && page === 0 ? `<path transform="translate(${n(width - MARGIN_MM - 20)} ${MARGIN_MM - 6})" d="${squareCode(address, 20)}" fill="#000"/>` : ''; // prettier-ignore
    const head = fittedText(MARGIN_MM, MARGIN_MM + 6, 6, `${name}: fuses`, width - 2 * MARGIN_MM - 24, { weight: 'bold' });
    const foot = fittedText(MARGIN_MM, height - MARGIN_MM, 3, 'Never a larger fuse than stands here: it guards the wire. Isolate the battery before work. Find why one blew before it is replaced.', width - 2 * MARGIN_MM); // prettier-ignore
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${head}${code}${shapes.join('')}${foot}</svg>`;
    return { svg, widthMm: width, heightMm: height, leftMm: 0, topMm: 0 };
  });
}
