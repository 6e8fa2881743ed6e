import TinyQueue from 'tinyqueue';
import type { Point } from './layout';

/** Half the distance of two terminals: lines run on a grid of this. */
export const GRID = 11;

export interface Box extends Point {
  width: number;
  height: number;
}

/** A line wanted from a terminal on the right of its part to one on the left of another. */
export interface LineWanted {
  id: string;
  from: Point;
  to: Point;
  /** The terminals: lines of one may lie together at it. */
  fromPort: string;
  toPort: string;
}

/** What a step of one grid length counts as, more: lines with few bends and crossings are easy to follow. */
const BEND = 5;
const CROSSING = 3;
/** Along another line: what hides which is which. Of the same terminal it can be borne. */
const ALONG = 60;
const ALONG_OWN = 7;

const RIGHT = 0;
const LEFT = 2;
const STEPS = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
] as const;

/**
 * Lines at right angles from terminal to terminal, round all boxes, with few bends and crossings, each after those before it: the short
 * ones first. The same parts always give the same lines. Terminals stand on rows of the grid.
 * @returns for each line its corners; a straight one across where there is no way round
 */
export function linesBetween(wanted: readonly LineWanted[], boxes: readonly Box[]): Map<string, Point[]> {
  const across = Math.max(0, ...boxes.map(({ x, width }) => x + width));
  const down = Math.max(0, ...boxes.map(({ y, height }) => y + height));
  const columns = Math.ceil(across / GRID) + MARGIN;
  const rows = Math.ceil(down / GRID) + MARGIN;
  const grid = new Grid(columns, rows, boxes);
  const far = ({ from, to }: LineWanted) => Math.abs(from.x - to.x) + Math.abs(from.y - to.y);
  const ways = new Map<string, Point[]>();
  for (const line of [...wanted].sort((a, b) => far(a) - far(b) || (a.id < b.id ? -1 : 1))) ways.set(line.id, grid.way(line));
  return ways;
}

/** Columns and rows beyond the last part. */
const MARGIN = 12;

class Grid {
  private readonly blocked: Uint8Array;
  /** Terminals whose lines pass a crossing of the grid along a row, and along a column. */
  private readonly passes: [Map<number, string[]>, Map<number, string[]>] = [new Map(), new Map()];

  constructor(
    private readonly columns: number,
    private readonly rows: number,
    boxes: readonly Box[],
  ) {
    this.blocked = new Uint8Array(columns * rows);
    for (const { x, y, width, height } of boxes)
      for (let row = Math.ceil(y / GRID - 0.4); row * GRID < y + height + 0.4 * GRID; row++)
        for (let column = Math.ceil(x / GRID - 0.5); column * GRID < x + width + 0.5 * GRID; column++)
          if (row >= 0 && row < rows && column >= 0 && column < columns) this.blocked[row * columns + column] = 1;
  }

  /** The way of one line, which others then mind. */
  way({ from, to, fromPort, toPort }: LineWanted): Point[] {
    const start = this.at(this.outside(from, RIGHT), from.y);
    const end = this.at(this.outside(to, LEFT), to.y);
    const cells = this.shortest(start, end, [fromPort, toPort]);
    if (!cells) return corners([from, { x: from.x, y: to.y }, to]);
    this.mark(cells, [fromPort, toPort]);
    return corners([from, ...cells.map((cell) => this.pointOf(cell)), to]);
  }

  private at(column: number, y: number): number {
    return Math.min(this.rows - 1, Math.max(0, Math.round(y / GRID))) * this.columns + column;
  }

  /** The first column beside a part that is not in its margin. */
  private outside({ x, y }: Point, way: typeof RIGHT | typeof LEFT): number {
    const step = way === RIGHT ? 1 : -1;
    let column = way === RIGHT ? Math.ceil(x / GRID) : Math.floor(x / GRID);
    for (let tries = 0; tries < 3 && column > 0 && column < this.columns - 1 && this.blocked[this.at(column, y)]; tries++) column += step;
    return Math.min(this.columns - 1, Math.max(0, column));
  }

  private pointOf(cell: number): Point {
    return { x: (cell % this.columns) * GRID, y: Math.floor(cell / this.columns) * GRID };
  }

  private mark(cells: readonly number[], ports: readonly string[]): void {
    cells.forEach((cell, at) => {
      const isRow = (other: number | undefined) => other === undefined || Math.abs(other - cell) === 1;
      // At a corner it is in the way of both.
      const [before, after] = [cells[at - 1], cells[at + 1]];
      if (isRow(before) || isRow(after)) put(this.passes[0], cell, ports);
      if (!isRow(before) || !isRow(after)) put(this.passes[1], cell, ports);
    });
  }

  /** The cheapest way from one crossing, leaving it to the right, to another, come at from its left; null where boxes leave none. */
  private shortest(start: number, end: number, ports: readonly string[]): number[] | null {
    const { columns, blocked } = this;
    const states = columns * this.rows * 4;
    const cost = new Float32Array(states).fill(Infinity);
    const before = new Int32Array(states).fill(-1);
    const open = new TinyQueue<Open>([], cheapestFirst);
    let at = 0;
    const [endColumn, endRow] = [end % columns, Math.floor(end / columns)];
    const rest = (cell: number) => Math.abs((cell % columns) - endColumn) + Math.abs(Math.floor(cell / columns) - endRow);
    const first = start * 4 + RIGHT;
    cost[first] = this.stand(start, RIGHT, ports);
    open.push({ state: first, cost: cost[first] + rest(start), at: at++ });
    for (let next = open.pop(); next; next = open.pop()) {
      const { state } = next;
      const [cell, way] = [state >> 2, state & 3];
      if (cell === end && way === RIGHT) return this.traced(state, before);
      const here = cost[state]!;
      for (let turn = 0; turn < 4; turn++) {
        if ((turn ^ way) === 2) continue;
        const turned = turn === way ? 0 : BEND + this.turn(cell, ports);
        const [dx, dy] = STEPS[turn]!;
        const column = (cell % columns) + dx;
        const row = Math.floor(cell / columns) + dy;
        if (column < 0 || row < 0 || column >= columns || row >= this.rows) continue;
        const to = row * columns + column;
        if (blocked[to] && to !== end) continue;
        const sum = here + 1 + turned + this.stand(to, turn, ports);
        const reached = to * 4 + turn;
        if (sum >= cost[reached]!) continue;
        cost[reached] = sum;
        before[reached] = state;
        open.push({ state: reached, cost: sum + rest(to), at: at++ });
      }
    }
    return null;
  }

  /** What it costs to stand at a crossing, come one way: other lines there, along or across. */
  private stand(cell: number, way: number, ports: readonly string[]): number {
    const along = this.passes[way === RIGHT || way === LEFT ? 0 : 1].get(cell);
    const across = this.passes[way === RIGHT || way === LEFT ? 1 : 0].get(cell);
    return (along ? hiding(along, ports) : 0) + (across ? CROSSING : 0);
  }

  /** A corner lies along whatever passes there. */
  private turn(cell: number, ports: readonly string[]): number {
    return this.passes.reduce((sum, passing) => sum + hiding(passing.get(cell) ?? [], ports), 0);
  }

  private traced(last: number, before: Int32Array): number[] {
    const cells: number[] = [];
    for (let state = last; state >= 0; state = before[state]!) cells.push(state >> 2);
    return cells.reverse();
  }
}

function hiding(others: readonly string[], ports: readonly string[]): number {
  if (others.length === 0) return 0;
  return others.some((port) => ports.includes(port)) ? ALONG_OWN : ALONG;
}

function put(map: Map<number, string[]>, cell: number, ports: readonly string[]): void {
  map.set(cell, [...(map.get(cell) ?? []), ...ports]);
}

/** A way without the points that lie on a straight stretch of it. */
function corners(points: readonly Point[]): Point[] {
  const kept: Point[] = [];
  for (const point of points) {
    const [one, two] = [kept.at(-2), kept.at(-1)];
    if (two && two.x === point.x && two.y === point.y) continue;
    const isStraight = one && two && ((one.x === two.x && two.x === point.x) || (one.y === two.y && two.y === point.y));
    if (isStraight) kept.pop();
    kept.push(point);
  }
  return kept;
}

interface Open {
  state: number;
  cost: number;
  /** Those that cost the same are taken in the order they came. */
  at: number;
}

const cheapestFirst = (a: Open, b: Open) => a.cost - b.cost || a.at - b.at;
