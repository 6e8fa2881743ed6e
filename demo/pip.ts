import type { ConductorSize } from '../core/catalog/conductorSizes';
import type { Design } from '../core/design/design';
import { defaultSettings } from '../core/design/defaultSettings';
import type { DesignRecord, Wire } from '../core/design/schema';
import { liveDemo } from './energyBuilder';
import { PIP_ENERGY } from './pipEnergy';
import { logged, PIP_YEAR } from './logbook';
import { panelled, type DemoPanel } from './panels';
import { PIP_RIG } from './pipRig';
import { layDemo } from './rigBuilder';
import { buildDemo, watts, type DemoCircuit } from './builder';

/** Pip: a made-up teardrop trailer with six circuits, the small first-time case. Nothing is wrong with it. */
export function pip(): Design {
  return logged(panelled(liveDemo(layDemo(buildDemo(base(), circuits), PIP_RIG), PIP_ENERGY), [GALLEY_PANEL]), PIP_YEAR);
}

const CAMP = 'scn_camp';

const GALLEY_PANEL: DemoPanel = {
  ...{ id: 'pan_galley', name: 'Galley switches', use: 'panel', columns: 3, rows: 1, placeId: 'pl_gpanel' },
  seats: [['Galley light switch', 'Light'], ['Water pump switch', 'Pump'], null],
};

function base(): DesignRecord[] {
  const answers = { name: 'Pip', vehicle: 'trailer', units: 'us', standard: 'us-small-craft', defaultReturn: 'dedicated' } as const;
  const wire = (id: string, role: Wire['role'], from: [string, string], to: [string, string], lengthMm: number): Wire => ({
    ...{ id, type: 'wire', role, lengthMm, lengthMeasured: id === 'wire_lead', conductor: 'awg:6' as ConductorSize },
    from: { deviceId: from[0], terminal: from[1] },
    to: { deviceId: to[0], terminal: to[1] },
  });
  const at = (id: string, name: string, zoneId: string) => ({ id, type: 'device' as const, name, zoneId });
  return [
    { ...defaultSettings(answers), scenarioId: CAMP, wantedRuntimeH: 30 },
    { id: CAMP, type: 'scenario', name: 'Two nights at camp', order: 0 },
    { id: 'zone_cabin', type: 'zone', name: 'Cabin', order: 0, ambientC: 30, engineSpace: false },
    { id: 'zone_galley', type: 'zone', name: 'Rear galley', order: 1, ambientC: 30, engineSpace: false },
    { id: 'zone_nose', type: 'zone', name: 'Nose box', order: 2, ambientC: 35, engineSpace: false },
    {
      ...at('bat_house', 'House battery', 'zone_nose'),
      ...{
        kind: 'battery',
        chemistry: 'agm',
        capacityAh: 80,
        rateH: 20,
        count: 1,
        usableDepthPercent: null,
        peukertExponent: null,
        internalMilliohm: 5,
        heldDown: true,
        stud: 'M6',
      },
    },
    { ...at('fuse_main', 'Main fuse', 'zone_nose'), kind: 'protection', family: 'terminalMount', ratingA: 50, mount: null, stud: 'M6' },
    { ...at('block', 'Fuse block', 'zone_cabin'), kind: 'fuseBlock', slots: 8, slotMaxA: 30, blockMaxA: 60 },
    { ...at('bar', 'Return bar', 'zone_cabin'), kind: 'busBar', ratingA: 100, stud: 'M6' },
    wire('wire_lead', 'supply', ['bat_house', 'plus'], ['fuse_main', 'in'], 150),
    { ...at('iso_main', 'Battery isolator', 'zone_nose'), kind: 'isolator', ratingA: 100, stud: 'M8' },
    wire('wire_main', 'supply', ['fuse_main', 'out'], ['iso_main', 'in'], 150),
    wire('wire_feed', 'supply', ['iso_main', 'out'], ['block', 'in'], 1300),
    wire('wire_minus', 'return', ['bar', 'bar'], ['bat_house', 'minus'], 1400),
  ];
}

const inBlock = { block: 'block' };

const circuits: DemoCircuit[] = [
  {
    ...{ name: 'Cabin lights', zone: 'zone_cabin', ...inBlock, slot: 1, ratingA: 3, conductor: 'awg:16', feedMm: 900, critical: true },
    switched: { ratingA: 10, onwardMm: 1200 },
    loads: [{ name: 'Cabin puck', zone: 'zone_cabin', quantity: 4, spacingMm: 600, rated: watts(3), use: { [CAMP]: 3 } }],
  },
  {
    ...{ name: 'Reading lights', zone: 'zone_cabin', ...inBlock, slot: 2, ratingA: 2, conductor: 'awg:16', feedMm: 1800, critical: true },
    loads: [
      {
        name: 'Reading light',
        behaviour: 'ledConstantCurrent',
        zone: 'zone_cabin',
        quantity: 2,
        spacingMm: 900,
        rated: watts(2),
        use: { [CAMP]: 2 },
      },
    ],
  },
  {
    ...{ name: 'Roof fan', zone: 'zone_cabin', ...inBlock, slot: 3, ratingA: 5, conductor: 'awg:16', feedMm: 2200 },
    loads: [{ name: 'Roof fan', behaviour: 'motor', zone: 'zone_cabin', rated: watts(24), use: { [CAMP]: [8, 50] } }],
  },
  {
    ...{ name: 'Cabin sockets', zone: 'zone_cabin', ...inBlock, slot: 4, ratingA: 7.5, conductor: 'awg:14', feedMm: 1500 },
    loads: [
      {
        name: 'USB pair',
        behaviour: 'converter',
        standbyA: 0.02,
        zone: 'zone_cabin',
        quantity: 2,
        spacingMm: 1200,
        rated: watts(28),
        continuous: true,
        use: { [CAMP]: [3, 50] },
      },
    ],
  },
  {
    ...{ name: 'Galley light', zone: 'zone_galley', ...inBlock, slot: 5, ratingA: 2, conductor: 'awg:14', feedMm: 2600, critical: true },
    switched: { ratingA: 10, onwardMm: 500 },
    loads: [
      {
        ...{ name: 'Galley strip', zone: 'zone_galley', use: { [CAMP]: 2 } },
        rated: { kind: 'strip', wattsPerM: 9.6, lengthMm: 1000, pieces: 1, join: 'endToEnd', atV: 12 },
      },
    ],
  },
  {
    ...{ name: 'Water pump', zone: 'zone_galley', ...inBlock, slot: 6, ratingA: 7.5, conductor: 'awg:12', feedMm: 2700 },
    switched: { ratingA: 10, onwardMm: 300 },
    loads: [{ name: 'Water pump', behaviour: 'motor', zone: 'zone_galley', rated: watts(48), continuous: false, use: { [CAMP]: 0.2 } }],
  },
];
