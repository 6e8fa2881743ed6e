import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { applyChange, invertChange } from '../design/change';
import { makeDesign, recordOf, recordsOf, type Design } from '../design/design';
import { indexDesign } from './designIndex';
import { newDesignRecords, USUAL_ZONES } from '../switching/newDesign';
import { DesignError } from '../design/problems';
import { checkReferences } from '../design/references';
import { VEHICLES } from '../catalog/vocabulary';
import { withBend } from './bend';
import { BODIES, bodyOutline, sideOutline } from './bodies';
import {
  addPlace,
  avoidRoute,
  beginRig,
  joinPlaces,
  measureRoute,
  putDevices,
  removePlace,
  removeRoute,
  setKeepClear,
  setRig,
  setPlace,
  setVia,
  setZonePlan,
} from './edits';
import { isInRoom } from './clearance';
import { isInside } from './geometry';
import { measuringOrder } from './measuringRun';
import { returnOptions } from './returnChoice';
import { routeLength } from './routeLength';

const design = heron();
const why = (run: () => unknown): string => {
  try {
    run();
  } catch (error) {
    if (error instanceof DesignError) return error.problems.map(({ code, other }) => `${code} ${other}`).join();
    throw error;
  }
  return '';
};
const fresh = (): Design =>
  makeDesign(
    newDesignRecords({
      ...{ name: 'New', vehicle: 'panelVan', zones: USUAL_ZONES.panelVan, units: 'metric', standard: 'iso-small-craft' },
      ...{ battery: { chemistry: 'agm', capacityAh: 100, count: 1 }, defaultReturn: 'dedicated' },
    }),
  );

test('a vehicle begun has a place in every zone, each reached from every other', () => {
  const bare = fresh();
  const begun = applyChange(bare, beginRig(bare, 'panelVan'));
  const { places, zones, layout } = indexDesign(begun);
  expect(places.map(({ zoneId }) => zoneId)).toEqual(zones.map(({ id }) => id));
  expect(layout.routes.size).toBe(zones.length - 1);
  expect(recordsOf(begun, 'zone').every(({ plan }) => plan)).toBe(true);
  expect(checkReferences(begun)).toEqual([]);
});

test('zones of a vehicle begun lie where their names and the body say: engine in front of the cab, roof on top, garage at the back', () => {
  const bare = fresh();
  const begun = applyChange(bare, beginRig(bare, 'panelVan'));
  const { zones, layout } = indexDesign(begun);
  const plan = (name: string) => zones.find((zone) => zone.name === name)!.plan!;
  expect(plan('Engine bay').xMm + plan('Engine bay').lengthMm).toBeLessThanOrEqual(plan('Cab').xMm);
  expect(plan('Roof').lowMm).toBeGreaterThanOrEqual(plan('Galley').highMm);
  expect(plan('Garage').xMm + plan('Garage').lengthMm).toBe(layout.rig.lengthMm);
  expect(plan('Galley').xMm).toBeLessThan(plan('Bunk').xMm);
  expect(
    Array.from(layout.places.values()).every((place) => isInside(place, bodyOutline(layout.rig)) && place.zMm <= layout.rig.heightMm),
  ).toBe(true);
});

test('what was suggested follows a changed length, what a hand moved stays', () => {
  const bare = fresh();
  const begun = applyChange(bare, beginRig(bare, 'panelVan'));
  const [first, second] = recordsOf(begun, 'place');
  const moved = applyChange(begun, setPlace(begun, first!.id, { xMm: 123 }));
  const longer = applyChange(moved, setRig(moved, { lengthMm: 7000 }));
  const garage = recordsOf(longer, 'zone').find(({ name }) => name === 'Garage')!.plan!;
  expect(garage.xMm + garage.lengthMm).toBe(7000);
  expect(recordOf(longer, first!.id, 'place')!.xMm).toBe(123);
  expect(recordOf(longer, second!.id, 'place')!.xMm).toBe(Math.round((second!.xMm / 6000) * 7000));
});

test('ground or room with its bottom above its top is refused', () => {
  const [zone] = recordsOf(design, 'zone').filter(({ plan }) => plan);
  expect(why(() => setZonePlan(design, zone!.id, { ...zone!.plan!, lowMm: 2000, highMm: 1000 }))).toMatch(/^upsideDown/);
  const [room] = recordsOf(design, 'keepClear');
  expect(why(() => setKeepClear(design, room!.id, { lowMm: room!.highMm + 1 }))).toMatch(/^upsideDown/);
});

test('a place is added to the zone under it, and refused where one is', () => {
  const added = addPlace(design, { xMm: 2600, yMm: 1000, zMm: 900 });
  expect(recordsOf(applyChange(design, added.change), 'place').find(({ id }) => id === added.id)!.zoneId).toBe('zone_galley');
  const { xMm, yMm, zMm } = recordsOf(design, 'place').find(({ id }) => id === 'pl_pump')!;
  expect(why(() => addPlace(design, { xMm, yMm, zMm }))).toBe('sameSpot Pump bay under the sink');
  expect(why(() => setPlace(design, 'pl_fridge', { xMm, yMm, zMm }))).toMatch(/^sameSpot /);
});

test('a place taken out takes its routes along, leaves its devices nowhere, and comes back whole', () => {
  const change = removePlace(design, 'pl_hblock');
  const without = applyChange(design, change);
  expect(checkReferences(without)).toEqual([]);
  expect(recordsOf(without, 'route').some(({ fromId, toId }) => fromId === 'pl_hblock' || toId === 'pl_hblock')).toBe(false);
  expect(indexDesign(without).devices.get('block_hide')!.placeId).toBeNull();
  const back = applyChange(without, invertChange(change));
  expect(new Set(back.records.values())).toEqual(new Set(design.records.values()));
});

test('things put at a place take its zone, and a place moved to another zone takes them along', () => {
  const put = applyChange(design, putDevices(design, ['bar_hide'], 'pl_camera'));
  expect(indexDesign(put).devices.get('bar_hide')).toMatchObject({ placeId: 'pl_camera', zoneId: 'zone_hide' });
  const moved = applyChange(put, setPlace(put, 'pl_camera', { zoneId: 'zone_locker' }));
  expect(indexDesign(moved).devices.get('bar_hide')!.zoneId).toBe('zone_locker');
});

test('two places are joined once', () => {
  const joined = joinPlaces(design, 'pl_fridge', 'pl_cabwall');
  expect(recordsOf(applyChange(design, joined.change), 'route').find(({ id }) => id === joined.id)!.name).toBe(
    'Fridge recess, left to Cab bulkhead, right',
  );
  expect(why(() => joinPlaces(design, 'pl_panel', 'pl_fblock'))).toMatch(/^routeTwice /);
});

test('a wire kept off a stretch takes the next shortest way, and off a second one keeps off the first', () => {
  const index = indexDesign(design);
  const wire = index.wires.find(({ id }) => index.layout.runs.get(id)?.routeIds?.length === 4)!;
  const nameOf = (id: string) => index.layout.routes.get(id)!.route.name;
  const first = index.layout.runs.get(wire.id)!.routeIds!.map(nameOf);
  const tried: string[] = [];
  let now = design;
  for (let at = 0; at < 2; at++) {
    const run = indexDesign(now).layout.runs.get(wire.id)!;
    const off = run.routeIds!.find((id) => why(() => avoidRoute(now, wire.id, id)) === '');
    if (!off) break;
    tried.push(nameOf(off));
    now = applyChange(now, avoidRoute(now, wire.id, off));
    const taken = indexDesign(now).layout.runs.get(wire.id)!;
    expect(taken.byHand).toBe(true);
    expect(taken.routeIds!.map(nameOf)).not.toContain(nameOf(off));
    expect(taken.routedMm).toBeGreaterThanOrEqual(run.routedMm);
  }
  expect(tried.length).toBeGreaterThan(0);
  const again = applyChange(now, setVia(now, wire.id, null));
  expect(indexDesign(again).layout.runs.get(wire.id)!.routeIds!.map(nameOf)).toEqual(first);
  const only = index.wires.find(({ id }) => index.layout.runs.get(id)?.routeIds?.map(nameOf).includes('Right wall gland'))!;
  const gland = index.layout.runs.get(only.id)!.routeIds!.find((id) => nameOf(id) === 'Right wall gland')!;
  expect(why(() => avoidRoute(design, only.id, gland))).toMatch(/^noOtherWay/);
});

test('a route taken out frees the wires that were sent over it', () => {
  const index = indexDesign(design);
  const [wireId, run] = Array.from(index.layout.runs).find(([, { routeIds }]) => routeIds && routeIds.length > 1)!;
  const sent = applyChange(design, setVia(design, wireId, [...run.routeIds!]));
  const without = applyChange(sent, removeRoute(sent, run.routeIds![0]!));
  expect(checkReferences(without)).toEqual([]);
  expect(indexDesign(without).wires.find(({ id }) => id === wireId)!.via).toBeNull();
});

test('a zone outside the vehicle is refused with how far, and nothing is changed', () => {
  const plan = { xMm: 9000, yMm: 0, lengthMm: 500, widthMm: 500, lowMm: 0, highMm: 1000 };
  expect(why(() => setZonePlan(design, 'zone_galley', plan))).toBe('pastVehicle 3100');
});

test('a stretch measured has its date, and forgotten has none', () => {
  const [route] = recordsOf(design, 'route');
  const measured = applyChange(design, measureRoute(design, route!.id, 1234, '2026-05-02'));
  expect(measured.records.get(route!.id)).toMatchObject({ measuredMm: 1234, measuredOn: '2026-05-02' });
  expect(applyChange(measured, measureRoute(measured, route!.id, null, '2026-05-03')).records.get(route!.id)).toMatchObject({
    measuredMm: null,
    measuredOn: null,
  });
});

test.each(VEHICLES)('the outline of a %s fills its size and closes round its middle', (body) => {
  const size = { body, outline: null, ...BODIES[body].usualMm };
  const outline = bodyOutline(size);
  const reach = (axis: 'xMm' | 'yMm') => [
    Math.min(...outline.map((point) => point[axis])),
    Math.max(...outline.map((point) => point[axis])),
  ];
  expect(reach('xMm')).toEqual([0, size.lengthMm]);
  expect(reach('yMm')).toEqual([0, size.widthMm]);
  expect(isInside({ xMm: size.lengthMm * 0.7, yMm: size.widthMm / 2 }, outline)).toBe(true);
  const side = sideOutline(size);
  expect(Math.max(...side.map(({ zMm }) => zMm))).toBe(size.heightMm);
  expect(side.every(({ xMm, zMm }) => xMm >= 0 && xMm <= size.lengthMm && zMm >= 0)).toBe(true);
});

test('angles run clockwise from straight back, over the turn too', () => {
  const room = { id: 'k', type: 'keepClear', name: 'Arm', kind: 'sweep', xMm: 0, yMm: 0, reachMm: 1000, lowMm: 0, highMm: 100 } as const;
  const at = (deg: number) => ({ xMm: 900 * Math.cos((deg * Math.PI) / 180), yMm: 900 * Math.sin((deg * Math.PI) / 180), zMm: 50 });
  const swept = (fromDeg: number, toDeg: number) =>
    [0, 45, 90, 180, 270, 315].filter((deg) => isInRoom(at(deg), undefined, { ...room, fromDeg, toDeg }));
  expect(swept(0, 90)).toEqual([0, 45, 90]);
  expect(swept(-90, 0)).toEqual([0, 270, 315]);
  expect(swept(300, 400)).toEqual([0, 315]);
  expect(swept(0, 360)).toHaveLength(6);
});

test('stretches to measure come each once, on from where the last one ended where that goes', () => {
  const index = indexDesign(design);
  const order = measuringOrder(index);
  expect(new Set(order.map(({ route }) => route.id)).size).toBe(index.routes.length);
  const joined = order.slice(1).filter(({ route }, at) => {
    const before = order[at]!.route;
    return [route.fromId, route.toId].some((id) => id === before.fromId || id === before.toId);
  });
  expect(joined.length / order.length).toBeGreaterThan(0.6);
  expect(order[0]!.route.name).toBe('Across the grille');
});

test('from where a stretch ends one goes on, whichever way round it is written', () => {
  const places = [0, 1000, 2000, -900].map((xMm, at) => ({ id: `p${at}`, xMm: Math.abs(xMm), yMm: Math.min(0, xMm), zMm: 0 }));
  const routes = [['p1', 'p0'], ['p3', 'p0'], ['p1', 'p2']].map(([fromId, toId], at) => ({ route: { id: `r${at}`, fromId, toId } })); // prettier-ignore
  const layout = {
    routes: new Map(routes.map((laid) => [laid.route.id, laid])),
    places: new Map(places.map((place) => [place.id, place])),
  };
  const order = measuringOrder({ layout, places } as unknown as Parameters<typeof measuringOrder>[0]);
  expect(order.map(({ route }) => route.id)).toEqual(['r0', 'r2', 'r1']);
});

test('ways back are told nearest first, chassis joints with their resistance', () => {
  const options = returnOptions(indexDesign(design), 'pl_camera');
  const lengths = options.map(({ lengthMm }) => lengthMm!);
  expect(lengths).toEqual([...lengths].sort((a, b) => a - b));
  expect(options.find(({ kind }) => kind === 'chassis')!.jointMilliohm).toBeGreaterThan(0);
  expect(new Set(options.map(({ kind }) => kind))).toEqual(new Set(['busBar', 'chassis', 'battery']));
});

test('an edit of the vehicle leaves everything else of the analysis as it was', () => {
  const before = analyse(design);
  const renamed = analyse(applyChange(design, setPlace(design, 'pl_camera', { name: 'Lens shelf' })), before);
  expect(renamed.totals).toEqual(before.totals);
  expect(renamed.circuits).toEqual(before.circuits);
});

test('a bend goes into the longest leg, and makes the stretch no longer until it is moved', () => {
  const { route, from, to, length } = indexDesign(design).layout.routes.values().next().value!;
  const once = withBend(route, from, to);
  const twice = withBend({ ...route, bends: once }, from, to);
  expect([once.length, twice.length]).toEqual([1, 2]);
  const planned = routeLength({ ...route, bends: twice }, from, to, indexDesign(design).layout.rig).plannedMm!;
  expect(Math.abs(planned - length.plannedMm!)).toBeLessThan(3);
});
