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
import { HEAD, layOutSketch, TYPE, type Drawing, type Point } from './layout';
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

test('nothing lies over anything else: no part over a part, no line through a part, no label over a label or a part; all lines at right angles', () => {
  let [lines, labels] = [0, 0];
  for (const { name, drawings } of drawn)
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
  expect(lines).toBeGreaterThan(500);
  expect(labels).toBeGreaterThan(300);
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
