import ELK from 'elkjs/lib/elk.bundled.js';
import jsQR from 'jsqr';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { randomDesign } from '../../testing/randomDesign';
import { analyse } from '../analysis/analyse';
import { LABEL_SHEETS } from '../catalog/labelSheets';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import type { Wire } from '../design/schema';
import { sheetsOf } from '../diagram/drawing';
import { drawSheets } from '../diagram/drawSheets';
import type { Drawing } from '../diagram/layout';
import { loomBoards, type LoomBoard } from '../harness/loomBoard';
import { harnessOf } from '../harness/schedule';
import { sheetSize } from '../diagram/writeSvg';
import { diagramPages, writeDiagramDxf } from './diagramPages';
import { fuseMap, fuseMapPages } from './fuseMap';
import { labelPages, labelsOf } from './labels';
import { loomShapes, loomSize, LOOM_SCALES } from './loomDrawing';
import { PAPERS, roomOn } from './paper';
import { squareCode } from './squareCode';

const HERON = analyse(heron());
const PIP = analyse(pip());

const updated = (design: Design, id: string, set: Partial<Wire>) => {
  const { updated: changes } = updateRecords(design, [{ id, set }]);
  return { updated: changes, removed: [] };
};

/** A filled path of level and upright bars as a picture of black and white, so many dots a millimetre. */
function pictured(path: string, sideMm: number, dots = 20) {
  const side = Math.round(sideMm * dots);
  const data = new Uint8ClampedArray(side * side * 4).fill(255);
  let bars = 0;
  for (const [, ...corners] of path.matchAll(/M([\d.]+) ([\d.]+)H([\d.]+)V([\d.]+)H\1Z/g)) {
    const [x0, y0, x1, y1] = corners.map((mm) => Math.round(Number(mm) * dots)) as [number, number, number, number];
    for (let y = y0; y < y1; y++) for (let x = x0; x < x1; x++) data.fill(0, (y * side + x) * 4, (y * side + x) * 4 + 3);
    bars++;
  }
  return { data, side, bars };
}

// Read back by another package than the one that writes it. ISO/IEC 18004: four light modules round it.
test('square codes are read back, at every side a label has', () => {
  const address = 'http://192.168.1.20:3000/d/heron/circuits#cir_scene_left';
  for (const sideMm of [12, 13.5, 22]) {
    const path = squareCode(address, sideMm);
    const { data, side, bars } = pictured(path, sideMm);
    expect(bars).toBeGreaterThan(100);
    expect(jsQR(data, side, side)?.data).toBe(address);
    const edges = [...path.matchAll(/[MHV]([\d.]+)/g)].map(([, mm]) => Number(mm));
    expect(Math.min(...edges)).toBeGreaterThanOrEqual((4 * sideMm) / (41 + 8));
  }
});

test('a label with a code has its words beside it, and one too low for a code has none', () => {
  const labels = labelsOf(HERON, 'wires');
  const [page] = labelPages(labels, 'a4x24', 0, 'http://van.local:3000/d/heron');
  const { widthMm } = LABEL_SHEETS.a4x24;
  const codes = [...page!.svg.matchAll(/<path transform="translate\(([\d.]+) ([\d.]+)\)" d="([^"]+)"/g)];
  const opening = labels.slice(0, 24).filter(({ opens }) => opens);
  expect(codes).toHaveLength(opening.length);
  const { data, side } = pictured(codes[0]![3]!, 22);
  expect(jsQR(data, side, side)?.data).toBe(`http://van.local:3000/d/heron${opening[0]!.opens}`);
  for (const [, x, y] of codes) {
    const mine = [...page!.svg.matchAll(/<text x="([\d.]+)" y="([\d.]+)" font-size="([\d.]+)"[^>]*>([^<]*)</g)].filter(
      ([, textX, textY]) => Number(textY) > Number(y) && Number(textY) < Number(y) + 22 && Math.abs(Number(textX) - Number(x)) < widthMm,
    );
    for (const [, textX, , size, words] of mine.filter(([, textX]) => Number(textX) > Number(x)))
      expect(Number(textX) - (words!.length * Number(size) * 0.56) / 2).toBeGreaterThan(Number(x) + 21.5);
  }
  expect(labelPages(labels, 'a4x189', 0, 'http://van.local:3000/d/heron')[0]!.svg).not.toContain('<path');
  expect(labelPages(labels, 'a4x24')[0]!.svg).not.toContain('<path');
});

test('the fuse map has every slot of every block in order, every fuse once, and what it feeds', () => {
  for (const analysis of [HERON, PIP]) {
    const map = fuseMap(analysis);
    const devices = recordsOf(analysis.design, 'device');
    const fuses = devices.filter((device) => device.kind === 'protection');
    const lines = map.flatMap((part) => part.lines);
    expect(lines.filter(({ rating }) => rating !== '')).toHaveLength(fuses.length);
    for (const block of devices.filter((device) => device.kind === 'fuseBlock')) {
      const part = map.find(({ title }) => title.startsWith(block.name))!;
      expect(part.lines.map(({ slot }) => slot)).toEqual(Array.from({ length: block.slots }, (_, at) => String(at + 1)));
    }
  }
  // Pip's block, from its design: the pump in the slot its fuse sits in, 7.5 A, which is a brown blade (ISO 8820-3).
  const pump = fuseMap(PIP).flatMap(({ lines }) => lines).find(({ circuit }) => circuit.includes('Water pump'))!; // prettier-ignore
  expect(pump).toMatchObject({ rating: '7.5 A', colour: 'brown', feeds: 'Water pump' });
  const pages = fuseMapPages(fuseMap(HERON), 'Heron', 'LETTER', 'http://van.local:3000/d/heron');
  expect(pages.length).toBeGreaterThanOrEqual(1);
  for (const { svg } of pages)
    for (const [, y] of svg.matchAll(/translate\(0 ([\d.]+)\)/g)) expect(Number(y)).toBeLessThan(PAPERS.LETTER[1] - 12);
});

describe('the loom board', () => {
  const random = Array.from({ length: 40 }, (_, at) => analyse(randomDesign(at + 1).design));
  const boards = [HERON, PIP, ...random].map((analysis) => ({ analysis, looms: loomBoards(analysis.index, harnessOf(analysis.index, analysis.wiring)) })); // prettier-ignore

  test('every stretch that carries a wire lies on it once, as long as it is; every placed end leaves it once', () => {
    for (const { analysis, looms } of boards) {
      const { layout } = analysis.index;
      const harness = harnessOf(analysis.index, analysis.wiring);
      const used = new Set(harness.wires.flatMap(({ routeIds }) => routeIds));
      const drawn = looms.flatMap(({ branches }) => branches);
      expect(drawn.map(({ routeId }) => routeId).sort()).toEqual([...used].sort());
      for (const { routeId, lengthMm, lines } of drawn) {
        expect(lengthMm).toBe(layout.routes.get(routeId)!.length.mm);
        expect(lines.map(({ wire }) => wire.id).sort()).toEqual(harness.wires.filter(({ routeIds }) => routeIds.includes(routeId)).map(({ wire }) => wire.id).sort()); // prettier-ignore
      }
      const ends = looms.flatMap(({ nodes }) => nodes.flatMap((node) => node.ends.map(({ line, side }) => `${line.wire.id} ${side}`)));
      const placed = harness.wires
        .filter(({ routeIds }) => routeIds.length > 0)
        .flatMap(({ wire }) => [`${wire.id} from`, `${wire.id} to`]);
      expect(ends.sort()).toEqual(placed.sort());
      // Both ends of a wire are as far apart along the board as its way is long, wherever it goes straight on.
      expect(looms.flatMap(({ nodes }) => nodes).filter(({ isAgain }) => !isAgain).length).toBe(new Set(looms.flatMap(({ nodes }) => nodes.map(({ placeId }) => placeId))).size); // prettier-ignore
    }
  });

  test('a ring of stretches is cut open where it closes, its ends still leaving once', () => {
    const run = harnessOf(HERON.index, HERON.wiring).wires.find(({ routeIds }) => routeIds.length > 2)!;
    const [first = '', ...rest] = run.routeIds;
    const route = recordsOf(HERON.design, 'route').find(({ id }) => id === first)!;
    const ringed = analyse(
      applyChange(HERON.design, {
        added: [{ ...route, id: 'ro_round', name: 'The long way round', measuredMm: 9000, measuredOn: null }],
        ...updated(HERON.design, run.wire.id, { via: ['ro_round', ...rest] }),
      }),
    );
    const [loom] = loomBoards(ringed.index, harnessOf(ringed.index, ringed.wiring));
    expect(loom!.nodes.filter(({ isAgain }) => isAgain)).toHaveLength(1);
    expect(loom!.branches.map(({ routeId }) => routeId)).toContain('ro_round');
    expect(loom!.nodes.flatMap(({ ends }) => ends).filter(({ line }) => line.wire.id === run.wire.id)).toHaveLength(2);
  });

  test('stretches begin where one ends, none lies over another, and no step crosses a stretch', () => {
    let steps = 0;
    for (const { looms } of boards)
      for (const { branches, nodes } of looms) {
        for (const one of branches) {
          expect(nodes.some(({ lane, atMm }) => lane === one.fromLane && Math.abs(atMm - one.startMm) < 1e-6)).toBe(true);
          for (const other of branches) {
            if (one === other) continue;
            const [a, b] = [one.startMm + one.lengthMm, other.startMm + other.lengthMm];
            if (one.lane === other.lane) expect(one.startMm >= b - 1e-6 || other.startMm >= a - 1e-6).toBe(true);
            const isBetween = other.lane > Math.min(one.fromLane, one.lane) && other.lane < Math.max(one.fromLane, one.lane);
            if (isBetween) {
              steps++;
              expect(one.startMm <= other.startMm + 1e-6 || one.startMm >= b - 1e-6).toBe(true);
            }
          }
        }
      }
    expect(steps).toBeGreaterThan(20);
  });

  test('on paper it is to scale, and its bar is 100 mm', () => {
    const [{ analysis, looms } = { analysis: HERON, looms: [] as LoomBoard[] }] = boards;
    for (const scale of LOOM_SCALES) {
      const shapes = loomShapes(looms[0]!, analysis.design, 'metric', scale);
      const drawn = [...shapes.matchAll(/data-route="([^"]+)" d="M([\d.]+) ([\d.]+)H([\d.]+)"/g)];
      expect(drawn).toHaveLength(looms[0]!.branches.length);
      for (const [, id, from, , to] of drawn)
        expect(Number(to) - Number(from)).toBeCloseTo(analysis.index.layout.routes.get(id!)!.length.mm / scale, 2);
      expect(shapes).toMatch(/h100M/);
      const { widthMm } = loomSize(looms[0]!, scale);
      for (const [, , , , to] of drawn) expect(Number(to)).toBeLessThan(widthMm);
    }
  });

  // Common practice: a crimped ring or plug does not go back through a grommet or gland.
  test('ends behind a gland are crimped in the vehicle, those before it on the bench', () => {
    const [{ looms } = { looms: [] as LoomBoard[] }] = boards;
    const nodes = new Map(looms.flatMap((loom) => loom.nodes).map((node) => [node.placeId, node]));
    expect(nodes.get('pl_scene_l')!.behind.at(-1)!.part).toBe('gland');
    expect(nodes.get('pl_hpanel')!.behind).toEqual([]);
  });
});

describe('the diagram on paper and for other programs', () => {
  let drawings: Drawing[] = [];
  beforeAll(async () => {
    const { design, index, wiring } = HERON;
    const harness = harnessOf(index, wiring);
    drawings = await drawSheets({ design, index, wiring, harness }, sheetsOf(index, harness), new ELK());
  });

  test('what is on paper is within what a printer reaches, its type never too small to read', () => {
    for (const paper of ['A4', 'LETTER'] as const)
      for (const { svg, widthMm, heightMm } of diagramPages(drawings, paper)) {
        const [roomW, roomH] = roomOn(paper, true);
        expect([widthMm <= roomW, heightMm <= roomH]).toEqual([true, true]);
        // A label is 9.5 units: 1.6 mm at the least.
        for (const [, scale] of svg.matchAll(/scale\(([\d.]+)\)/g)) expect(Number(scale) * 9.5).toBeGreaterThanOrEqual(1.6);
      }
  });

  test('small sheets share a page, in their order and none over another, and each is on one', () => {
    const wiresOn = (svg: string) => Array.from(svg.matchAll(/data-wire="([^"]+)"/g), ([, id]) => id!);
    const pages = diagramPages(drawings, 'A4');
    expect(pages.length).toBeLessThan(drawings.length);
    // A page of tiles repeats its sheet; those of one page each do not.
    const whole = [...new Set(pages.map(({ svg }) => svg.slice(svg.indexOf('>') + 1)))];
    expect(whole.flatMap(wiresOn)).toEqual(drawings.flatMap(({ wires }) => wires.map(({ wireId }) => wireId)));
    let stacked = 0;
    for (const shapes of whole) {
      const groups = Array.from(
        shapes.matchAll(/translate\(0 ([\d.]+)\)"><g transform="scale\(([\d.]+)\)/g),
        ([, top, scale]) => [Number(top), Number(scale)] as const,
      );
      const first = wiresOn(shapes)[0];
      const from = drawings.findIndex(({ wires }) => wires[0]!.wireId === first);
      expect(groups[0]![0]).toBe(0);
      const [last, lastScale] = groups.at(-1)!;
      const page = pages.find(({ svg }) => svg.endsWith(shapes))!;
      const isTiled = pages.filter(({ svg }) => svg.endsWith(shapes)).length > 1;
      if (!isTiled) expect(page.heightMm).toBeCloseTo(last + sheetSize(drawings[from + groups.length - 1]!).height * lastScale, 0);
      groups.slice(1).forEach(([top], at) => {
        const [before, scale] = groups[at]!;
        expect(top).toBeGreaterThanOrEqual(before + sheetSize(drawings[from + at]!).height * scale);
        stacked += 1;
      });
    }
    expect(stacked).toBeGreaterThan(5);
  });

  test('a sheet that can be read on one page is on one, whatever its size comes to', () => {
    let reached = 0;
    for (const paper of ['A4', 'LETTER'] as const)
      for (let width = 700; width < 1500; width += 3) {
        const sheet = { ...drawings[0]!, width, height: width * 0.62 };
        const [roomW, roomH] = roomOn(paper, true);
        const { height } = sheetSize(sheet);
        if (Math.min(roomW / width, roomH / height) < 0.171) continue;
        expect([width, diagramPages([sheet], paper).length]).toEqual([width, 1]);
        reached += 1;
      }
    expect(reached).toBeGreaterThan(200);
  });

  // The small demo's whole harness is on two sheets of paper.
  test('Pip is on two pages', async () => {
    const { design, index, wiring } = PIP;
    const harness = harnessOf(index, wiring);
    const sheets = await drawSheets({ design, index, wiring, harness }, sheetsOf(index, harness), new ELK());
    expect(diagramPages(sheets, 'A4')).toHaveLength(2);
  });

  // DXF reference, R12, from memory: entities by group code 0, layers by 8, text by 1.
  test('as DXF every wire is a line and its label a text, every terminal a circle', () => {
    const codes = writeDiagramDxf(drawings).split('\r\n');
    const pairs = Array.from({ length: Math.floor(codes.length / 2) }, (_, at) => [Number(codes[2 * at]), codes[2 * at + 1]!] as const);
    const entities: { kind: string; layer: string; text: string; vertices: [number, number][] }[] = [];
    for (const [code, value] of pairs) {
      const last = entities.at(-1);
      if (code === 0 && value === 'VERTEX') last!.vertices.push([NaN, NaN]);
      else if (code === 0) entities.push({ kind: value, layer: '', text: '', vertices: [] });
      else if (!last) continue;
      else if (code === 8) last.layer = value;
      else if (code === 1) last.text = value;
      else if (code === 10 && last.vertices.length > 0) last.vertices.at(-1)![0] = Number(value);
      else if (code === 20 && last.vertices.length > 0) last.vertices.at(-1)![1] = Number(value);
    }
    const wires = drawings.flatMap((drawing) => drawing.wires);
    const lines = entities.filter(({ kind, layer }) => kind === 'POLYLINE' && layer.startsWith('WIRES'));
    expect(lines.map(({ vertices }) => vertices.length).sort()).toEqual(wires.map(({ points }) => points.length).sort());
    for (const { vertices } of lines)
      for (let at = 1; at < vertices.length; at++) {
        const [[x0, y0], [x1, y1]] = [vertices[at - 1]!, vertices[at]!];
        expect(Math.min(Math.abs(x0 - x1), Math.abs(y0 - y1))).toBeLessThan(0.01);
      }
    const texts = (layer: string) => entities.filter((one) => one.kind === 'TEXT' && one.layer === layer).map(({ text }) => text);
    expect(texts('LABELS')).toHaveLength(wires.length);
    expect(entities.filter(({ kind, layer }) => kind === 'CIRCLE' && layer === 'TERMINALS')).toHaveLength(drawings.flatMap(({ parts }) => parts.flatMap(({ ports }) => ports)).length); // prettier-ignore
  });
});
