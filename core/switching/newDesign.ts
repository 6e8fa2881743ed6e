import { bankShortA, mainFamilyFor, ratingFrom } from '../sizing/breaking';
import type { ConductorSize } from '../catalog/conductorSizes';
import { defaultSettings, NEW_NOMINAL_V, type FirstSettings } from '../design/defaultSettings';
import { newId } from '../design/ids';
import type { Battery, DesignRecord, FuseBlock, Protection, Settings, Wire, Zone } from '../design/schema';
import { type Chemistry, type ConductorStandard, type Vehicle } from '../catalog/vocabulary';

/** The answers a new design starts from. */
export interface NewDesign extends FirstSettings {
  zones: readonly string[];
  battery: { chemistry: Chemistry; capacityAh: number; count: number };
}

/** Zone names to offer for a kind of vehicle. */
export const USUAL_ZONES: Record<Vehicle, readonly string[]> = {
  boxBody: ['Cab', 'Galley', 'Bunk', 'Garage', 'Roof', 'Flanks', 'Engine bay'],
  panelVan: ['Cab', 'Galley', 'Bunk', 'Garage', 'Roof', 'Engine bay'],
  pickUp: ['Cab', 'Canopy', 'Rack', 'Bumper', 'Engine bay'],
  offRoader: ['Cab', 'Load area', 'Rack', 'Tailgate', 'Engine bay'],
  trailer: ['Cabin', 'Galley', 'Roof', 'Drawbar'],
  coachBuilt: ['Cab', 'Lounge', 'Galley', 'Washroom', 'Bunk', 'Roof', 'Engine bay'],
  openFrame: ['Seat', 'Hood', 'Frame', 'Rear'],
  motorcycle: ['Handlebar', 'Tank', 'Seat', 'Panniers'],
};

/** A good crimp on a tight screw, milliohm. Common practice: 0.2 to 0.5. */
const GOOD_END_MILLIOHM = 0.3;

/** A design's first records: zones, a battery with its main fuse and isolator, one fuse block, a return bus bar, and the cables between. */
export function newDesignRecords(answers: NewDesign): DesignRecord[] {
  const zones = answers.zones.map((name, order): Zone => {
    return { id: newId('zone'), type: 'zone', name, order, ...usualAir(name) };
  });
  const scenario = { id: newId('scn'), type: 'scenario' as const, name: 'A usual day', order: 0 };
  const settings: Settings = { ...defaultSettings(answers), scenarioId: scenario.id, endMilliohm: GOOD_END_MILLIOHM };
  const home = zones.find((zone) => !zone.engineSpace)?.id ?? null;
  return [settings, scenario, ...zones, ...supplyRecords(answers, home)];
}

/**
 * The hottest air a wire in a zone is reckoned with until someone has held a thermometer there, °C: 45 in a closed space in summer, 60 in
 * an engine bay and under a roof's skin, 40 outside. Common practice, on the careful side: a van parked in the sun passes 45.
 */
export function usualAir(zoneName: string): Pick<Zone, 'ambientC' | 'engineSpace'> {
  if (/engine/i.test(zoneName)) return { ambientC: 60, engineSpace: true };
  if (/roof/i.test(zoneName)) return { ambientC: 60, engineSpace: false };
  return { ambientC: OUTSIDE.test(zoneName) ? 40 : 45, engineSpace: false };
}

/** Zones with open air round them. */
const OUTSIDE = /rack|bumper|tailgate|drawbar|frame|handlebar|pannier|flank|under|rear door|outside/i;

/** The first size of each school that carries the usual main fuse of 110 A in a closed space in summer. */
const MAIN_CABLES: Record<ConductorStandard, ConductorSize> = {
  'us-small-craft': 'awg:4',
  'us-recreational': 'awg:1',
  'iso-small-craft': 'mm2:25',
  'road-vehicle': 'mm2:35',
};

function supplyRecords({ battery, standard }: NewDesign, zoneId: string | null): DesignRecord[] {
  const mainCable = MAIN_CABLES[standard];
  const bank: Battery = {
    ...{ id: newId('bat'), type: 'device', kind: 'battery', name: 'House battery', zoneId },
    ...{ chemistry: battery.chemistry, capacityAh: battery.capacityAh, rateH: 20, count: battery.count },
    ...{ usableDepthPercent: null, peukertExponent: null },
  };
  const family = mainFamilyFor(bankShortA(bank), NEW_NOMINAL_V);
  const main: Protection = {
    ...{ id: newId('fuse'), type: 'device', kind: 'protection', name: 'Main fuse', zoneId },
    ...{ family, ratingA: ratingFrom(family, 100), mount: null },
  };
  const block: FuseBlock = {
    ...{ id: newId('block'), type: 'device', kind: 'fuseBlock', name: 'Fuse block', zoneId },
    ...{ slots: 12, slotMaxA: 30, blockMaxA: 100 },
  };
  const isolator: DesignRecord = { id: newId('iso'), type: 'device', kind: 'isolator', name: 'Battery isolator', zoneId, ratingA: 300 };
  const bar: DesignRecord = { id: newId('bar'), type: 'device', kind: 'busBar', name: 'Return bus bar', zoneId, ratingA: 150 };
  const wire = (role: Wire['role'], from: [string, string], to: [string, string], lengthMm: number): Wire => ({
    ...{ id: newId('wire'), type: 'wire', role, lengthMm, lengthMeasured: false, conductor: mainCable },
    from: { deviceId: from[0], terminal: from[1] },
    to: { deviceId: to[0], terminal: to[1] },
  });
  return [
    bank,
    main,
    isolator,
    block,
    bar,
    wire('supply', [bank.id, 'plus'], [main.id, 'in'], 150),
    wire('supply', [main.id, 'out'], [isolator.id, 'in'], 150),
    wire('supply', [isolator.id, 'out'], [block.id, 'in'], 1000),
    wire('return', [bar.id, 'bar'], [bank.id, 'minus'], 1000),
  ];
}
