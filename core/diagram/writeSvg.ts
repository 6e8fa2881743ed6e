import { WIRE_COLOURS } from '../catalog/wireColours';
import { SYMBOLS } from './symbols';
import { HEAD, TYPE, type Drawing } from './layout';
import { escapeXml } from '../units/text';

/** Space between sheets in one drawing. */
const SHEET_GAP = 30;
const TITLE = 26;

/**
 * Sheets under one another as one SVG drawing. Everything a person reads is text; each symbol, terminal and line says in `data-` what of
 * the design it is.
 */
export function writeDiagramSvg(drawings: readonly Drawing[]): string {
  const width = Math.ceil(Math.max(200, ...drawings.map((one) => one.width)));
  let top = 0;
  const sheets = drawings.map((drawing) => {
    const text = `<g data-sheet="${escapeXml(drawing.title)}" transform="translate(0 ${round(top)})">${sheetShapes(drawing)}</g>`;
    top += TITLE + drawing.height + SHEET_GAP;
    return text;
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${Math.ceil(top)}" viewBox="0 0 ${width} ${Math.ceil(top)}">`,
    ...sheets,
    '</svg>',
    '',
  ].join('\n');
}

/** The size of a sheet with its title. */
export function sheetSize({ width, height }: Drawing): { width: number; height: number } {
  return { width, height: height + TITLE };
}

const EDGE = 'fill="none" stroke="#333" stroke-width="3.4"';
const WIRE = 'fill="none" stroke-width="2"';
const STRIPE = 'fill="none" stroke-width="1.2" stroke-dasharray="6 6"';
const BOX = 'fill="#fff" stroke="#777" stroke-width="0.7"';
const SYMBOL = 'fill="none" stroke="#111" stroke-width="1.3"';
const type = (size: number, weight = 'normal') => `font-family="sans-serif" font-size="${size}" font-weight="${weight}" fill="#111"`;

/** What is drawn of a sheet, its title over it: plain shapes with their own attributes, which every reader and printer draws. */
export function sheetShapes({ title, parts, wires }: Drawing): string {
  const lines = wires.map(({ wireId, points, label, labelAt, line }) => {
    const way = points.map(({ x, y }) => `${round(x)},${round(y)}`).join(' ');
    const colour = line.look ? WIRE_COLOURS[line.look.colour].tint : '#555';
    const stripe = line.look?.stripe ? `<polyline ${STRIPE} stroke="${WIRE_COLOURS[line.look.stripe].tint}" points="${way}"/>` : '';
    return (
      `<polyline ${EDGE} points="${way}"/><polyline class="wire" data-wire="${wireId}" ${WIRE} stroke="${colour}" points="${way}"/>${stripe}` +
      `<text ${type(TYPE.label)} data-label="${wireId}" text-anchor="middle" x="${round(labelAt.x)}" y="${round(labelAt.y + TYPE.label * 0.35)}">${escapeXml(label)}</text>`
    );
  });
  const boxes = parts.map(({ deviceId, name, symbol, symbolAt, x, y, width: w, height: h, ports }) => {
    const dots = ports.map(
      (port) =>
        `<circle class="port" fill="#111" data-device="${deviceId}" data-terminal="${escapeXml(port.terminal)}" cx="${round(port.x)}" cy="${round(port.y)}" r="1.8"/>` +
        `<text ${type(TYPE.terminal)} text-anchor="${port.side === 'left' ? 'start' : 'end'}" x="${round(port.x + (port.side === 'left' ? 5 : -5))}" y="${round(port.y + TYPE.terminal * 0.35)}">${escapeXml(port.says)}</text>`,
    );
    const middle = `translate(${round(symbolAt.x)} ${round(symbolAt.y)})`;
    return (
      `<g data-part="${deviceId}"><rect class="box" ${BOX} x="${round(x)}" y="${round(y + HEAD)}" width="${round(w)}" height="${round(h - HEAD)}" rx="3"/>` +
      `<text ${type(TYPE.name, 'bold')} text-anchor="middle" x="${round(x + w / 2)}" y="${round(y + HEAD - 5)}">${escapeXml(name)}</text>` +
      `<path class="symbol" ${SYMBOL} data-symbol="${symbol}" transform="${middle}" d="${SYMBOLS[symbol]}"/>${dots.join('')}</g>`
    );
  });
  return `<text ${type(15, 'bold')} x="14" y="19">${escapeXml(title)}</text><g transform="translate(0 ${TITLE})">\n${lines.join('\n')}\n${boxes.join('\n')}</g>`;
}

const round = (value: number) => Number(value.toFixed(2));
