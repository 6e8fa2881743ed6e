import * as z from 'zod/mini';
import { alternator } from './alternator';
import { battery } from './battery';
import { busBar } from './busBar';
import { charger } from './charger';
import { cutOut } from './cutOut';
import { dcDcCharger } from './dcDcCharger';
import { dimmer } from './dimmer';
import { diode } from './diode';
import { doorSwitch } from './doorSwitch';
import { fuseBlock } from './fuseBlock';
import { groundPoint } from './groundPoint';
import { isolator } from './isolator';
import type { DeviceKind } from './kind';
import { load } from './load';
import { microSwitch } from './microSwitch';
import { motionSwitch } from './motionSwitch';
import { plug } from './plug';
import { protection } from './protection';
import { receiver } from './receiver';
import { relay } from './relay';
import { ruleHub } from './ruleHub';
import { shunt } from './shunt';
import { signalSource } from './signalSource';
import { solarController } from './solarController';
import { solarPanel } from './solarPanel';
import { splice } from './splice';
import { splitRelay } from './splitRelay';
import { switchKind } from './switch';
import { vehicleFeed } from './vehicleFeed';

/** Every kind of device there is. A new kind is one file and one line here. */
const KINDS = {
  battery,
  protection,
  fuseBlock,
  busBar,
  groundPoint,
  switch: switchKind,
  load,
  charger,
  microSwitch,
  doorSwitch,
  relay,
  diode,
  dimmer,
  motionSwitch,
  receiver,
  ruleHub,
  signalSource,
  splice,
  plug,
  shunt,
  isolator,
  cutOut,
  solarPanel,
  solarController,
  alternator,
  dcDcCharger,
  splitRelay,
  vehicleFeed,
};

type Kinds = typeof KINDS;
type SchemaOf<K extends keyof Kinds> = Kinds[K]['schema'];
type DeviceSchema = { [K in keyof Kinds]: SchemaOf<K> }[keyof Kinds];

export const deviceSchema = z.discriminatedUnion(
  'kind',
  Object.values(KINDS).map(({ schema }) => schema) as [DeviceSchema, ...DeviceSchema[]],
);

export type Device = z.infer<DeviceSchema>;

/** What is known of a device's kind. */
export function kindOf<D extends Device>(device: D): DeviceKind<D> {
  return KINDS[device.kind] as unknown as DeviceKind<D>;
}
