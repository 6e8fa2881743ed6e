import { passing, type DemoRig } from './rigBuilder';

/** Pip's vehicle: a teardrop trailer. All of it is made up. */
export const PIP_RIG: DemoRig = {
  rig: {
    ...{ id: 'rig', type: 'rig', lengthMm: 4100, widthMm: 1800, heightMm: 1900, body: 'trailer' },
    ...{ outline: null, slackMm: 150, allowancePercent: 5 },
  },
  zones: {
    zone_nose: {
      ...{ usualC: 25, traits: ['splashed', 'vibration'], purpose: 'Battery and charging', tint: 1 },
      plan: { xMm: 820, yMm: 300, lengthMm: 360, widthMm: 1200, lowMm: 400, highMm: 1000 },
    },
    zone_cabin: {
      ...{ usualC: 20, traits: ['living', 'sleeping'], purpose: 'Sleeping', tint: 3 },
      plan: { xMm: 1200, yMm: 60, lengthMm: 1900, widthMm: 1680, lowMm: 450, highMm: 1800 },
    },
    zone_galley: {
      ...{ usualC: 20, traits: ['splashed'], purpose: 'Kitchen under the rear hatch', tint: 2 },
      plan: { xMm: 3120, yMm: 100, lengthMm: 860, widthMm: 1600, lowMm: 450, highMm: 1500 },
    },
  },
  places: [
    ['pl_battery', 'Battery tray', 'zone_nose', [1000, 700, 520], 200],
    ['pl_block', 'Fuse panel by the door', 'zone_cabin', [1500, 1650, 900], 110, 'Outer skin'],
    ['pl_switch', 'Bedside switch', 'zone_cabin', [1900, 1700, 950], 60, 'Outer skin'],
    ['pl_front', 'Front bulkhead, low', 'zone_cabin', [1240, 1200, 560]],
    ['pl_ceiling', 'Cabin ceiling', 'zone_cabin', [1900, 900, 1780], 25, 'Insulation'],
    ['pl_read', 'Headboard', 'zone_cabin', [1300, 900, 1100], 30, 'Nose box'],
    ['pl_fan', 'Roof fan frame', 'zone_cabin', [2400, 900, 1800], 50, 'Open air'],
    ['pl_sockets', 'Bedside sockets', 'zone_cabin', [2500, 1700, 800], 60, 'Outer skin'],
    ['pl_rear', 'Rear bulkhead, right', 'zone_cabin', [3080, 1650, 800]],
    ['pl_hatch', 'Galley shelf', 'zone_galley', [3300, 1500, 1350], 30, 'Hatch gap'],
    ['pl_gpanel', 'Galley switches', 'zone_galley', [3250, 1600, 950], 60, 'Cabinet side'],
    ['pl_pump', 'Pump under the sink', 'zone_galley', [3500, 1400, 550], 200],
  ],
  routes: [
    [
      'pl_battery',
      'pl_front',
      'Into the cabin',
      { passes: [passing('bulkhead', 'gland', 25), passing('water', 'gland', 25)], measuredMm: 620 },
    ],
    ['pl_front', 'pl_block', 'Under the bed, right', { kind: 'trunking', measuredMm: 1020 }],
    ['pl_block', 'pl_switch', 'Along the door post', { kind: 'trunking', measuredMm: 470 }],
    ['pl_block', 'pl_read', 'Behind the headboard', { measuredMm: 1080 }],
    ['pl_switch', 'pl_ceiling', 'Up to the ceiling', { kind: 'pillar', insideMm: 16, feed: 'drawWire' }],
    ['pl_ceiling', 'pl_fan', 'Ceiling spar', { feed: 'drawWire' }],
    ['pl_switch', 'pl_sockets', 'Side rail, front', { kind: 'trunking' }],
    ['pl_sockets', 'pl_rear', 'Side rail, rear', { kind: 'trunking' }],
    ['pl_rear', 'pl_gpanel', 'Into the galley', { passes: [passing('bulkhead', 'grommet', 16)] }],
    ['pl_gpanel', 'pl_hatch', 'Up to the shelf'],
    ['pl_gpanel', 'pl_pump', 'Down to the pump'],
  ],
  keepClear: [
    {
      ...{ id: 'kc_hatch', type: 'keepClear', name: 'Galley hatch', kind: 'sweep', xMm: 3150, yMm: 900 },
      ...{ reachMm: 1300, fromDeg: -40, toDeg: 40, lowMm: 1500, highMm: 2200 },
    },
  ],
  placed: {
    ...{ bat_house: 'pl_battery', fuse_main: 'pl_battery', iso_main: 'pl_battery', block: 'pl_block', bar: 'pl_block' },
    'Cabin puck': 'pl_ceiling',
    'Cabin lights switch': 'pl_switch',
    'Reading light': 'pl_read',
    'Roof fan': 'pl_fan',
    'USB pair': 'pl_sockets',
    'Galley strip': 'pl_hatch',
    'Galley light switch': 'pl_gpanel',
    'Water pump': 'pl_pump',
    'Water pump switch': 'pl_gpanel',
  },
  sealed: [],
  depths: { ' switch': 40, 'USB pair': 48 },
};
