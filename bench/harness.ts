import ELK from 'elkjs/lib/elk.bundled.js';
import { marl } from '../demo/marl';
import { heron } from '../demo/heron';
import { applyChange, updateRecords } from '../core/design/change';
import { recordsOf, type Design } from '../core/design/design';
import { sheetsOf, sketch } from '../core/diagram/drawing';
import { HEAD, type Drawing, type DrawnPart, type Point } from '../core/diagram/layout';
import { layOutSketch } from '../core/diagram/layOutSketch';
import { colourAll } from '../core/harness/editWires';
import { partsList } from '../core/harness/partsList';
import { cutLots, harnessOf } from '../core/harness/schedule';
import { traceWiring } from '../core/network/traceWiring';
import { indexDesign } from '../core/rig/designIndex';

/**
 * Milliseconds of the harness by size: colours for all wires, schedule, cut list and parts after an edit of one wire, and the diagram sheet
 * by sheet, with its crossings and bends.
 */
const ROUNDS = 15;
const elk = new ELK();

async function main(): Promise<void> {
  const rows = [];
  for (const [name, design] of [
    ['Heron', heron()],
    ...process.argv.slice(2).map((text) => [`${text} circuits`, marl(Number(text))] as const),
  ] as const) {
    const [colouring, change] = timed(() => colourAll(design, false));
    const coloured = applyChange(design, change);
    const [wire] = recordsOf(coloured, 'wire');
    const edited = (mm: number) => applyChange(coloured, updateRecords(coloured, [{ id: wire!.id, set: { lengthMm: mm } }]));
    const times = Array.from({ length: ROUNDS }, (_, at) => followed(edited(3000 + at))).sort((a, b) => a[0] - b[0]);
    const [all, cut] = times[Math.floor(ROUNDS / 2)]!;
    const drawn = await drawing(coloured);
    rows.push({
      design: name,
      wires: recordsOf(design, 'wire').length,
      'colours, ms': colouring,
      'schedule, cut list and parts, ms': all,
      'of it the cut list, ms': cut,
      ...drawn,
    });
  }
  console.log(JSON.stringify(rows));
}

function followed(design: Design): [all: number, cut: number] {
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  const [first, harness] = timed(() => harnessOf(index, wiring));
  const [cutting, lots] = timed(() => cutLots(harness, []));
  const [last] = timed(() => partsList(index, harness, lots, { kits: [], leads: [] }));
  return [round(first + cutting + last), cutting];
}

async function drawing(design: Design) {
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  const harness = harnessOf(index, wiring);
  const sheets = sheetsOf(index, harness);
  const began = performance.now();
  const drawings: Drawing[] = [];
  let longest = 0;
  for (const sheet of sheets) {
    const at = performance.now();
    drawings.push(await layOutSketch(sketch(design, index, wiring, harness, sheet), elk));
    longest = Math.max(longest, performance.now() - at);
  }
  const bends = drawings.reduce((sum, { wires }) => sum + wires.reduce((all, { points }) => all + points.length - 2, 0), 0);
  return {
    sheets: sheets.length,
    'diagram, ms': round(performance.now() - began),
    'longest sheet, ms': round(longest),
    'crossings, and runs through a part': drawings.reduce((sum, one) => sum + crossings(one) + throughParts(one), 0),
    'the same laid out naively': drawings.reduce((sum, one) => sum + crossings(naive(one)) + throughParts(naive(one)), 0),
    bends,
  };
}

/** The same parts one under another, each wire a line with one corner. */
function naive(drawing: Drawing): Drawing {
  const moved = new Map<string, { x: number; y: number }>();
  let top = 0;
  drawing.parts.forEach((part, at) => {
    for (const port of part.ports) moved.set(port.id, { x: (at % 2) * 400 + port.x - part.x, y: top + port.y - part.y });
    top += part.height + 20;
  });
  return {
    ...drawing,
    parts: drawing.parts.map((part) => {
      const [port] = part.ports;
      const at = moved.get(port!.id)!;
      return { ...part, x: at.x - (port!.x - part.x), y: at.y - (port!.y - part.y) };
    }),
    wires: drawing.wires.map((wire) => {
      const [from, to] = [moved.get(wire.from)!, moved.get(wire.to)!];
      return { ...wire, points: [from, { x: to.x, y: from.y }, to] };
    }),
  };
}

/** How often a line runs through a part. */
function throughParts({ parts, wires }: Drawing): number {
  return wires.reduce((sum, { points }) => sum + points.slice(1).filter((to, at) => parts.some((part) => isThrough(points[at]!, to, part))).length, 0); // prettier-ignore
}

function isThrough(from: Point, to: Point, { x, y, width, height }: DrawnPart): boolean {
  const [left, right, top, bottom] = [Math.min(from.x, to.x), Math.max(from.x, to.x), Math.min(from.y, to.y), Math.max(from.y, to.y)];
  return left < x + width - 1 && right > x + 1 && top < y + height - 1 && bottom > y + HEAD + 1;
}

/** Where lines of different wires cross at right angles. */
function crossings({ wires }: Drawing): number {
  const stretches = wires.flatMap(({ wireId, points }) => points.slice(1).map((to, at) => ({ wireId, from: points[at]!, to })));
  const across = stretches.filter(({ from, to }) => from.y === to.y);
  const down = stretches.filter(({ from, to }) => from.x === to.x);
  const inside = (value: number, a: number, b: number) => value > Math.min(a, b) + 0.5 && value < Math.max(a, b) - 0.5;
  return across.reduce(
    (sum, one) => sum + down.filter((other) => other.wireId !== one.wireId && inside(other.from.x, one.from.x, one.to.x) && inside(one.from.y, other.from.y, other.to.y)).length, // prettier-ignore
    0,
  );
}

function timed<T>(work: () => T): [ms: number, result: T] {
  const began = performance.now();
  const result = work();
  return [round(performance.now() - began), result];
}

function round(ms: number): number {
  return Math.round(ms * 10) / 10;
}

void main();
