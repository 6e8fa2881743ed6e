import { CATALOG_LOADS } from '../core/devices/usualLoads';
import { CONDUCTOR_SIZES } from '../core/catalog/conductorSizes';
import { applyChange } from '../core/design/change';
import { makeDesign, recordsOf, type Design } from '../core/design/design';
import { PARTS } from '../core/devices/parts';
import { Edit } from '../core/design/edit';
import { newDesignRecords } from '../core/switching/newDesign';
import type { FuseBlock, Load, Protection } from '../core/design/schema';
import { CHEMISTRIES, CONDUCTOR_STANDARDS } from '../core/catalog/vocabulary';
import { straightRoute } from '../core/rig/straightRoute';
import { addFunction } from '../core/switching/lampFunctions';
import { attachLoad } from '../core/switching/loadWires';
import { addCircuit } from '../core/switching/schemes';
import { usualScheme } from '../core/switching/usualScheme';
import { addVehicleCircuit } from '../core/switching/vehicleCircuit';
import { addWire } from '../core/switching/wires';
import { newLoad } from '../core/switching/newLoad';
import { putIntoRun, stretchOf, trace } from '../core/switching/partsByHand';
import { seeded } from './random';

/** What a random design turned out to have, so that a test can say what it met. */
export type Feature =
  | 'laidOut'
  | 'secondBlock'
  | 'huge'
  | 'loose'
  | 'unfed'
  | 'exclusive'
  | 'chassis'
  | 'thin'
  | 'overfused'
  | 'sheathed'
  | '24V'
  | 'parts'
  | 'functions'
  | 'tap'
  | 'secondFeed'
  | 'twoWaysHome';

export interface RandomDesign {
  design: Design;
  features: Set<Feature>;
}

/**
 * A made-up design from a seed: a battery, a block or two, some loads with circuits and some without, sizes and fuses as a person in a
 * hurry might have put them in, with and without a vehicle laid out.
 */
export function randomDesign(seed: number): RandomDesign {
  const random = seeded(seed);
  const chance = (share: number) => random() < share;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const features = new Set<Feature>();
  const standard = pick(CONDUCTOR_STANDARDS);
  const records = newDesignRecords({
    ...{ name: `Random ${seed}`, vehicle: 'panelVan', zones: ['Cab', 'Galley', 'Rear', 'Engine bay'] },
    battery: { chemistry: pick(CHEMISTRIES), capacityAh: pick([60, 100, 200]), count: pick([1, 1, 2]) },
    ...{ units: 'metric', standard, defaultReturn: chance(0.8) ? 'dedicated' : 'chassis' },
  });
  const edit = new Edit(makeDesign(records));
  const zones = records.filter(({ type }) => type === 'zone').map(({ id }) => id);
  if (chance(0.2)) {
    edit.set('settings', { nominalV: 24 });
    features.add('24V');
  }
  if (chance(0.5)) {
    edit.set('settings', { cableForm: 'sheathed' });
    features.add('sheathed');
  }
  const blocks = records.filter((record): record is FuseBlock => record.type === 'device' && record.kind === 'fuseBlock');
  const bar = records.find((record) => record.type === 'device' && record.kind === 'busBar')!;
  const places = chance(0.5) ? layVehicle(edit, random, zones) : [];
  if (places.length > 0) {
    features.add('laidOut');
    for (const record of records) if (record.type === 'device') edit.set(record, { placeId: places[0]! });
    for (const record of records) if (record.type === 'wire') edit.set(record, { lengthMeasured: true });
  }
  if (chance(0.4)) {
    features.add('secondBlock');
    blocks.push(rearBlock(edit, blocks[0]!, bar.id, pick, places.at(-1) ?? null, zones[2]!));
  }
  const count = 2 + Math.floor(random() * 7);
  for (let at = 0; at < count; at++) {
    const usual = pick(CATALOG_LOADS);
    const huge = chance(0.08);
    if (huge) features.add('huge');
    const exclusive = chance(0.15);
    if (exclusive) features.add('exclusive');
    const load = edit.add<Load>({
      ...newLoad(`${usual.name} ${at}`, pick(zones)),
      ...usual.more,
      rated: huge ? { kind: 'watts', watts: pick([500, 900, 1800]), atV: 12 } : usual.rated,
      behaviour: usual.behaviour,
      continuous: usual.continuous,
      quantity: huge ? 1 : pick([1, 1, 1, 2, 4]),
      exclusiveGroup: exclusive ? 'one of two' : null,
      ...(places.length > 0 && chance(0.8) ? { placeId: pick(places) } : {}),
    });
    if (chance(0.4)) {
      features.add('loose');
      continue;
    }
    const scheme = usualScheme(edit.design, load.name, load.zoneId);
    const unfed = chance(0.1);
    if (unfed) features.add('unfed');
    const thin = chance(0.3);
    if (thin) features.add('thin');
    const ratingA = pick([3, 5, 10, 15, 20, 30]);
    if (ratingA >= 20 && thin) features.add('overfused');
    const kind = chance(0.15) ? 'chassis' : 'dedicated';
    if (kind === 'chassis') features.add('chassis');
    addCircuit(edit, {
      ...scheme,
      ratingA,
      conductor: thin ? pick(CONDUCTOR_SIZES.filter((size) => size.startsWith(scheme.conductor.slice(0, 3)))) : scheme.conductor,
      feedMm: pick([500, 2000, 4000, 7000]),
      mount: unfed ? null : scheme.mount,
      return: kind,
      loadIds: [load.id],
    });
  }
  let { design } = edit;
  // Last, so that what a seed gave before it gives still.
  for (let parts = chance(0.4) ? 1 + Math.floor(random() * 3) : 0; parts > 0; parts--) {
    const traced = trace(design);
    const wires = recordsOf(design, 'wire').filter(({ id }) => stretchOf(traced, id) !== null);
    const put = putIntoRun(design, pick(wires).id, pick(WIRED_PARTS), Math.floor(random() * 2000));
    if (!put) continue;
    design = applyChange(design, put.change);
    features.add('parts');
  }
  // Last again: lamps with a second colour, on a circuit of its own, on the first one's or on another's.
  for (let more = chance(0.4) ? 1 + Math.floor(random() * 3) : 0; more > 0; more--) {
    const lamp = pick(recordsOf(design, 'device').filter(({ kind }) => kind === 'load'));
    const added = addFunction(design, lamp.id, chance(0.7) ? 'minus' : 'plus');
    if (!added) continue;
    const colour = new Edit(applyChange(design, added.change));
    colour.set(added.loadId, { rated: { kind: 'watts', watts: pick([3, 10, 24, 60]), atV: 12 } });
    const circuits = recordsOf(design, 'circuit');
    if (circuits.length > 0 && chance(0.6)) attachLoad(colour, added.loadId, pick(circuits).id);
    else if (chance(0.7)) addCircuit(colour, { ...usualScheme(colour.design, 'Second colour', lamp.zoneId), loadIds: [added.loadId] });
    design = colour.design;
    features.add('functions');
  }
  // And a circuit taken from the vehicle's own wiring.
  if (chance(0.3)) {
    const source = {
      signal: 'accessory',
      from: pick(['slot', 'wire'] as const),
      serves: 'radio',
      ...(chance(0.7) && { ownFuseA: 15, drawnA: 3 }),
    } as const;
    const tap = addVehicleCircuit(design, 'Tap', pick(zones), source, pick([2, 5, 10]));
    const onTap = new Edit(applyChange(design, tap.change));
    const load = onTap.add({ ...newLoad('On the tap', pick(zones)), rated: { kind: 'watts', watts: pick([6, 24, 90]), atV: 12 } });
    attachLoad(onTap, load.id, tap.circuitId);
    design = onTap.design;
    features.add('tap');
  }
  // And a load that a second fuse feeds, said to be so or not, with a contact in the way or not; and one that goes home by a second wire.
  const fed = recordsOf(design, 'device').filter(
    (device): device is Load => device.kind === 'load' && !device.partOf && device.quantity === 1,
  );
  const circuits = recordsOf(design, 'circuit');
  if (chance(0.25) && fed.length > 0 && circuits.length > 1) {
    const twice = new Edit(design);
    const load = pick(fed);
    if (chance(0.7)) twice.set(load, { fedTwice: true });
    const from = { deviceId: pick(circuits).protectionId, terminal: 'out' };
    const wire = addWire(twice, 'supply', from, { deviceId: load.id, terminal: 'plus' }, pick([1000, 4000]), pick(['mm2:1', 'mm2:2.5']));
    design = twice.design;
    const put = chance(0.5)
      ? putIntoRun(
          design,
          wire.id,
          PARTS.find(({ id }) => id === 'switch')!,
          500,
        )
      : null;
    if (put) design = applyChange(design, put.change);
    features.add('secondFeed');
  }
  if (chance(0.25) && fed.length > 1) {
    const home = new Edit(design);
    const [one, other] = [pick(fed), pick(fed)];
    const to = one.id === other.id || chance(0.5) ? { deviceId: bar.id, terminal: 'bar' } : { deviceId: other.id, terminal: 'minus' };
    addWire(home, 'return', { deviceId: one.id, terminal: 'minus' }, to, pick([1000, 5000]), pick(['mm2:1', 'mm2:2.5']));
    design = home.design;
    features.add('twoWaysHome');
  }
  return { design, features };
}

/** Parts that come wired and cost no more than a contact does: put anywhere, they work. */
const WIRED_PARTS = PARTS.filter(({ id }) =>
  [
    'switch',
    'pilotSwitch',
    'pushButton',
    'doublePole',
    'splice',
    'plug',
    'motion',
    'door',
    'roller',
    'plunger',
    'receiver',
    'dimmer',
    'busBar',
    'shunt',
  ].includes(id),
);

function layVehicle(edit: Edit, random: () => number, zones: readonly string[]): string[] {
  const ids: string[] = [];
  for (let at = 0; at < 5; at++) {
    const id = `pl_${at}`;
    edit.add({
      ...{ id, type: 'place', name: `Place ${at}`, zoneId: zones[at % 3]!, xMm: 800 + at * 1000, yMm: 400 + Math.floor(random() * 1200) },
      ...{ zMm: 600 + Math.floor(random() * 1200), depthMm: null, behind: '' },
    });
    if (at > 0) edit.add({ ...straightRoute(ids[at - 1]!, id), id: `rt_${at}`, name: `Stretch ${at}` });
    ids.push(id);
  }
  return ids;
}

/** A block at the back, fed through a fuse of its own from the first one's inlet. */
function rearBlock(
  edit: Edit,
  home: FuseBlock,
  barId: string,
  pick: <T>(list: readonly T[]) => T,
  placeId: string | null,
  zoneId: string,
): FuseBlock {
  const at = { type: 'device' as const, zoneId, ...(placeId ? { placeId } : {}) };
  const block = edit.add<FuseBlock>({
    ...at,
    id: 'block_rear',
    kind: 'fuseBlock',
    name: 'Rear block',
    slots: 6,
    slotMaxA: 30,
    blockMaxA: 60,
  });
  edit.add({ ...at, id: 'bar_rear', kind: 'busBar', name: 'Rear return bar', ratingA: 100 });
  const feeder = edit.add<Protection>({
    ...{ id: 'fuse_rear', type: 'device', kind: 'protection', name: 'Rear feed fuse', zoneId: home.zoneId },
    ...{ family: 'terminalMount', ratingA: pick([30, 50, 60]), mount: null },
  });
  const size = pick(['mm2:6', 'mm2:16', 'mm2:25'] as const);
  const lead = addWire(edit, 'supply', { deviceId: home.id, terminal: 'in' }, { deviceId: feeder.id, terminal: 'in' }, 150, 'mm2:25');
  edit.set(lead, { lengthMeasured: true });
  addWire(edit, 'supply', { deviceId: feeder.id, terminal: 'out' }, { deviceId: block.id, terminal: 'in' }, 4000, size);
  addWire(edit, 'return', { deviceId: 'bar_rear', terminal: 'bar' }, { deviceId: barId, terminal: 'bar' }, 4000, size);
  return block;
}
