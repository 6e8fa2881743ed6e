import ELK from 'elkjs/lib/elk.bundled.js';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { randomDesign } from '../../testing/randomDesign';
import { runs } from '../../testing/runs';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { BOARDS } from '../practise/boards';
import { indexDesign } from '../rig/designIndex';
import { drawableOf, drawSheets } from './drawSheets';
import { sheetsOf, sketch } from './drawing';
import { HEAD, TYPE, type Drawing, type Point } from './layout';
import { Edit } from '../design/edit';
import { checkReferences } from '../design/references';
import { seeded } from '../../testing/random';
import { linesBetween } from './linesBetween';
import { letDraw, putPart } from './movedByHand';
import { layOutSketch } from './layOutSketch';
import { symbolOf } from './symbols';
import { writeDiagramSvg } from './writeSvg';

const elk = new ELK();

async function draw(design: Design): Promise<Drawing[]> {
  const drawable = drawableOf(design);
  return drawSheets(drawable, sheetsOf(drawable.index, drawable.harness), elk);
}

/** The demos and random designs, each drawn once. */
const drawn: { name: string; design: Design; drawings: Drawing[] }[] = [];
beforeAll(async () => {
  const random = Array.from({ length: runs(12) }, (_, at) => ({ name: `random ${at + 1}`, design: randomDesign(at + 1).design }));
  for (const one of [{ name: 'heron', design: heron() }, { name: 'pip', design: pip() }, ...random])
    drawn.push({ ...one, drawings: await draw(one.design) });
}, 120_000);

/** The wires a drawing shows, read from its lines and dots alone. */
function readBack(svg: string): string[] {
  const found: string[] = [];
  for (const sheet of svg.split('data-sheet=').slice(1)) {
    const ports = [...sheet.matchAll(/data-device="([^"]*)" data-terminal="([^"]*)" cx="([^"]*)" cy="([^"]*)"/g)].map((match) => ({
      name: `${match[1]!}.${match[2]!}`,
      x: Number(match[3]),
      y: Number(match[4]),
    }));
    for (const [, wireId, points] of sheet.matchAll(/data-wire="([^"]*)"[^>]* points="([^"]*)"/g)) {
      const way = points!.split(' ').map((point) => point.split(',').map(Number) as [number, number]);
      const at = ([x, y]: [number, number]) => {
        const here = ports.filter((port) => Math.abs(port.x - x) < 0.05 && Math.abs(port.y - y) < 0.05);
        return here.length === 1 ? here[0]!.name : `${here.length} dots at ${x},${y}`;
      };
      found.push([wireId, ...[at(way[0]!), at(way.at(-1)!)].sort()].join(' '));
    }
  }
  return found.sort();
}

test('read back from its lines and dots, a drawing has exactly the design’s wires, each once', () => {
  for (const { name, design, drawings } of drawn) {
    const wires = indexDesign(design).wires.map(({ id, from, to }) =>
      [id, ...[from, to].map(({ deviceId, terminal }) => `${deviceId}.${terminal}`).sort()].join(' '),
    );
    expect([name, readBack(writeDiagramSvg(drawings))]).toEqual([name, wires.sort()]);
  }
});

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}
const meet = (a: Box, b: Box) =>
  a.x < b.x + b.width - 0.1 && b.x < a.x + a.width - 0.1 && a.y < b.y + b.height - 0.1 && b.y < a.y + a.height - 0.1;

/** Whether a stretch of a line runs through the inside of a box. */
function runsThrough(from: Point, to: Point, { x, y, width, height }: Box): boolean {
  const [left, right] = [Math.min(from.x, to.x), Math.max(from.x, to.x)];
  const [top, bottom] = [Math.min(from.y, to.y), Math.max(from.y, to.y)];
  return left < x + width - 0.6 && right > x + 0.6 && top < y + height - 0.6 && bottom > y + 0.6;
}

/** That nothing lies over anything else; how many stretches of lines and labels were looked at. */
function expectFree(all: readonly { name: string; drawings: readonly Drawing[] }[]): { lines: number; labels: number } {
  let [lines, labels] = [0, 0];
  for (const { name, drawings } of all)
    for (const { title, parts, wires } of drawings) {
      const where = `${name}: ${title}`;
      parts.forEach((part, at) => {
        for (const other of parts.slice(at + 1))
          expect([where, part.name, other.name, meet(part, other)]).toEqual([where, part.name, other.name, false]);
      });
      const texts = wires.map(({ label, labelAt }): Box => {
        const [width, height] = [label.length * TYPE.label * 0.5, TYPE.label];
        return { x: labelAt.x - width / 2, y: labelAt.y - height / 2, width, height };
      });
      texts.forEach((text, at) => {
        labels++;
        for (const other of texts.slice(at + 1))
          expect([where, wires[at]!.label, meet(text, other)]).toEqual([where, wires[at]!.label, false]);
        for (const part of parts)
          expect([where, wires[at]!.label, part.name, meet(text, part)]).toEqual([where, wires[at]!.label, part.name, false]);
      });
      for (const { label, points } of wires)
        points.slice(1).forEach((to, at) => {
          const from = points[at]!;
          lines++;
          expect([where, label, from.x === to.x || from.y === to.y]).toEqual([where, label, true]);
          for (const part of parts) {
            const body = { ...part, y: part.y + HEAD, height: part.height - HEAD };
            expect([where, label, part.name, runsThrough(from, to, body)]).toEqual([where, label, part.name, false]);
          }
        });
    }
  return { lines, labels };
}

test('nothing lies over anything else: no part over a part, no line through a part, no label over a label or a part; all lines at right angles', () => {
  const { lines, labels } = expectFree(drawn);
  expect(lines).toBeGreaterThan(500);
  expect(labels).toBeGreaterThan(300);
});

describe('what a hand moved', () => {
  const HAND = 11;
  /** Each sheet with some of its parts put anywhere on it. */
  const movedSheets = () =>
    drawn.map(({ name, design, drawings }, seed) => {
      const random = seeded(seed + 1);
      const edit = new Edit(design);
      const puts = drawings.flatMap(({ id, parts, width, height }) => {
        const circuitId = id === 'shared' ? null : id;
        return parts
          .filter(() => random() < 0.3)
          .slice(0, 3)
          .map((part) => {
            const at = { x: Math.round(random() * width), y: Math.round(random() * height) };
            putPart(edit, { circuitId, partId: part.id }, at);
            return { sheetId: id, partId: part.id, at };
          });
      });
      return { name, design: applyChange(design, edit.change), before: drawings, puts };
    });

  test('stays where it was put, the rest makes room, and every wire still runs from terminal to terminal over nothing', async () => {
    const met = { stayed: 0, madeRoom: 0, untouched: 0 };
    for (const { name, design, before, puts } of movedSheets()) {
      expect(checkReferences(design)).toEqual([]);
      const drawings = await draw(design);
      const partOf = (of: readonly Drawing[], sheetId: string, partId: string) =>
        of.find(({ id }) => id === sheetId)!.parts.find(({ id }) => id === partId)!;
      const first = new Set<string>();
      for (const { sheetId, partId, at } of puts) {
        const part = partOf(drawings, sheetId, partId);
        const off = Math.max(Math.abs(part.x - at.x), Math.abs(part.y - at.y));
        // The first that was put on a sheet has nothing in its way; at the very edge there is room for a line.
        if (!first.has(sheetId))
          expect([name, part.name, off <= Math.max(HAND + 1, 3 * HAND - at.x, 2 * HAND + 1 - at.y)]).toEqual([name, part.name, true]);
        first.add(sheetId);
        met.stayed += 1;
      }
      for (const drawing of drawings) {
        const was = before.find(({ id }) => id === drawing.id)!;
        if (!puts.some(({ sheetId }) => sheetId === drawing.id)) {
          expect(drawing).toEqual(was);
          met.untouched += 1;
        }
        for (const part of drawing.parts) {
          const old = was.parts.find(({ id }) => id === part.id)!;
          if (Math.hypot(part.x - old.x, part.y - old.y) > 3 * HAND && !puts.some(({ partId }) => partId === part.id)) met.madeRoom += 1;
        }
      }
      expectFree([{ name, drawings }]);
      expect(readBack(writeDiagramSvg(drawings))).toEqual(readBack(writeDiagramSvg(before)));
      expect(writeDiagramSvg(await draw(design))).toBe(writeDiagramSvg(drawings));
    }
    expect(met.stayed).toBeGreaterThan(30);
    expect(met.madeRoom).toBeGreaterThan(5);
    expect(met.untouched).toBeGreaterThan(3);
  });

  test('goes with its device and its circuit, and is let go sheet by sheet', () => {
    const [{ design, puts }] = movedSheets() as [ReturnType<typeof movedSheets>[number]];
    const edit = new Edit(design);
    const count = (circuitId: string | null) => recordsOf(edit.design, 'drawn').filter((one) => one.circuitId === circuitId).length;
    const [sheet, other] = [...new Set(puts.map(({ sheetId }) => sheetId).filter((id) => id !== 'shared'))] as [string, string];
    const kept = count(other);
    letDraw(edit, sheet);
    expect([count(sheet), count(other), kept > 0]).toEqual([0, kept, true]);
    edit.remove(other);
    expect(count(other)).toBe(0);
  });
});

describe('lines between parts', () => {
  const box = (x: number, y: number) => ({ x, y, width: 44, height: 44 });
  const line = (id: string, from: Point, to: Point) => ({ id, from, to, fromPort: `${id}.from`, toPort: `${id}.to` });

  test('are straight where nothing is between', () => {
    const ways = linesBetween([line('a', { x: 44, y: 22 }, { x: 220, y: 22 })], [box(0, 0), box(220, 0)]);
    expect(ways.get('a')).toEqual([{ x: 44, y: 22 }, { x: 220, y: 22 }]); // prettier-ignore
  });

  test('go round what is between, with no more than four corners', () => {
    const ways = linesBetween([line('a', { x: 44, y: 22 }, { x: 330, y: 22 })], [box(0, 0), box(154, 0), box(330, 0)]);
    expect(ways.get('a')!.length).toBeLessThanOrEqual(6);
    expect(Math.max(...ways.get('a')!.map(({ y }) => y))).toBeGreaterThan(44);
  });

  test('of different terminals do not lie on each other where there is room', () => {
    const wanted = [0, 1, 2].map((at) => line(`l${at}`, { x: 44, y: 11 + at * 22 }, { x: 330, y: 187 - at * 22 }));
    const parts = [{ x: 0, y: 0, width: 44, height: 77 }, { x: 330, y: 121, width: 44, height: 77 }]; // prettier-ignore
    const ways = [...linesBetween(wanted, parts).values()];
    const cells = ways.map((points) => new Set(points.slice(1).flatMap((to, at) => stretchOf(points[at]!, to))));
    cells.forEach((mine, at) => {
      for (const other of cells.slice(at + 1)) expect([...mine].filter((cell) => other.has(cell))).toEqual([]);
    });
    expect(cells.every(({ size }) => size > 10)).toBe(true);
  });

  /** Steps of a stretch of a line, as from where to where. */
  function stretchOf(from: Point, to: Point): string[] {
    const [dx, dy] = [Math.sign(to.x - from.x), Math.sign(to.y - from.y)];
    const count = (Math.abs(to.x - from.x) + Math.abs(to.y - from.y)) / 11;
    return Array.from({ length: Math.floor(count) }, (_, at) => `${from.x + dx * at * 11},${from.y + dy * at * 11} ${dx !== 0}`);
  }
});

test('the same design is drawn the same, and another length moves nothing', async () => {
  const design = heron();
  const once = writeDiagramSvg(await draw(design));
  expect(writeDiagramSvg(await draw(design)) === once).toBe(true);
  const [wire] = recordsOf(design, 'wire');
  const longer = applyChange(design, updateRecords(design, [{ id: wire!.id, set: { lengthMm: 7777, lengthMeasured: true } }]));
  expect(writeDiagramSvg(await draw(longer)) === once).toBe(true);
});

test('names of people’s own making break no drawing', async () => {
  const design = pip();
  const fan = [...design.records.values()].find((record) => record.type === 'device' && record.name === 'Roof fan')!;
  const named = { records: new Map(design.records).set(fan.id, { ...fan, name: '<script>"&\'</script>' } as typeof fan) };
  const svg = writeDiagramSvg(await draw(named));
  expect(svg).toContain('&lt;script&gt;&quot;&amp;');
  expect(svg).not.toContain('<script');
});

test('a whole board wraps into rows, and every line runs from terminal to terminal', async () => {
  for (const { id, design: board } of BOARDS) {
    const { index, wiring, harness } = drawableOf(board);
    const whole = await layOutSketch(sketch(board, index, wiring, harness, 'whole'), elk);
    const ports = new Map(whole.parts.flatMap((part) => part.ports.map((port) => [port.id, port] as const)));
    const loose = whole.wires.filter(({ from, to, points }) =>
      ([[from, points[0]!], [to, points.at(-1)!]] as const).some(([port, point]) => Math.hypot(ports.get(port)!.x - point.x, ports.get(port)!.y - point.y) > 1),
    ); // prettier-ignore
    expect({ id, loose: loose.map(({ wireId }) => wireId), isNarrow: whole.width < 1250 }).toEqual({ id, loose: [], isNarrow: true });
  }
});

// IEC 60617, from memory: a lamp, a motor and a heating element have symbols of their own, anything else is a box.
test('a load is drawn as what somebody said it is, and as a box where nobody did', () => {
  const loads = recordsOf(pip(), 'device').flatMap((device) => (device.kind === 'load' ? [device] : []));
  const drawn = (name: string) => symbolOf(loads.find((load) => load.name === name)!);
  expect([drawn('Reading light'), drawn('Roof fan'), drawn('Cabin puck')]).toEqual(['lamp', 'motor', 'consumer']);
  const puck = loads.find(({ name }) => name === 'Cabin puck')!;
  expect(symbolOf({ ...puck, behaviour: 'resistive' })).toBe('heater');
});
