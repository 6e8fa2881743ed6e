import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import { recordOf } from '../design/design';
import type { LoomBoard, LoomBranch, LoomNode } from '../harness/loomBoard';
import { formatLength } from '../units/quantity';
import type { UnitSystem } from '../catalog/vocabulary';
import { PART_WORDS } from '../wording/rigWords';
import { fittedText, n, svgText } from './paper';
import { CALIBRATION_MM } from './panelTemplate';

/** What a board is drawn at: as long as it is, or that many times shorter. */
export const LOOM_SCALES = [1, 2, 5, 10, 20] as const;
export type LoomScale = (typeof LOOM_SCALES)[number];

/** From one lane to the next, and round the drawing, on paper, mm. */
const LANE_MM = 24;
const RIM_MM = 8;
const HEAD_MM = 12;
const FOOT_MM = 20;
/** Room a place's words have beyond the furthest place, mm. */
const TAIL_MM = 62;

/** The size of a board on paper, mm. */
export function loomSize({ lanes, lengthMm }: LoomBoard, scale: LoomScale): { widthMm: number; heightMm: number } {
  return {
    widthMm: Math.max(lengthMm / scale + TAIL_MM, CALIBRATION_MM + 90) + 2 * RIM_MM,
    heightMm: HEAD_MM + lanes * LANE_MM + FOOT_MM + 2 * RIM_MM,
  };
}

/**
 * A loom board drawn: stretches level and to scale, steps between lanes thin, at each place the numbers that leave there. A unit is a
 * millimetre on paper.
 */
export function loomShapes(board: LoomBoard, design: Design, units: UnitSystem, scale: LoomScale): string {
  const x = (mm: number) => n(RIM_MM + mm / scale);
  const y = (lane: number) => n(RIM_MM + HEAD_MM + (lane + 0.5) * LANE_MM);
  const { heightMm } = loomSize(board, scale);
  const bar = heightMm - RIM_MM - 9;
  return [
    svgText(RIM_MM, RIM_MM + 5, 5, `${nameOf(design, 'settings')}, loom board 1:${scale}`, { weight: 'bold' }),
    ...board.branches.map((branch) => branchShapes(branch, design, units, x, y)),
    ...board.nodes.map((node) => nodeShapes(node, roomAfter(board, node) / scale, design, x, y)),
    `<path d="M${RIM_MM} ${n(bar)}h${CALIBRATION_MM}M${RIM_MM} ${n(bar - 2)}v4M${RIM_MM + CALIBRATION_MM} ${n(bar - 2)}v4" fill="none" stroke="#000" stroke-width="0.3"/>`,
    svgText(RIM_MM, bar + 5.5, 3, `This bar is ${CALIBRATION_MM} mm on paper, ${formatLength(CALIBRATION_MM * scale, units)} of loom. Upright steps have no length; slack at the ends is not drawn: cut by the cut list.`), // prettier-ignore
  ].join('\n');
}

function branchShapes(
  { routeId, startMm, lengthMm, lane, fromLane, lines, thickMm, passes }: LoomBranch,
  design: Design,
  units: UnitSystem,
  x: (mm: number) => number,
  y: (lane: number) => number,
): string {
  const route = recordOf(design, routeId, 'route');
  const stroke = n(Math.min(3.2, Math.max(0.7, thickMm / 5)));
  const step = fromLane === lane ? '' : `<path d="M${x(startMm)} ${y(fromLane)}V${y(lane)}" fill="none" stroke="#777" stroke-width="0.5" stroke-dasharray="1.5 1"/>`; // prettier-ignore
  const cover =
    route?.kind === 'conduit' && route.insideMm
      ? `, conduit ${n(route.insideMm)} mm`
      : route?.kind === 'loom'
        ? ''
        : `, ${route?.kind ?? ''}`;
  const holes = passes
    .filter(({ part }) => part !== 'none')
    .map(({ part, holeMm }) => `${PART_WORDS[part]}${holeMm ? ` ${n(holeMm)} mm` : ''}`);
  const count = lines.length === 1 ? '1 wire' : `${lines.length} wires`;
  const words = `${nameOf(design, routeId)}, ${formatLength(lengthMm, units)}`;
  const more = `${count}, ${n(Math.round(thickMm))} mm thick${cover}${holes.length > 0 ? `; ${holes.join(', ')}` : ''}`;
  // What is longer than its stretch would lie over the next one's words.
  const room = Math.max(LEAST_ROOM_MM, x(startMm + lengthMm) - x(startMm) - 3);
  return [
    step,
    `<path class="branch" data-route="${routeId}" d="M${x(startMm)} ${y(lane)}H${x(startMm + lengthMm)}" fill="none" stroke="#222" stroke-width="${stroke}"/>`,
    fittedText(x(startMm) + 2, y(lane) - 4.8, 3, words, room),
    fittedText(x(startMm) + 2, y(lane) - 2.1, 2.4, more, room),
  ].join('');
}

/** How far the board is free behind a place, mm: to the next place on its lane, or as far as one likes. */
function roomAfter({ nodes }: LoomBoard, { lane, atMm }: LoomNode): number {
  return Math.min(Infinity, ...nodes.filter((other) => other.lane === lane && other.atMm > atMm).map((other) => other.atMm - atMm));
}

function nodeShapes(
  { placeId, atMm, lane, ends, behind, isAgain }: LoomNode,
  freeMm: number,
  design: Design,
  x: (mm: number) => number,
  y: (lane: number) => number,
): string {
  const room = Math.max(LEAST_ROOM_MM, Math.min(TAIL_MM, freeMm) - 3);
  const dot = `<circle cx="${x(atMm)}" cy="${y(lane)}" r="1.5" fill="${isAgain ? '#fff' : '#222'}" stroke="#222" stroke-width="0.4"/>`;
  const name = `${nameOf(design, placeId)}${isAgain ? ' (again)' : ''}`;
  const last = behind.at(-1);
  const late = ends.length > 0 && last ? [`crimped in the vehicle, behind the ${PART_WORDS[last.part]}`] : [];
  const lines = [...wrapped(ends.map(({ line }) => line.number).join(' '), Math.max(4, Math.floor(room / 1.3))), ...late];
  return [
    dot,
    fittedText(x(atMm) + 2, y(lane) + 4.6, 3, name, room, { weight: 'bold' }),
    ...lines.slice(0, MOST_LINES).map((line, at) => fittedText(x(atMm) + 2, y(lane) + 7.5 + at * 2.6, 2.4, line, room)),
    ...(lines.length > MOST_LINES ? [fittedText(x(atMm) + 2, y(lane) + 7.5 + MOST_LINES * 2.6, 2.4, lines.length - MOST_LINES === 1 ? 'and one line more' : `and ${lines.length - MOST_LINES} lines more`, room)] : []), // prettier-ignore
  ].join('');
}
/** Lines of numbers under a place before they would meet the next lane's words. */
const MOST_LINES = 3;

/** A list of numbers in lines of so many letters. */
function wrapped(words: string, letters: number): string[] {
  const lines: string[] = [];
  for (const word of words.split(' ').filter(Boolean)) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length < letters) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** The least room a text is given, mm. */
const LEAST_ROOM_MM = 6;

/** A board as SVG at its scale. */
export function writeLoomSvg(board: LoomBoard, design: Design, units: UnitSystem, scale: LoomScale): string {
  const { widthMm, heightMm } = loomSize(board, scale);
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(widthMm)}mm" height="${n(heightMm)}mm" viewBox="0 0 ${n(widthMm)} ${n(heightMm)}">`,
    loomShapes(board, design, units, scale),
    '</svg>',
    '',
  ].join('\n');
}
