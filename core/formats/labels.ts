import { LABEL_SHEETS, type LabelSheet, type LabelSheetId } from '../catalog/labelSheets';
import type { Analysis } from '../analysis/types';
import { recordsOf } from '../design/design';
import { nameOf } from '../design/names';
import type { HarnessEnd } from '../harness/harnessWire';
import { harnessOf } from '../harness/schedule';
import { formatRating } from '../units/quantity';
import { terminalName } from '../wording/terminalNames';
import { fitted, n, PAPERS, svgText, type PaperPage } from './paper';
import { squareCode } from './squareCode';
import { writeRows } from './safeCell';

/** What labels are for. */
export const LABEL_KINDS = ['wires', 'fuses', 'switches'] as const;
export type LabelKind = (typeof LABEL_KINDS)[number];

/** A label: what is read from afar, and beneath it what is read close by. */
export interface Label {
  large: string;
  small: string;
  /** What its square code opens, from the design's own address on; none where it is of no one thing. */
  opens?: string | undefined;
}

/**
 * The labels of a design: one for each end of each wire, saying where the other end is; one for each fuse, in the order of its block's
 * slots; one for each position of a panel.
 */
export function labelsOf({ design, index, wiring, circuits }: Analysis, kind: LabelKind): Label[] {
  switch (kind) {
    case 'wires': {
      const end = ({ deviceId, terminal }: HarnessEnd) => {
        const device = index.devices.get(deviceId);
        return `${nameOf(design, deviceId)} ${device ? terminalName(device, terminal) : terminal}`;
      };
      return harnessOf(index, wiring).wires.flatMap(({ number, role, from, to }) => {
        const opens = circuitAt(role.circuitId);
        return [
          { large: number, small: `to ${end(to)}`, opens },
          { large: number, small: `to ${end(from)}`, opens },
        ];
      });
    }
    case 'fuses': {
      const circuitOf = new Map(circuits.map((circuit) => [circuit.protectionId, circuit]));
      const mounted = Array.from(index.mounted.values()).flat();
      const loose = Array.from(index.devices.values()).filter((device) => device.kind === 'protection' && device.mount === null);
      return [...mounted, ...loose].flatMap((fuse): Label[] => {
        if (fuse.kind !== 'protection') return [];
        const place = fuse.mount ? `${nameOf(design, fuse.mount.blockId)}, slot ${fuse.mount.slot}` : 'in its own holder';
        return [
          {
            large: `${fuse.mount ? `${fuse.mount.slot} ` : ''}${circuitOf.get(fuse.id)?.name ?? fuse.name}`,
            small: `${formatRating(fuse.ratingA)}, ${place}`,
            opens: circuitAt(circuitOf.get(fuse.id)?.id ?? null),
          },
        ];
      });
    }
    case 'switches':
      return recordsOf(design, 'panelPart').map(({ panelId, position, deviceId, legend }) => ({
        large: legend ?? nameOf(design, deviceId),
        small: `${nameOf(design, panelId)}, ${position}`,
        opens: `/circuits#${deviceId}`,
      }));
  }
}

/** Where a circuit is worked on, from the design's own address on. */
const circuitAt = (circuitId: string | null) => (circuitId === null ? undefined : `/circuits#${circuitId}`);

/** Kept free inside a label's edge, mm: sheets drift in a printer. Common practice: 1.5 to 2. */
const INSIDE_MM = 1.7;
/** The largest type on a label, mm. */
const LARGEST_MM = 7;

/**
 * Labels on sheets, page by page at full size; the first `skip` of the first sheet are used up already. What does not fit at the least size
 * of type is cut short with an ellipsis.
 * @param address of the design, for square codes; absent: no codes. Labels too low for one have none.
 */
export function labelPages(labels: readonly Label[], sheetId: LabelSheetId, skip = 0, address?: string): PaperPage[] {
  const sheet: LabelSheet = LABEL_SHEETS[sheetId];
  const { columns, rows, widthMm, heightMm, pitchMm, paper } = sheet;
  const [pageWidth, pageHeight] = PAPERS[paper];
  const left = (pageWidth - pitchMm[0] * (columns - 1) - widthMm) / 2;
  const top = (pageHeight - pitchMm[1] * (rows - 1) - heightMm) / 2;
  const perPage = columns * rows;
  const count = Math.ceil((labels.length + skip) / perPage);
  return Array.from({ length: count }, (_, page) => {
    const shapes = Array.from({ length: perPage }, (__, at) => {
      const label = labels[page * perPage + at - skip];
      if (!label || page * perPage + at < skip) return '';
      return labelShapes(label, address, left + (at % columns) * pitchMm[0], top + Math.floor(at / columns) * pitchMm[1], sheet);
    });
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${pageWidth}" height="${pageHeight}" viewBox="0 0 ${pageWidth} ${pageHeight}">${shapes.join('')}</svg>`;
    return { svg, widthMm: pageWidth, heightMm: pageHeight, leftMm: 0, topMm: 0 };
  });
}

/**
 * The least side of a square code that a phone reads without trouble, and the largest that helps, mm. Common practice: a third of a
 * millimetre a module.
 */
const CODE_MM = [12, 22] as const;

function labelShapes(
  { large, small, opens }: Label,
  address: string | undefined,
  x: number,
  y: number,
  { widthMm, heightMm }: LabelSheet,
): string {
  const side = Math.min(CODE_MM[1], heightMm - 2 * INSIDE_MM);
  const hasCode = address !== undefined && opens !== undefined && side >= CODE_MM[0];
  const code = hasCode
    ? `<path transform="translate(${n(x + INSIDE_MM)} ${n(y + (heightMm - side) / 2)})" d="${squareCode(`${address}${opens}`, side)}" fill="#000"/>`
    : '';
  return code + words({ large, small }, x + (hasCode ? side : 0), y, widthMm - (hasCode ? side : 0), heightMm);
}

function words({ large, small }: Label, x: number, y: number, widthMm: number, heightMm: number): string {
  const room = [widthMm - 2 * INSIDE_MM, heightMm - 2 * INSIDE_MM] as const;
  const first = fitted(large, room[0], Math.min(LARGEST_MM, room[1] * 0.52));
  const second = fitted(small, room[0], Math.min(first.size * 0.62, room[1] * 0.3));
  const block = first.size + second.size * 1.25;
  const base = y + (heightMm - block) / 2 + first.size * 0.84;
  return (
    svgText(x + widthMm / 2, base, first.size, first.text, { anchor: 'middle', weight: 'bold' }) +
    svgText(x + widthMm / 2, base + second.size * 1.25 + first.size * 0.12, second.size, second.text, { anchor: 'middle' })
  );
}

/** The same for a label printer: a line a label. */
export function writeLabelsCsv(labels: readonly Label[]): string {
  return writeRows([['large', 'small'], ...labels.map(({ large, small }) => [large, small])]);
}
