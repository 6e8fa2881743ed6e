import { GRID, linesBetween, type Box } from './linesBetween';
import { TYPE, labelSize, moved, type Drawing, type DrawnPart, type DrawnWire, type Point } from './layout';
import type { PutByHand } from './movedByHand';

/**
 * Room kept about a part, so that a line gets by on every side: between any two parts there is a row or a column of the grid that is free.
 */
const ROOM = { across: 3 * GRID, down: 2 * GRID } as const;
/** How far a place free for a part is looked for, in steps of the grid. */
const FAR = 120;

/**
 * A sheet as it draws itself, with some parts where a hand put them: those stay where they were put, to the grid; what they would lie on
 * makes room, the rest stays, and lines and labels find their way anew.
 */
export function withPut(drawing: Drawing, put: PutByHand): Drawing {
  const byHand = drawing.parts.filter(({ id }) => put.has(id));
  if (byHand.length === 0) return drawing;
  const placed = new Map<string, DrawnPart>();
  const others = drawing.parts.filter(({ id }) => !put.has(id)).sort((a, b) => a.x - b.x || a.y - b.y);
  for (const part of byHand) placed.set(part.id, freeFor(part, put.get(part.id)!, [...placed.values()]));
  for (const part of others) placed.set(part.id, freeFor(part, part, [...placed.values()]));
  const parts = drawing.parts.map(({ id }) => placed.get(id)!);
  const ports = new Map(parts.flatMap((part) => part.ports.map((port) => [port.id, port] as const)));
  const wanted = drawing.wires.map(({ wireId, from, to }) => ({ id: wireId, from: ports.get(from)!, to: ports.get(to)!, fromPort: from, toPort: to })); // prettier-ignore
  const ways = linesBetween(wanted, parts);
  const wires = labelled(
    drawing.wires.map((wire) => ({ ...wire, points: ways.get(wire.wireId)! })),
    parts,
  );
  const right = Math.max(...parts.map(({ x, width }) => x + width), ...wires.flatMap(({ points }) => points.map(({ x }) => x)));
  const bottom = Math.max(...parts.map(({ y, height }) => y + height), ...wires.flatMap(({ points }) => points.map(({ y }) => y)));
  return { ...drawing, width: right + EDGE, height: bottom + EDGE, parts, wires };
}
const EDGE = 14;

/** A part as near to a place as it is free of others, its terminals on rows of the grid. */
function freeFor(part: DrawnPart, { x, y }: Point, others: readonly Box[]): DrawnPart {
  const row = (part.ports[0]?.y ?? part.y) - part.y;
  const column = Math.max(MOST_LEFT, Math.round(x / GRID));
  const line = Math.max(Math.ceil(row / GRID), Math.round((y + row) / GRID));
  for (const [dx, dy] of outward()) {
    const at = { x: (column + dx) * GRID, y: (line + dy) * GRID - row };
    if (at.x < MOST_LEFT * GRID || at.y < GRID) continue;
    const box = { ...at, width: part.width, height: part.height };
    if (others.every((other) => !isNear(box, other))) return moved(part, at);
  }
  // There is always room beyond everything else.
  const below = Math.max(...others.map((other) => other.y + other.height)) + ROOM.down;
  return moved(part, { x: column * GRID, y: Math.ceil((below + row) / GRID) * GRID - row });
}
/** The first column a part may begin in: lines come round its left side. */
const MOST_LEFT = 3;

function isNear(a: Box, b: Box): boolean {
  return (
    a.x < b.x + b.width + ROOM.across &&
    b.x < a.x + a.width + ROOM.across &&
    a.y < b.y + b.height + ROOM.down &&
    b.y < a.y + a.height + ROOM.down
  );
}

/** Steps from a place, the nearest first, down before up and right before left. */
function* outward(): Generator<[number, number]> {
  for (let far = 0; far <= FAR; far++)
    for (let dx = 0; dx <= far; dx++) {
      const dy = far - dx;
      yield [dx, dy];
      if (dy > 0) yield [dx, -dy];
      if (dx > 0) yield [-dx, dy];
      if (dx > 0 && dy > 0) yield [-dx, -dy];
    }
}

/** Lines with their labels beside them: over no part and no other label, and where it can be over no other line. */
function labelled(wires: readonly DrawnWire[], parts: readonly Box[]): DrawnWire[] {
  const taken: Box[] = parts.map(({ x, y, width, height }) => ({ x, y, width, height }));
  const lines = wires.flatMap(({ points }) => points.slice(1).map((to, at) => stretch(points[at]!, to)));
  return wires.map((wire) => {
    const size = labelSize(wire.label);
    const free = placesFor(wire.points, size).filter((box) => taken.every((other) => !meets(box, other)));
    const best = free.find((box) => lines.every((line) => !meets(box, line))) ?? free[0] ?? beyond(size, taken);
    taken.push(best);
    return { ...wire, labelAt: { x: best.x + best.width / 2, y: best.y + best.height / 2 } };
  });
}

/**
 * Places for a label along a line: over and under its level stretches, right and left of its upright ones, the longest first and from the
 * middle outward.
 */
function placesFor(points: readonly Point[], { width, height }: { width: number; height: number }): Box[] {
  const stretches = points.slice(1).map((to, at) => ({ from: points[at]!, to }));
  const length = ({ from, to }: { from: Point; to: Point }) => Math.abs(from.x - to.x) + Math.abs(from.y - to.y);
  return stretches
    .sort((a, b) => length(b) - length(a))
    .flatMap(({ from, to }) => {
      const isLevel = from.y === to.y;
      const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
      const places: Box[] = [];
      for (let off = 0; off <= length({ from, to }) / 2 + 4 * GRID; off += GRID / 2)
        for (const along of off === 0 ? [0] : [off, -off])
          for (const side of [-1, 1])
            places.push(
              isLevel
                ? { x: middle.x + along - width / 2, y: side < 0 ? middle.y - height - 2 : middle.y + 2, width, height }
                : { x: side < 0 ? middle.x - width - 3 : middle.x + 3, y: middle.y + along - height / 2, width, height },
            );
      return places.filter(({ x, y }) => x >= 0 && y >= 0);
    });
}

/** Where all about a line is taken: under everything, so that it is read and hides nothing. */
function beyond({ width, height }: { width: number; height: number }, taken: readonly Box[]): Box {
  return { x: GRID, y: Math.max(...taken.map((box) => box.y + box.height)) + 2, width, height };
}

const LINE = TYPE.label / 4;

function stretch(from: Point, to: Point): Box {
  const [x, y] = [Math.min(from.x, to.x), Math.min(from.y, to.y)];
  return { x: x - LINE / 2, y: y - LINE / 2, width: Math.abs(from.x - to.x) + LINE, height: Math.abs(from.y - to.y) + LINE };
}

function meets(a: Box, b: Box): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
}
