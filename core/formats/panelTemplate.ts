import { CUT_OUTS, type CutOut } from '../catalog/cutOuts';
import type { Hole, PanelCut } from '../harness/panelFace';
import { DxfDrawing } from './dxf';
import { fitted, n, svgText } from './paper';

/** Length of the bar one lays a rule on, mm. */
export const CALIBRATION_MM = 100;
/** Pilot hole at a round hole's middle, and drills in a square one's corners, mm. Common practice. */
export const PILOT_MM = 3;
/** Under the panel: the room the calibration bar has, mm. */
const FOOT_MM = 22;
/** Around it, mm. */
const RIM_MM = 6;

/** The size of a template with its bar, mm. */
export function templateSize({ widthMm, heightMm }: PanelCut): { widthMm: number; heightMm: number } {
  return { widthMm: Math.max(widthMm, CALIBRATION_MM + 4) + 2 * RIM_MM, heightMm: heightMm + FOOT_MM + 2 * RIM_MM };
}

/**
 * A panel to cut, seen from the front, at full size: outline, holes with their middles, numbers, legends and a bar of 100 mm. A unit is a
 * millimetre.
 */
export function writePanelSvg(cut: PanelCut): string {
  const { widthMm, heightMm } = templateSize(cut);
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(widthMm)}mm" height="${n(heightMm)}mm" viewBox="0 0 ${n(widthMm)} ${n(heightMm)}">`,
    panelShapes(cut),
    '</svg>',
    '',
  ].join('\n');
}

/**
 * What is drawn, in millimetres from the template's corner. Only plain shapes with their own attributes, which every reader and printer
 * draws.
 */
export function panelShapes(cut: PanelCut): string {
  const { widthMm, heightMm, holes, panel } = cut;
  const bar = heightMm + RIM_MM + 14;
  return [
    `<rect x="${RIM_MM}" y="${RIM_MM}" width="${n(widthMm)}" height="${n(heightMm)}" fill="none" stroke="#000" stroke-width="0.3"/>`,
    ...holes.map(holeShapes),
    svgText(
      RIM_MM,
      heightMm + RIM_MM + 6,
      3.4,
      `${panel.name}, seen from the front, ${n(widthMm)} x ${n(heightMm)} mm. Print at 100 %, never "fit".`,
    ),
    `<path d="M${RIM_MM} ${n(bar)}h${CALIBRATION_MM}M${RIM_MM} ${n(bar - 2)}v4M${RIM_MM + CALIBRATION_MM} ${n(bar - 2)}v4" fill="none" stroke="#000" stroke-width="0.3"/>`,
    svgText(RIM_MM, bar + 5.5, 3, `This bar is ${CALIBRATION_MM} mm: lay a rule on it before cutting.`),
  ].join('\n');
}

function holeShapes({ xMm, yMm, cutOutId, position, legend }: Hole): string {
  const { hole, bezelMm } = CUT_OUTS[cutOutId] as CutOut;
  const [x, y] = [xMm + RIM_MM, yMm + RIM_MM];
  const edge =
    hole.kind === 'round'
      ? `<circle cx="${n(x)}" cy="${n(y)}" r="${n(hole.diameterMm / 2)}" fill="none" stroke="#000" stroke-width="0.3"/>`
      : `<rect x="${n(x - hole.widthMm / 2)}" y="${n(y - hole.heightMm / 2)}" width="${n(hole.widthMm)}" height="${n(hole.heightMm)}" rx="${hole.cornerMm}" fill="none" stroke="#000" stroke-width="0.3"/>`;
  const bezel = `<rect x="${n(x - bezelMm[0] / 2)}" y="${n(y - bezelMm[1] / 2)}" width="${n(bezelMm[0])}" height="${n(bezelMm[1])}" fill="none" stroke="#888" stroke-width="0.15" stroke-dasharray="1 1"/>`;
  const cross = `<path d="M${n(x - 4)} ${n(y)}h8M${n(x)} ${n(y - 4)}v8" fill="none" stroke="#000" stroke-width="0.15"/>`;
  const words = fitted(`${position}  ${legend}`, bezelMm[0] + 3, 3);
  const label = svgText(x, y + bezelMm[1] / 2 + 4, words.size, words.text, { anchor: 'middle' });
  return [bezel, edge, cross, label].join('\n');
}

/** The same for a cutter: layers OUTLINE, CUTOUTS, CENTRES, BEZELS and TEXT, the panel's top left corner at 0, 0. */
export function writePanelDxf({ widthMm, heightMm, holes }: PanelCut): string {
  const dxf = new DxfDrawing();
  const box = (xMm: number, yMm: number, width: number, height: number) => [
    { xMm, yMm },
    { xMm: xMm + width, yMm },
    { xMm: xMm + width, yMm: yMm + height },
    { xMm, yMm: yMm + height },
  ];
  dxf.polyline('OUTLINE', box(0, 0, widthMm, heightMm), { closed: true });
  for (const { xMm, yMm, cutOutId, position, legend } of holes) {
    const { hole, bezelMm } = CUT_OUTS[cutOutId] as CutOut;
    if (hole.kind === 'round') dxf.circle('CUTOUTS', { xMm, yMm }, hole.diameterMm / 2);
    else dxf.polyline('CUTOUTS', box(xMm - hole.widthMm / 2, yMm - hole.heightMm / 2, hole.widthMm, hole.heightMm), { closed: true });
    dxf.circle('CENTRES', { xMm, yMm }, PILOT_MM / 2);
    dxf.polyline('BEZELS', box(xMm - bezelMm[0] / 2, yMm - bezelMm[1] / 2, bezelMm[0], bezelMm[1]), { closed: true });
    dxf.text('TEXT', `${position} ${legend}`, { xMm: xMm - bezelMm[0] / 2, yMm: yMm + bezelMm[1] / 2 + 4 }, 3);
  }
  return dxf.end();
}
