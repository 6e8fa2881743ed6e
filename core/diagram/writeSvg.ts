import { WIRE_COLOURS } from '../catalog/wireColours';
import { SYMBOLS } from './symbols';
import { HEAD, TYPE, type Drawing } from './layout';
import { escapeXml } from '../units/text';

/** Space between sheets in one drawing. */
const SHEET_GAP = 30;
const TITLE = 26;

/** Sheets under one another as one SVG drawing. Everything a person reads is text; each symbol, terminal and line says in `data-` what of the design it is. */
export function writeDiagramSvg(drawings: readonly Drawing[]): string {
  const width = Math.ceil(Math.max(200, ...drawings.map((one) => one.width)));
  let top = 0;
  const sheets = drawings.map((drawing) => {
    const text = sheet(drawing, top);
    top += TITLE + drawing.height + SHEET_GAP;
    return text;
  });
  const style =
    'text{font-family:sans-serif;fill:#111}.name{font-size:11px;font-weight:600}.terminal{font-size:9px}.label{font-size:9.5px}.title{font-size:15px;font-weight:600}' +
    '.box{fill:#fff;stroke:#777;stroke-width:.7}.symbol{fill:none;stroke:#111;stroke-width:1.3}.wire{fill:none;stroke-width:2}.edge{fill:none;stroke:#333;stroke-width:3.4}.stripe{fill:none;stroke-width:1.2;stroke-dasharray:6 6}.port{fill:#111}';
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${Math.ceil(top)}" viewBox="0 0 ${width} ${Math.ceil(top)}">`,
    `<style>${style}</style>`,
    ...sheets,
    '</svg>',
    '',
  ].join('\n');
}

function sheet({ title, parts, wires }: Drawing, top: number): string {
  const lines = wires.map(({ wireId, points, label, labelAt, line }) => {
    const way = points.map(({ x, y }) => `${round(x)},${round(y)}`).join(' ');
    const colour = line.look ? WIRE_COLOURS[line.look.colour].tint : '#555';
    const stripe = line.look?.stripe ? `<polyline class="stripe" stroke="${WIRE_COLOURS[line.look.stripe].tint}" points="${way}"/>` : '';
    return (
      `<polyline class="edge" points="${way}"/><polyline class="wire" data-wire="${wireId}" stroke="${colour}" points="${way}"/>${stripe}` +
      `<text class="label" data-label="${wireId}" text-anchor="middle" x="${round(labelAt.x)}" y="${round(labelAt.y + TYPE.label * 0.35)}">${escapeXml(label)}</text>`
    );
  });
  const boxes = parts.map(({ deviceId, name, symbol, symbolAt, x, y, width: w, height: h, ports }) => {
    const dots = ports.map(
      (port) =>
        `<circle class="port" data-device="${deviceId}" data-terminal="${escapeXml(port.terminal)}" cx="${round(port.x)}" cy="${round(port.y)}" r="1.8"/>` +
        `<text class="terminal" text-anchor="${port.side === 'left' ? 'start' : 'end'}" x="${round(port.x + (port.side === 'left' ? 5 : -5))}" y="${round(port.y + TYPE.terminal * 0.35)}">${escapeXml(port.says)}</text>`,
    );
    const middle = `translate(${round(symbolAt.x)} ${round(symbolAt.y)})`;
    return (
      `<g data-part="${deviceId}"><rect class="box" x="${round(x)}" y="${round(y + HEAD)}" width="${round(w)}" height="${round(h - HEAD)}" rx="3"/>` +
      `<text class="name" text-anchor="middle" x="${round(x + w / 2)}" y="${round(y + HEAD - 5)}">${escapeXml(name)}</text>` +
      `<path class="symbol" data-symbol="${symbol}" transform="${middle}" d="${SYMBOLS[symbol]}"/>${dots.join('')}</g>`
    );
  });
  return `<g data-sheet="${escapeXml(title)}" transform="translate(0 ${round(top)})"><text class="title" x="14" y="19">${escapeXml(title)}</text><g transform="translate(0 ${TITLE})">\n${lines.join('\n')}\n${boxes.join('\n')}</g></g>`;
}

const round = (value: number) => Number(value.toFixed(2));
