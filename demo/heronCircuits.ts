import { amps, watts, type DemoCircuit } from './builder';

export const WINTER = 'scn_winter';
export const WORK = 'scn_work';
export const STORED = 'scn_stored';

const front = { block: 'block_front' };
const hide = { block: 'block_hide' };

/** Heron's circuits, by fuse block and slot. */
export const circuits: DemoCircuit[] = [
  {
    ...{ name: 'Galley lights', zone: 'zone_galley', ...front, slot: 1, ratingA: 5, conductor: 'mm2:1.5', feedMm: 1800, critical: true },
    switched: { ratingA: 10, onwardMm: 1400 },
    loads: [
      {
        ...{ name: 'Galley light strip', zone: 'zone_galley' },
        rated: { kind: 'strip', wattsPerM: 9.6, lengthMm: 1600, pieces: 1, join: 'endToEnd', atV: 12 },
        use: { [WINTER]: 5, [WORK]: 3 },
      },
    ],
  },
  {
    ...{ name: 'Fridge', zone: 'zone_galley', ...front, slot: 2, ratingA: 10, conductor: 'mm2:1.5', feedMm: 6200 },
    loads: [
      {
        name: 'Compressor fridge',
        behaviour: 'converter',
        cutOut: [10.4, 11.7],
        zone: 'zone_galley',
        rated: watts(52),
        use: { [WINTER]: [24, 22], [WORK]: [24, 35] },
      },
    ],
  },
  {
    ...{ name: 'Water pump', zone: 'zone_galley', ...front, slot: 3, ratingA: 10, conductor: 'mm2:2.5', feedMm: 2600 },
    switched: { ratingA: 16, onwardMm: 900 },
    loads: [
      {
        name: 'Water pump',
        behaviour: 'motor',
        zone: 'zone_galley',
        rated: watts(60),
        continuous: false,
        use: { [WINTER]: 0.25, [WORK]: 0.35 },
      },
    ],
  },
  {
    ...{ name: 'Galley sockets', zone: 'zone_galley', ...front, slot: 4, ratingA: 10, conductor: 'mm2:2.5', feedMm: 2400 },
    loads: [
      {
        name: 'USB pair',
        behaviour: 'converter',
        standbyA: 0.02,
        zone: 'zone_galley',
        quantity: 2,
        spacingMm: 600,
        rated: watts(28),
        use: { [WINTER]: [3, 60], [WORK]: [4, 60] },
      },
    ],
  },
  {
    ...{
      name: 'Bunk reading lights',
      zone: 'zone_bunk',
      ...front,
      slot: 5,
      ratingA: 3,
      conductor: 'mm2:1.5',
      feedMm: 3400,
      critical: true,
    },
    loads: [
      {
        name: 'Reading light',
        behaviour: 'ledConstantCurrent',
        zone: 'zone_bunk',
        quantity: 2,
        spacingMm: 1500,
        rated: watts(3),
        use: { [WINTER]: 2.5, [WORK]: 1.5 },
      },
    ],
  },
  {
    ...{ name: 'Diesel heater', zone: 'zone_bunk', ...front, slot: 6, ratingA: 15, conductor: 'mm2:4', feedMm: 2100 },
    loads: [
      {
        name: 'Diesel heater',
        behaviour: 'resistive',
        standbyA: 0.02,
        zone: 'zone_bunk',
        rated: watts(110),
        continuous: false,
        use: { [WINTER]: [12, 20], [WORK]: [4, 20] },
      },
    ],
  },
  {
    ...{ name: 'Roof fan', zone: 'zone_roof', ...front, slot: 7, ratingA: 5, conductor: 'mm2:1.5', feedMm: 3600 },
    loads: [{ name: 'Roof fan', behaviour: 'motor', zone: 'zone_roof', rated: watts(24), use: { [WINTER]: 2, [WORK]: 8 } }],
  },
  {
    ...{ name: 'Cab radio', zone: 'zone_cab', ...front, slot: 8, ratingA: 10, conductor: 'mm2:4', feedMm: 4200 },
    loads: [
      {
        name: 'Two-way radio, sending',
        behaviour: 'converter',
        standbyA: 0.4,
        zone: 'zone_cab',
        rated: amps(6),
        continuous: false,
        use: { [WINTER]: [2, 10], [WORK]: [8, 10] },
      },
    ],
  },
  {
    ...{ name: 'Driving lamps', zone: 'zone_engine', ...front, slot: 9, ratingA: 30, conductor: 'mm2:2.5', feedMm: 3500 },
    chosenBy: { name: 'Driving lamps switch', ratingA: 20, atMm: 1100 },
    loads: [
      {
        name: 'Driving lamp, high',
        behaviour: 'ledConstantPower',
        zone: 'zone_engine',
        quantity: 2,
        spacingMm: 900,
        rated: watts(36),
        group: 'driving',
        continuous: false,
        use: { [WORK]: 0.5 },
      },
      {
        name: 'Driving lamp, low',
        behaviour: 'ledConstantPower',
        zone: 'zone_engine',
        quantity: 2,
        spacingMm: 900,
        rated: watts(25),
        group: 'driving',
        use: { [WINTER]: 1, [WORK]: 0.5 },
      },
    ],
  },
  {
    ...{ name: 'Water sensor and alarms', zone: 'zone_galley', ...front, slot: 10, ratingA: 2, conductor: 'mm2:1', feedMm: 1500 },
    loads: [
      {
        name: 'Gas and smoke alarm',
        behaviour: 'converter',
        zone: 'zone_galley',
        rated: amps(0.08),
        use: { [WINTER]: 24, [WORK]: 24, [STORED]: 24 },
      },
    ],
  },
  {
    ...{ name: 'Hide bench lights', zone: 'zone_hide', ...hide, slot: 1, ratingA: 5, conductor: 'mm2:6', feedMm: 1600, critical: true },
    switched: { ratingA: 10, onwardMm: 1600 },
    parts: [{ id: 'dimmer', name: 'Bench dimmer', before: 'Bench puck', atMm: 100 }],
    loads: [
      {
        ...{ name: 'Bench puck', behaviour: 'ledStrip', zone: 'zone_hide', quantity: 8, spacingMm: 300, rated: watts(3) },
        measured: { draw: { kind: 'watts', watts: 17, atV: 12.6 }, forSize: 8, on: '2026-10-18' },
        use: { [WINTER]: 4, [WORK]: 6 },
      },
    ],
  },
  {
    ...{ name: 'Camera chargers', zone: 'zone_hide', ...hide, slot: 2, ratingA: 7.5, conductor: 'mm2:2.5', feedMm: 2300 },
    loads: [
      {
        name: 'Camera charger',
        behaviour: 'converter',
        standbyA: 0.01,
        zone: 'zone_hide',
        quantity: 3,
        spacingMm: 300,
        rated: watts(16),
        use: { [WINTER]: [5, 60], [WORK]: [6, 60] },
      },
    ],
  },
  {
    ...{ name: 'Hide computer', zone: 'zone_hide', ...hide, slot: 3, ratingA: 5, conductor: 'mm2:2.5', feedMm: 2500 },
    loads: [
      {
        ...{ name: 'Small computer with screen', behaviour: 'converter', zone: 'zone_hide', rated: watts(32) },
        measured: { draw: { kind: 'amps', amps: 4.4, atV: 12.7 }, forSize: 1, on: '2026-10-18' },
        use: { [WINTER]: 3, [WORK]: 7 },
      },
    ],
  },
  {
    ...{
      name: 'Scene lights, left',
      zone: 'zone_flanks',
      ...hide,
      slot: 4,
      ratingA: 10,
      conductor: 'mm2:6',
      feedMm: 4900,
      critical: true,
    },
    chosenBy: { name: 'Scene lights, left switch', ratingA: 10, atMm: 1600 },
    loads: [
      {
        name: 'Left scene lamp, white',
        behaviour: 'ledConstantPower',
        zone: 'zone_flanks',
        quantity: 2,
        spacingMm: 1400,
        rated: watts(20),
        group: 'scene left',
        use: { [WINTER]: 0.5, [WORK]: 0.5 },
      },
      {
        name: 'Left scene lamp, amber',
        behaviour: 'ledConstantPower',
        zone: 'zone_flanks',
        quantity: 2,
        spacingMm: 1400,
        rated: watts(10),
        group: 'scene left',
        use: { [WINTER]: 1 },
      },
    ],
  },
  {
    ...{
      name: 'Scene lights, right',
      zone: 'zone_flanks',
      ...hide,
      slot: 5,
      ratingA: 10,
      conductor: 'mm2:6',
      feedMm: 5300,
      critical: true,
    },
    chosenBy: { name: 'Scene lights, right switch', ratingA: 10, atMm: 1600 },
    loads: [
      {
        name: 'Right scene lamp, white',
        behaviour: 'ledConstantPower',
        zone: 'zone_flanks',
        quantity: 2,
        spacingMm: 1400,
        rated: watts(20),
        group: 'scene right',
        use: { [WINTER]: 0.5, [WORK]: 0.5 },
      },
      {
        name: 'Right scene lamp, amber',
        behaviour: 'ledConstantPower',
        zone: 'zone_flanks',
        quantity: 2,
        spacingMm: 1400,
        rated: watts(10),
        group: 'scene right',
        use: { [WINTER]: 1 },
      },
    ],
  },
  {
    ...{ name: 'Awning light', zone: 'zone_flanks', ...hide, slot: 6, ratingA: 10, conductor: 'mm2:6', feedMm: 1600, critical: true },
    switched: { ratingA: 10, onwardMm: 3600 },
    loads: [
      {
        ...{ name: 'Awning strip', zone: 'zone_flanks' },
        rated: { kind: 'strip', wattsPerM: 14.4, lengthMm: 2300, pieces: 1, join: 'endToEnd', atV: 12 },
        use: { [WINTER]: 1, [WORK]: 1 },
      },
    ],
  },
  {
    ...{ name: 'Reversing lamps', zone: 'zone_doors', ...hide, slot: 7, ratingA: 5, conductor: 'mm2:2.5', feedMm: 2900 },
    switched: { ratingA: 10, onwardMm: 1200 },
    loads: [
      {
        name: 'Reversing lamp',
        behaviour: 'ledConstantPower',
        zone: 'zone_doors',
        quantity: 2,
        spacingMm: 1200,
        rated: watts(18),
        continuous: false,
        use: { [WINTER]: 0.1, [WORK]: 0.1 },
      },
    ],
  },
  {
    ...{
      name: 'Rear door and step lights',
      zone: 'zone_doors',
      ...hide,
      slot: 8,
      ratingA: 3,
      conductor: 'mm2:2.5',
      feedMm: 3100,
      critical: true,
    },
    parts: [{ id: 'motion', name: 'Step motion sensor', before: 'Step light', atMm: 400 }],
    loads: [
      {
        name: 'Door light',
        behaviour: 'ledStrip',
        zone: 'zone_doors',
        quantity: 2,
        spacingMm: 1100,
        rated: watts(4),
        use: { [WINTER]: 0.5, [WORK]: 0.5 },
      },
      {
        name: 'Step light',
        behaviour: 'ledConstantPower',
        zone: 'zone_doors',
        rated: watts(2),
        hopMm: 900,
        use: { [WINTER]: 0.3, [WORK]: 0.3 },
      },
    ],
  },
  {
    ...{ name: 'Wet locker lights', zone: 'zone_locker', ...hide, slot: 9, ratingA: 2, conductor: 'mm2:1', feedMm: 2700, critical: true },
    parts: [{ id: 'roller', name: 'Locker roller', before: 'Locker light', atMm: 2300 }],
    loads: [
      {
        name: 'Locker light',
        behaviour: 'filament',
        zone: 'zone_locker',
        quantity: 2,
        spacingMm: 700,
        rated: watts(2),
        use: { [WINTER]: 0.3, [WORK]: 0.3 },
      },
    ],
  },
  {
    ...{
      name: 'Under-body work lights',
      zone: 'zone_under',
      ...hide,
      slot: 10,
      ratingA: 5,
      conductor: 'mm2:2.5',
      feedMm: 4300,
      chassis: true,
    },
    switched: { ratingA: 10, onwardMm: 600 },
    loads: [
      {
        name: 'Work light',
        behaviour: 'ledConstantPower',
        zone: 'zone_under',
        quantity: 2,
        spacingMm: 1600,
        rated: watts(15),
        continuous: false,
        use: { [WORK]: 0.1 },
      },
    ],
  },
  {
    ...{ name: 'Hide relay hub', zone: 'zone_hide', ...hide, slot: 11, ratingA: 10, conductor: 'mm2:2.5', feedMm: 3200, critical: true },
    loads: [
      {
        ...{ name: 'Hide ceiling light', behaviour: 'ledConstantPower', zone: 'zone_hide', rated: watts(12) },
        use: { [WORK]: 1 },
      },
      {
        ...{ name: 'Hide red light', behaviour: 'ledConstantPower', zone: 'zone_hide', rated: watts(5), hopMm: 3200 },
        use: { [WORK]: 1 },
      },
      {
        ...{ name: 'Wader drying fan', behaviour: 'motor', zone: 'zone_locker', rated: watts(12), hopMm: 3400 },
        use: { [WORK]: 1 },
      },
      {
        ...{ name: 'Bunk floor light', behaviour: 'ledConstantPower', zone: 'zone_bunk', rated: watts(4), hopMm: 3600 },
        use: { [WORK]: 0.5 },
      },
      {
        ...{ name: 'Mast camera', behaviour: 'converter', zone: 'zone_roof', rated: watts(8), hopMm: 4800 },
        use: { [WORK]: 2 },
      },
    ],
  },
];
