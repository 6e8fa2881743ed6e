import type { Analysis } from '../analysis/types';
import { bodyOutline } from '../rig/bodies';
import { settingsOf } from '../design/design';
import { escapeXml } from '../units/text';

/** The plan as an SVG drawing, a millimetre of the vehicle a unit, to open in any drawing program. Names are text; nothing in it runs. */
export function writePlanSvg({ index, bundles, design }: Analysis): string {
  const { rig, places, routes } = index.layout;
  const margin = 300;
  const lines: string[] = [];
  const outline = bodyOutline(rig).map(({ xMm, yMm }) => `${xMm},${yMm}`);
  lines.push(`<polygon class="body" points="${outline.join(' ')}"/>`);
  for (const zone of index.zones) {
    if (!zone.plan) continue;
    const { xMm, yMm, lengthMm, widthMm } = zone.plan;
    lines.push(`<rect class="zone" x="${xMm}" y="${yMm}" width="${lengthMm}" height="${widthMm}"/>`);
    lines.push(`<text class="zoneName" x="${xMm + 40}" y="${yMm + 110}">${escapeXml(zone.name)}</text>`);
  }
  for (const { route } of routes.values()) {
    const points = [places.get(route.fromId)!, ...route.bends, places.get(route.toId)!].map(({ xMm, yMm }) => `${xMm},${yMm}`);
    const width = Math.max(6, bundles.get(route.id)?.diameterMm ?? 0);
    lines.push(
      `<polyline class="route" stroke-width="${round(width)}" points="${points.join(' ')}"><title>${escapeXml(route.name)}</title></polyline>`,
    );
  }
  for (const { name, xMm, yMm } of places.values()) {
    lines.push(`<circle class="place" cx="${xMm}" cy="${yMm}" r="28"/>`);
    lines.push(`<text class="placeName" x="${xMm + 45}" y="${yMm + 22}">${escapeXml(name)}</text>`);
  }
  const style =
    '.body{fill:none;stroke:#333;stroke-width:14}.zone{fill:none;stroke:#999;stroke-width:5;stroke-dasharray:30 20}' +
    '.route{fill:none;stroke:#3f6b33;stroke-linejoin:round}.place{fill:#a9591f}text{font-family:sans-serif}' +
    '.zoneName{font-size:90px;fill:#666}.placeName{font-size:64px;fill:#111}';
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${rig.lengthMm + 2 * margin}mm" height="${rig.widthMm + 2 * margin}mm" viewBox="${-margin} ${-margin} ${rig.lengthMm + 2 * margin} ${rig.widthMm + 2 * margin}">`,
    `<title>${escapeXml(settingsOf(design).name)}, plan in millimetres, front to the left</title>`,
    `<style>${style}</style>`,
    ...lines,
    '</svg>',
    '',
  ].join('\n');
}

function round(value: number): number {
  return Math.round(value * 10) / 10;
}
