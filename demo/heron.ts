import type { ConductorSize } from '../core/catalog/conductorSizes';
import type { Design } from '../core/design/design';
import { indexDesign } from '../core/rig/designIndex';
import { Edit } from '../core/design/edit';
import { defaultSettings } from '../core/design/defaultSettings';
import type { DesignRecord, Wire } from '../core/design/schema';
import { traceWiring } from '../core/network/traceWiring';
import { buildDemo } from './builder';
import { circuits, STORED, WINTER, WORK } from './heronCircuits';
import { liveDemo } from './energyBuilder';
import { HERON_ENERGY } from './heronEnergy';
import { HERON_RIG } from './heronRig';
import { switchHeron } from './heronSwitching';
import { chooseOfHeron } from './heronChoices';
import { kitsOfHeron } from './heronKits';
import { HERON_BUILD, logged } from './logbook';
import { wishOfHeron } from './heronWishes';
import { panelled, type DemoPanel } from './panels';
import { layDemo } from './rigBuilder';

/**
 * Heron: a made-up ex-ambulance box body, a two-person field camper for a wetland bird count. It carries honest
 * mistakes: the fridge on a thin, long wire; the driving lamps' wire behind too large a fuse; and the hide computer, whose
 * measured draw is more than its box said, on a fuse chosen from the box; and two in its switching.
 */
export function heron(): Design {
  const laid = layDemo(ontoHideBar(switchHeron(ontoHideBar(buildDemo([...base(), ...supply()], circuits)))), HERON_RIG);
  return logged(chooseOfHeron(kitsOfHeron(panelled(wishOfHeron(liveDemo(laid, HERON_ENERGY)), PANELS))), HERON_BUILD);
}

/** Loads and parts on the hide's fuse block return to the bar beside it. */
function ontoHideBar(design: Design): Design {
  const { wires, devices } = indexDesign(design);
  const { supply } = traceWiring(indexDesign(design));
  const edit = new Edit(design);
  for (const { id, from, to } of wires) {
    if (to.deviceId !== 'bar_front' || from.deviceId === 'bar_hide' || from.deviceId === 'signals') continue;
    const fuse = devices.get(supply.nodes.find(({ deviceId }) => deviceId === from.deviceId)?.protectionId ?? '');
    if (fuse?.kind === 'protection' && fuse.mount?.blockId === 'block_hide')
      edit.set(id, { to: { deviceId: 'bar_hide', terminal: 'bar' } });
  }
  return edit.design;
}

const ZONES: [id: string, name: string, ambientC: number, engine?: boolean][] = [
  ['zone_cab', 'Cab', 40],
  ['zone_galley', 'Galley', 30],
  ['zone_bunk', 'Bunk', 30],
  ['zone_hide', 'Hide', 30],
  ['zone_locker', 'Wet locker', 30],
  ['zone_roof', 'Roof', 50],
  ['zone_flanks', 'Flanks', 40],
  ['zone_doors', 'Rear doors', 30],
  ['zone_under', 'Under-body', 35],
  ['zone_engine', 'Engine bay', 60, true],
];

function base(): DesignRecord[] {
  const settings = defaultSettings({
    name: 'Heron',
    vehicle: 'boxBody',
    units: 'metric',
    standard: 'iso-small-craft',
    defaultReturn: 'dedicated',
  });
  return [
    { ...settings, scenarioId: WINTER, wantedRuntimeH: 24 },
    ...ZONES.map(([id, name, ambientC, engine], order) => ({
      id,
      type: 'zone' as const,
      name,
      order,
      ambientC,
      engineSpace: engine ?? false,
    })),
    { id: WINTER, type: 'scenario', name: 'Winter count weekend', order: 0 },
    { id: WORK, type: 'scenario', name: 'Working week in the hide', order: 1 },
    { id: STORED, type: 'scenario', name: 'Stored between trips', order: 2 },
  ];
}

function supply(): DesignRecord[] {
  const wire = (id: string, role: Wire['role'], from: string, to: string, lengthMm: number, conductor: ConductorSize): Wire => {
    const end = (text: string) => ({ deviceId: text.split('.')[0]!, terminal: text.split('.')[1]! });
    return { id, type: 'wire', role, from: end(from), to: end(to), lengthMm, lengthMeasured: id === 'wire_lead', conductor };
  };
  const at = (id: string, name: string, zoneId: string) => ({ id, type: 'device' as const, name, zoneId });
  return [
    {
      ...at('bat_house', 'House battery', 'zone_bunk'),
      ...{
        kind: 'battery',
        chemistry: 'lithium',
        capacityAh: 100,
        rateH: 20,
        count: 2,
        heldDown: true,
        usableDepthPercent: null,
        peukertExponent: null,
        stud: 'M8',
      },
    },
    { ...at('fuse_main', 'Main fuse', 'zone_bunk'), kind: 'protection', family: 'classT', ratingA: 125, mount: null, stud: 'M8' },
    { ...at('bar_plus', 'Positive bus bar', 'zone_bunk'), kind: 'busBar', ratingA: 150, stud: 'M8' },
    { ...at('fuse_hide', 'Hide feed fuse', 'zone_bunk'), kind: 'protection', family: 'boltDown', ratingA: 60, mount: null },
    { ...at('block_front', 'Front fuse block', 'zone_galley'), kind: 'fuseBlock', slots: 12, slotMaxA: 30, blockMaxA: 100 },
    { ...at('block_hide', 'Hide fuse block', 'zone_hide'), kind: 'fuseBlock', slots: 12, slotMaxA: 30, blockMaxA: 80 },
    { ...at('bar_front', 'Front return bar', 'zone_galley'), kind: 'busBar', ratingA: 150, stud: 'M8' },
    wire('wire_lead', 'supply', 'bat_house.plus', 'fuse_main.in', 180, 'mm2:35'),
    { ...at('iso_main', 'Battery isolator', 'zone_bunk'), kind: 'isolator', ratingA: 275, stud: 'M10' },
    wire('wire_main', 'supply', 'fuse_main.out', 'iso_main.in', 200, 'mm2:50'),
    wire('wire_plus', 'supply', 'iso_main.out', 'bar_plus.bar', 300, 'mm2:50'),
    wire('wire_front', 'supply', 'bar_plus.bar', 'block_front.in', 900, 'mm2:50'),
    wire('wire_hidelead', 'supply', 'bar_plus.bar', 'fuse_hide.in', 150, 'mm2:35'),
    wire('wire_hide', 'supply', 'fuse_hide.out', 'block_hide.in', 2400, 'mm2:50'),
    { ...at('bar_hide', 'Hide return bar', 'zone_hide'), kind: 'busBar', ratingA: 100, stud: 'M8' },
    wire('wire_hideminus', 'return', 'bar_hide.bar', 'bat_house.minus', 3400, 'mm2:50'),
    wire('wire_minus', 'return', 'bar_front.bar', 'bat_house.minus', 1100, 'mm2:50'),
  ];
}

const PANELS: DemoPanel[] = [
  {
    ...{ id: 'pan_galley', name: 'Galley panel', use: 'panel', columns: 4, rows: 1, placeId: 'pl_panel' },
    seats: [['Galley lights switch', 'Galley lights'], ['Water pump switch', 'Water pump'], null, null],
  },
  {
    ...{ id: 'pan_hide', name: 'Hide panel', use: 'panel', columns: 5, rows: 2, placeId: 'pl_hpanel' },
    seats: [
      ['Scene lights, left switch', 'Scene left'],
      ['Scene lights, right switch', 'Scene right'],
      ['Awning light switch', 'Awning'],
      ['Under-body work lights switch', 'Under-body'],
      ['Reversing lamps switch', 'Reversing'],
      ['Hide bench lights switch', 'Bench'],
      ['Bench dimmer'],
      ['Scene left, panel or fob', 'Left by fob'],
      ['Scene right, panel or fob', 'Right by fob'],
      null,
    ],
  },
  {
    ...{ id: 'pan_dash', name: 'Cab bulkhead', use: 'dash', columns: 1, rows: 1, placeId: 'pl_cabwall' },
    seats: [['Driving lamps switch', 'Driving lamps']],
  },
  {
    ...{ id: 'pan_fob', name: 'Field fob', use: 'fob', columns: 3, rows: 3, placeId: null },
    seats: [
      ['Left scene radio', 'Left white', 'ch1'],
      ['Left scene radio', 'Left amber', 'ch2'],
      ['Hide relay hub', 'Ceiling', 'ch1'],
      ['Right scene radio', 'Right white', 'ch1'],
      ['Right scene radio', 'Right amber', 'ch2'],
      ['Hide relay hub', 'Red', 'ch2'],
      ['Hide relay hub', 'Wader fan', 'ch3'],
      ['Hide relay hub', 'Bunk floor', 'ch4'],
      ['Hide relay hub', 'Mast camera', 'ch5'],
    ],
  },
];
