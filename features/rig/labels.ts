/** Where a name is written beside its mark. */
export interface Label {
  id: string;
  x: number;
  y: number;
  anchor: 'start' | 'end' | 'middle';
}

export interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export interface Room {
  width: number;
  height: number;
}

interface Wanted {
  id: string;
  text: string;
  x: number;
  y: number;
  /** The higher, the sooner it gets room; from 2 on it is written even over others, where it covers least. */
  rank: number;
}

interface Try {
  label: Label;
  box: Box;
}

const GAP = 9;
/** From the baseline up and down, pixels. */
const UP = 11;
const DOWN = 4;
/** Room kept to the drawing's edge. */
const EDGE = 2;
const PER_LETTER = 6.6;

/** How wide a text is drawn, pixels, by its number of letters alone: what server and browser agree on for the first picture. */
export function guessedWidth(text: string): number {
  return text.length * PER_LETTER;
}

export type WidthOf = (text: string, font?: 'place' | 'zone') => number;

const FONTS = { place: '500 12.5px "Barlow Semi Condensed", sans-serif', zone: '600 13px "Barlow Semi Condensed", sans-serif' };
let pen: CanvasRenderingContext2D | null | undefined;

/** The same, measured. */
export function measuredWidth(text: string, font: keyof typeof FONTS = 'place'): number {
  pen ??= document.createElement('canvas').getContext('2d');
  if (!pen) return guessedWidth(text);
  pen.font = FONTS[font];
  return pen.measureText(text).width + 2;
}

/**
 * Puts names beside marks, in one of eight places round each, nearest first, so that none covers another, a mark or what is kept free and
 * none leaves the drawing; those that find no room are left out. Point-feature labelling by order of rank, greedy: see Christensen, Marks
 * and Shieber 1995 (from memory).
 */
export function placeLabels(wanted: readonly Wanted[], room: Room, kept: readonly Box[], widthOf: WidthOf): Map<string, Label> {
  const taken: Box[] = [...kept, ...wanted.map(({ x, y }) => ({ left: x - 5, right: x + 5, top: y - 5, bottom: y + 5 }))];
  const labels = new Map<string, Label>();
  for (const { id, text, x, y, rank } of [...wanted].sort((a, b) => b.rank - a.rank)) {
    const chosen = choose(around(id, x, y, widthOf(text)), room, taken, rank >= 2);
    if (!chosen) continue;
    labels.set(id, chosen.label);
    taken.push(chosen.box);
  }
  return labels;
}

/** Puts each ground's own name in it, at a corner that is free of other names and inside the drawing. The smallest grounds choose first. */
export function placeInside(grounds: readonly { id: string; width: number; lines: number; box: Box }[], room: Room): Map<string, Try> {
  const taken: Box[] = [];
  const names = new Map<string, Try>();
  const area = ({ box }: { box: Box }) => (box.right - box.left) * (box.bottom - box.top);
  for (const ground of [...grounds].sort((a, b) => area(a) - area(b))) {
    const chosen = choose(corners(ground), room, taken, true)!;
    names.set(ground.id, chosen);
    taken.push(chosen.box);
  }
  return names;
}

function choose(tries: readonly Try[], room: Room, taken: readonly Box[], must: boolean): Try | undefined {
  const inside = tries.filter(({ box }) => isIn(box, room));
  const free = inside.find(({ box }) => taken.every((other) => !overlap(box, other)));
  if (free || !must) return free;
  const covers = ({ box }: Try) => taken.reduce((sum, other) => sum + overlap(box, other), 0);
  return [...(inside.length > 0 ? inside : tries)].sort((a, b) => covers(a) - covers(b))[0];
}

function isIn({ left, right, top, bottom }: Box, { width, height }: Room): boolean {
  return left >= EDGE && right <= width - EDGE && top >= EDGE && bottom <= height - EDGE;
}

/** Square pixels two boxes share. */
function overlap(a: Box, b: Box): number {
  const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
  const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
  return across > 0 && down > 0 ? across * down : 0;
}

function around(id: string, x: number, y: number, long: number): Try[] {
  const at = (anchor: Label['anchor'], dx: number, dy: number) => tried({ id, x: x + dx, y: y + dy, anchor }, long, 1);
  return [
    at('start', GAP, 4),
    at('end', -GAP, 4),
    at('middle', 0, -GAP),
    at('middle', 0, GAP + 10),
    at('start', GAP - 2, -GAP + 2),
    at('end', -GAP + 2, -GAP + 2),
    at('start', GAP - 2, GAP + 8),
    at('end', -GAP + 2, GAP + 8),
  ];
}

/**
 * Upper corners, lower corners, then along the upper edge further down, so that names of grounds on one another stand under one another.
 */
function corners({ id, width, lines, box }: { id: string; width: number; lines: number; box: Box }): Try[] {
  const right = Math.max(box.right - 6, box.left + 7);
  const low = box.bottom - 6 - (lines - 1) * LINE;
  const rows = [box.top + 15, low, box.top + 15 + LINE, box.top + 15 + 2 * LINE, box.top + 15 + 3 * LINE];
  return rows.flatMap((y) => [
    tried({ id, x: box.left + 7, y, anchor: 'start' }, width, lines),
    tried({ id, x: right, y, anchor: 'end' }, width, lines),
  ]);
}

/** From one line of a name to the next, pixels. */
export const LINE = 15;

function tried(label: Label, long: number, lines: number): Try {
  const { x, y, anchor } = label;
  const left = anchor === 'start' ? x : anchor === 'end' ? x - long : x - long / 2;
  return { label, box: { left, right: left + long, top: y - UP, bottom: y + DOWN + (lines - 1) * LINE } };
}
