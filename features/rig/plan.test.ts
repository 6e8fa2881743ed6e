import { heron } from '@/demo/heron';
import { analyse } from '@/core/analysis/analyse';
import { guessedWidth, placeLabels } from './labels';
import { routeTone, vineWidth, zoneLook } from './look';
import { NO_PAN, project } from './projection';
import { zoneNames } from './zoneNames';

const analysis = analyse(heron());
const { layout, places, zones } = analysis.index;

describe('the drawing is to scale', () => {
  test.each(['plan', 'side'] as const)('%s: a point goes to the screen and back, at any zoom', (view) => {
    for (const pan of [NO_PAN, { k: 3.2, x: -400, y: -120 }]) {
      const projection = project(layout.rig, view, 728, 310, pan);
      for (const place of places) {
        const { x, y } = projection.at(place);
        const back = projection.back(x, y, place);
        for (const axis of ['xMm', 'yMm', 'zMm'] as const) expect(Math.abs(back[axis] - place[axis])).toBeLessThanOrEqual(5);
      }
      expect(projection.x(1000) - projection.x(0)).toBeCloseTo(projection.px(1000), 9);
    }
  });

  test('the whole vehicle fits the window', () => {
    const plan = project(layout.rig, 'plan', 728, 310, NO_PAN);
    expect(plan.x(0)).toBeGreaterThan(0);
    expect(plan.x(layout.rig.lengthMm)).toBeLessThan(728);
    const side = project(layout.rig, 'side', 728, 310, NO_PAN);
    expect(side.y(layout.rig.heightMm)).toBeGreaterThan(0);
    expect(side.y(0)).toBeLessThan(310);
    expect(side.y(0)).toBeGreaterThan(side.y(1000));
  });
});

test('no name covers another, a mark or what is kept free; what must be written is', () => {
  const projection = project(layout.rig, 'plan', 728, 310, NO_PAN);
  const wanted = places.map((place, at) => ({ id: place.id, text: place.name, ...projection.at(place), rank: at === 3 ? 2 : 0 }));
  const kept = [{ left: 0, right: 728, top: 0, bottom: 60 }];
  const labels = placeLabels(wanted, { width: 728, height: 310 }, kept, guessedWidth);
  expect(labels.has(wanted[3]!.id)).toBe(true);
  const boxes = Array.from(labels.values())
    .filter(({ id }) => id !== wanted[3]!.id)
    .map(({ id, x, y, anchor }) => {
      const long = wanted.find((other) => other.id === id)!.text.length * 6.6;
      const left = anchor === 'start' ? x : anchor === 'end' ? x - long : x - long / 2;
      return { left, right: left + long, top: y - 11, bottom: y };
    });
  for (const [at, box] of boxes.entries()) {
    for (const other of [...boxes.slice(at + 1), ...kept]) {
      const apart = box.right <= other.left || other.right <= box.left || box.bottom <= other.top || other.bottom <= box.top;
      expect(apart).toBe(true);
    }
  }
});

test('zones’ own names cover no other and none leaves the drawing, in both views of the demo', () => {
  for (const view of ['plan', 'side'] as const) {
    const room = { width: 728, height: 310 };
    const names = zoneNames(zones, project(layout.rig, view, room.width, room.height, NO_PAN), 'bundles', room, guessedWidth);
    const boxes = Array.from(names.values(), ({ box }) => box);
    expect(boxes.length).toBeGreaterThan(6);
    for (const [at, box] of boxes.entries()) {
      expect(box.left >= 0 && box.right <= room.width && box.top >= 0 && box.bottom <= room.height).toBe(true);
      for (const other of boxes.slice(at + 1))
        expect(box.right <= other.left || other.right <= box.left || box.bottom <= other.top || other.bottom <= box.top).toBe(true);
    }
  }
});

test('a zone says in words what its tint says', () => {
  const engine = zones.find(({ name }) => name === 'Engine bay')!;
  const locker = zones.find(({ name }) => name === 'Wet locker')!;
  const galley = zones.find(({ name }) => name === 'Galley')!;
  expect(zoneLook(engine, 'heat', analysis)).toEqual({ tint: 'hot', words: '60 °C' });
  expect(zoneLook(locker, 'wet', analysis)).toEqual({ tint: 'wet', words: 'wet' });
  expect(zoneLook(galley, 'drop', analysis)).toMatchObject({ tint: 'hot', words: expect.stringMatching(/%$/) });
});

test('a route is as thick as its bundle, and toned by the layer', () => {
  expect([0, 6, 12].map(vineWidth)).toEqual([...[0, 6, 12].map(vineWidth)].sort((a, b) => a - b));
  const own = (name: string) => analysis.index.routes.find((route) => route.name === name)!;
  expect(routeTone(own('Across the grille'), 'bundles', analysis, new Set())).toBe('empty');
  expect(routeTone(own('Wing, right'), 'heat', analysis, new Set())).toBe('hot');
  expect(routeTone(own('Into the wet locker'), 'wet', analysis, new Set())).toBe('wet');
  expect(routeTone({ ...own('Wing, right'), closed: true }, 'bundles', analysis, new Set())).toBe('closed');
  expect(routeTone(own('Wing, right'), 'circuit', analysis, new Set())).toBe('faded');
});
