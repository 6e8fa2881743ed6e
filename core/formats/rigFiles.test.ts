import DxfParser from 'dxf-parser';
import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { applyChange, isEmpty } from '../design/change';
import { recordsOf } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import { faultWords } from './faultWords';
import { writePlanDxf } from './planDxf';
import { writePlanSvg } from './planSvg';
import { readRigCsv, writePlacesCsv, writeRoutesCsv } from './rigCsv';

const design = heron();

describe('places and routes as CSV', () => {
  test('written and read again they change nothing', () => {
    for (const text of [writePlacesCsv(design), writeRoutesCsv(design)]) {
      const reading = readRigCsv(text, design);
      expect(reading.faults).toEqual([]);
      expect(reading.rows.every(({ action }) => action === 'change')).toBe(true);
      expect(isEmpty(reading.change!)).toBe(true);
    }
  });

  test('new places and the stretch between them, with lengths in what people write', () => {
    const places = readRigCsv('Place,Zone,From front,From left,Height\nShelf,galley,3.1 m,"9 ft 2 in",\'900\n', design);
    expect(places.rows[0]).toMatchObject({ action: 'refuse', problems: [{ code: 'unread', column: 'height' }] });
    const good = readRigCsv(
      'place,zone,from front,from left,height,free behind\nShelf,galley,3.1 m,20 in,900,\nHook,,3100,600,901,45',
      design,
    );
    expect(good.rows.map(({ action }) => action)).toEqual(['add', 'add']);
    const placed = applyChange(design, good.change!);
    const shelf = recordsOf(placed, 'place').find(({ name }) => name === 'Shelf')!;
    expect(shelf).toMatchObject({ xMm: 3100, yMm: 508, zMm: 900, zoneId: 'zone_galley', depthMm: null });
    const routes = readRigCsv('route,from,to,kind,measured,inside\nUp,Shelf,Hook,conduit,"3,4 m",20', placed);
    const joined = applyChange(placed, routes.change!);
    expect(indexDesign(joined).routes.at(-1)).toMatchObject({
      name: 'Up',
      kind: 'conduit',
      measuredMm: 3400,
      insideMm: 20,
      fromId: shelf.id,
    });
  });

  test.each([
    ['place,from front\nA,1', '“from left” or “height”'],
    ['x,y\n1,2', '“place” or “route”'],
    ['place', 'at least one'],
    ['place,from front,from left,height\n"A,1,1,1', 'not closed'],
  ])('%j is refused as a whole', (text, fault) => {
    const reading = readRigCsv(text, design);
    expect(reading.faults.map(faultWords).join()).toContain(fault);
    expect(reading.change).toBeNull();
  });

  test.each([
    ['place,from front,from left,height\n,1,1,1', 'a place needs a name'],
    ['place,from front,from left,height\nA,-9 m,1,1', 'far outside any vehicle'],
    ['place,from front,from left,height,free behind\nA,1,1,1,-5', 'a length is not negative'],
    ['place,zone,from front,from left,height\nA,Attic,1,1,1', 'no zone called “Attic”'],
    ['place,from front,from left,height\nA,2300,350,1300', '“Fridge recess, left” is at that very spot'],
    ['route,from,to\nR,Nowhere,Cab console', 'no place called “Nowhere”'],
    ['route,from,to\nR,Cab console,cab console', 'both ends are the same place'],
    ['route,from,to,kind\nR,Cab console,Battery box,tube', 'kind: one of loom'],
    ['route,from,to,inside\nR,Cab console,Battery box,900', 'inside: 1 to 500 mm'],
  ])('%j: its row is left out and says why', (text, why) => {
    const reading = readRigCsv(text, design);
    expect(reading.rows[0]!.action).toBe('refuse');
    expect(reading.rows[0]!.problems.map(faultWords).join()).toContain(why);
    expect(isEmpty(reading.change!)).toBe(true);
  });
});

describe('the plan as a drawing', () => {
  test('DXF that a reference reader takes, to scale, with every place and route (dxf-parser)', () => {
    const drawing = new DxfParser().parseSync(writePlanDxf(analyse(design)))!;
    const on = (layer: string, type: string) => drawing.entities.filter((entity) => entity.layer === layer && entity.type === type);
    expect(on('PLACES', 'CIRCLE')).toHaveLength(recordsOf(design, 'place').length);
    expect(on('ROUTES', 'POLYLINE')).toHaveLength(recordsOf(design, 'route').length);
    const [body] = on('BODY', 'POLYLINE') as unknown as { vertices: { x: number; y: number }[]; shape: boolean }[];
    const xs = body!.vertices.map(({ x }) => x);
    const ys = body!.vertices.map(({ y }) => y);
    expect([Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]).toEqual([0, 6400, -2200, 0]);
    expect(body!.shape).toBe(true);
    const names = on('PLACES', 'TEXT').map((entity) => (entity as unknown as { text: string }).text);
    expect(names).toContain('Fridge recess, left');
  });

  test('SVG with names as text and nothing that runs', () => {
    const named = applyChange(design, {
      added: [],
      updated: recordsOf(design, 'place')
        .slice(0, 1)
        .map((from) => ({ from, to: { ...from, name: '<script>alert("x")</script>' } })),
      removed: [],
    });
    const svg = writePlanSvg(analyse(named));
    expect(svg).not.toContain('<script');
    expect(svg).toContain('&lt;script&gt;');
    expect(svg.match(/<circle/g)).toHaveLength(recordsOf(design, 'place').length);
    expect(svg).toContain('viewBox="-300 -300 7000 2800"');
  });
});
