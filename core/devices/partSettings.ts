import { FAMILY_NAMES, RATINGS_A } from '../catalog/fuses';
import { JOINT_WAYS, LIMITS, PROTECTION_FAMILIES, type JointWay } from '../catalog/vocabulary';
import type { Device } from '.';
import { VEHICLE_SIGNALS } from './signalSource';
import type { VehicleFeed } from './vehicleFeed';

/** What can be set on a part put in by hand, kind by kind, within its schema's bounds. */

interface Quantity {
  kind: 'quantity';
  field: string;
  label: string;
  unit: string;
  decimals: number;
  least: number;
  most: number;
}

interface Choice {
  kind: 'choice';
  field: string;
  label: string;
  options: readonly { value: string | number | boolean | undefined; label: string }[];
}

interface Several {
  kind: 'several';
  field: string;
  label: string;
  options: readonly { value: string; label: string }[];
}

/** A figure that may not be known. */
interface Figure {
  kind: 'figure';
  field: string;
  label: string;
  unit: string;
  least: number;
  most: number;
}

interface Words {
  kind: 'words';
  field: string;
  label: string;
  most: number;
}

export type PartSetting = Quantity | Choice | Several | Figure | Words;

const quantity = (field: string, label: string, unit: string, decimals: number, least: number, most: number): Quantity => ({
  ...{ kind: 'quantity', field, label, unit, decimals, least, most },
});
const known = (field: string, label: string, least: number, most: number): Figure => ({
  kind: 'figure',
  field,
  label,
  unit: 'A',
  least,
  most,
});
const carries = (least: number, most: number) => quantity('ratingA', 'carries', 'A', least < 1 ? 1 : 0, least, most);
const standby = quantity('standbyA', 'draws itself', 'A', 3, 0, LIMITS.amps);

/** How a joint is made, as people say it. */
export const JOINT_WORDS: Record<JointWay, string> = {
  crimp: 'crimped',
  solder: 'soldered',
  lever: 'a lever connector',
  tap: 'a tap through the insulation',
  twist: 'twisted and taped',
};

/** A vehicle's signals by what people call them. */
export const SIGNAL_WORDS: Record<(typeof VEHICLE_SIGNALS)[number], string> = {
  constant: 'always live',
  ignition: 'ignition',
  accessory: 'accessory',
  starting: 'the starter turning',
  running: 'running lamps',
  lowBeam: 'low beam',
  highBeam: 'high beam',
  reverse: 'reverse',
  left: 'left indicator',
  right: 'right indicator',
  brake: 'brake',
  door: 'door',
  hood: 'hood',
};

function vehicleFeedSettings({ from }: VehicleFeed): PartSetting[] {
  return [
    {
      kind: 'choice',
      field: 'signal',
      label: 'live with',
      options: VEHICLE_SIGNALS.map((value) => ({ value, label: SIGNAL_WORDS[value] })),
    },
    {
      ...{ kind: 'choice', field: 'polarity', label: 'then it is' },
      options: [
        { value: 'live', label: 'live' },
        { value: 'ground', label: 'pulled to ground' },
      ],
    },
    {
      ...{ kind: 'choice', field: 'from', label: 'taken from' },
      options: [
        { value: 'slot', label: 'a slot of its fuse box' },
        { value: 'wire', label: 'one of its wires' },
      ],
    },
    ...(from === 'slot'
      ? [
          {
            ...{ kind: 'choice' as const, field: 'leg', label: 'common leg in' },
            options: [
              { value: undefined, label: 'not metered yet' },
              { value: 'supply', label: 'the live clip' },
              { value: 'load', label: 'the other clip' },
            ],
          },
        ]
      : []),
    known('ownFuseA', 'its own fuse', 0.5, 200),
    known('drawnA', 'it draws there', 0, 200),
    known('mayDrawA', 'may give', 0.01, 200),
    { kind: 'words', field: 'serves', label: 'also feeds', most: 120 },
  ];
}

/** Settings of a part; none for what is set on a screen of its own. */
export function settingsOfPart(device: Device): readonly PartSetting[] {
  switch (device.kind) {
    case 'switch':
      return [
        carries(0.1, 500),
        {
          ...{ kind: 'choice', field: 'ratedFor', label: 'rated for' },
          options: [
            { value: 'dc', label: 'DC' },
            { value: 'ac', label: 'AC only' },
          ],
        },
        {
          ...{ kind: 'choice', field: 'momentary', label: 'springs back' },
          options: [
            { value: false, label: 'no' },
            { value: true, label: 'yes' },
          ],
        },
      ];
    case 'relay':
      return [
        carries(0.5, 500),
        quantity('coilOhm', 'coil', 'Ω', 0, 5, 5000),
        {
          ...{ kind: 'choice', field: 'suppression', label: 'coil quenched by' },
          options: [
            { value: 'none', label: 'nothing' },
            { value: 'resistor', label: 'a resistor' },
            { value: 'diode', label: 'a diode' },
          ],
        },
        ...(device.holdS === undefined ? [] : [quantity('holdS', 'lets go after', 's', 0, 1, 100_000)]),
      ];
    case 'protection':
      return [
        {
          ...{ kind: 'choice', field: 'ratingA', label: 'rated' },
          options: RATINGS_A[device.family].map((value) => ({ value, label: `${value} A` })),
        },
        ...(device.mount
          ? []
          : [
              {
                ...{ kind: 'choice' as const, field: 'family', label: 'kind' },
                options: PROTECTION_FAMILIES.map((value) => ({ value, label: FAMILY_NAMES[value] })),
              },
            ]),
      ];
    case 'plug':
      return [carries(0.1, 500), quantity('pins', 'pins', '', 0, 1, 24), quantity('contactMilliohm', 'each', 'mΩ', 1, 0, 10_000)];
    case 'diode':
      return [carries(0.1, 500)];
    case 'dimmer':
      return [
        carries(0.1, 100),
        standby,
        {
          ...{ kind: 'choice', field: 'keeps', label: 'switched on again' },
          options: [
            { value: undefined, label: 'not known' },
            { value: 'level', label: 'keeps its level' },
            { value: 'full', label: 'is at full' },
            { value: 'off', label: 'is off' },
          ],
        },
      ];
    case 'motionSwitch':
      return [
        carries(0.1, 100),
        quantity('holdS', 'holds', 's', 0, 0, 100_000),
        standby,
        {
          ...{ kind: 'choice', field: 'darkOnly', label: 'works' },
          options: [
            { value: false, label: 'by day too' },
            { value: true, label: 'in the dark only' },
          ],
        },
      ];
    case 'microSwitch':
    case 'doorSwitch':
      return [carries(0.1, 50)];
    case 'receiver':
      return [
        quantity('channels', 'channels', '', 0, 1, 16),
        quantity('channelMaxA', 'a channel carries', 'A', 1, 0.1, 50),
        {
          ...{ kind: 'choice', field: 'mode', label: 'a press' },
          options: [
            { value: 'latching', label: 'turns on and off' },
            { value: 'momentary', label: 'is on while held' },
          ],
        },
        standby,
      ];
    case 'ruleHub':
      return [
        quantity('inputs', 'inputs', '', 0, 1, 16),
        quantity('outputs', 'outputs', '', 0, 1, 16),
        quantity('outputMaxA', 'an output carries', 'A', 1, 0.1, 100),
        standby,
      ];
    case 'isolator':
      return [carries(10, 2000)];
    case 'cutOut':
      return [carries(5, 1000), quantity('offV', 'off under', 'V', 1, 1, 60), quantity('onV', 'on again from', 'V', 1, 1, 60)];
    case 'shunt':
      return [carries(1, 2000), quantity('milliohm', 'has', 'mΩ', 3, 0.001, 100)];
    case 'busBar':
      return [carries(1, 1000)];
    case 'splice':
      return [
        {
          ...{ kind: 'choice', field: 'made', label: 'it is' },
          options: JOINT_WAYS.map((value) => ({ value: value === 'crimp' ? undefined : value, label: JOINT_WORDS[value] })),
        },
      ];
    case 'groundPoint':
      return [quantity('jointMilliohm', 'joint', 'mΩ', 1, 0, 10_000)];
    case 'signalSource':
      return [
        {
          ...{ kind: 'several', field: 'signals', label: 'wires' },
          options: VEHICLE_SIGNALS.map((value) => ({ value, label: SIGNAL_WORDS[value] })),
        },
        quantity('maxA', 'each may give', 'A', 2, 0.01, 50),
      ];
    case 'vehicleFeed':
      return vehicleFeedSettings(device);
    default:
      return [];
  }
}
