import { layOut, type Layout } from '../rig/layout';
import type {
  Battery,
  Circuit,
  Device,
  DesignRecord,
  Duty,
  KeepClear,
  Load,
  Log,
  Place,
  Protection,
  RecordType,
  Rig,
  Route,
  Scenario,
  Settings,
  Wire,
  Zone,
} from './schema';
import { SETTINGS_ID } from '../catalog/vocabulary';

/** A design: its records by id. Records are never changed in place; a Change makes a new Design. */
export interface Design {
  readonly records: ReadonlyMap<string, DesignRecord>;
}

type RecordOf<T extends RecordType> = Extract<DesignRecord, { type: T }>;
type DeviceOf<K extends Device['kind']> = Extract<Device, { kind: K }>;

/** The records of a design sorted once into the lists every computation starts from. */
export interface DesignIndex {
  settings: Settings;
  zones: Zone[];
  devices: Map<string, Device>;
  battery: Battery | null;
  loads: Load[];
  /** With the lengths the vehicle gives them. */
  wires: Wire[];
  circuits: Circuit[];
  scenarios: Scenario[];
  duties: Duty[];
  /** Protections sitting in a fuse block, by block id, in slot order. */
  mounted: Map<string, Protection[]>;
  /** Protections in fuse taps, by block id and slot. */
  taps: Map<string, Protection>;
  /** The vehicle, null while nobody has laid one out. */
  rig: Rig | null;
  places: Place[];
  routes: Route[];
  keepClear: KeepClear[];
  /** What battery monitors read, in the order taken. */
  logs: Log[];
  layout: Layout;
}

export function makeDesign(records: Iterable<DesignRecord>): Design {
  return { records: new Map(Array.from(records, (record) => [record.id, record])) };
}

/** The design's one settings record. A design without it never passes reference checking. */
export function settingsOf(design: Design): Settings {
  return design.records.get(SETTINGS_ID) as Settings;
}

/** The record with this id if it has the wanted type. */
export function recordOf<T extends RecordType>(design: Design, id: string | null, type: T): RecordOf<T> | null {
  const record = id === null ? undefined : design.records.get(id);
  return record?.type === type ? (record as RecordOf<T>) : null;
}

/** The device with this id if it is of the wanted kind. */
export function deviceOf<K extends Device['kind']>(design: Design, id: string | null, kind: K): DeviceOf<K> | null {
  const device = recordOf(design, id, 'device');
  return device?.kind === kind ? (device as DeviceOf<K>) : null;
}

/** Every record of a type, in the order of the design. */
export function recordsOf<T extends RecordType>(design: Design, type: T): RecordOf<T>[] {
  return Array.from(design.records.values()).filter((record): record is RecordOf<T> => record.type === type);
}

export function devicesOfKind<K extends Device['kind']>(design: Design, kind: K): DeviceOf<K>[] {
  const found: DeviceOf<K>[] = [];
  for (const record of design.records.values()) {
    if (record.type === 'device' && record.kind === kind) found.push(record as DeviceOf<K>);
  }
  return found;
}

export function indexDesign(design: Design): DesignIndex {
  const index: Omit<DesignIndex, 'layout'> = {
    settings: settingsOf(design),
    zones: [],
    devices: new Map(),
    battery: null,
    loads: [],
    wires: [],
    circuits: [],
    scenarios: [],
    duties: [],
    mounted: new Map(),
    taps: new Map(),
    rig: null,
    places: [],
    routes: [],
    keepClear: [],
    logs: [],
  };
  for (const record of design.records.values()) {
    if (record.type === 'zone') index.zones.push(record);
    else if (record.type === 'wire') index.wires.push(record);
    else if (record.type === 'circuit') index.circuits.push(record);
    else if (record.type === 'scenario') index.scenarios.push(record);
    else if (record.type === 'duty') index.duties.push(record);
    else if (record.type === 'rig') index.rig = record;
    else if (record.type === 'place') index.places.push(record);
    else if (record.type === 'route') index.routes.push(record);
    else if (record.type === 'keepClear') index.keepClear.push(record);
    else if (record.type === 'log') index.logs.push(record);
    else if (record.type === 'device') {
      index.devices.set(record.id, record);
      if (record.kind === 'load') index.loads.push(record);
      else if (record.kind === 'battery') index.battery = record;
      else if (record.kind === 'protection' && record.mount?.tap) index.taps.set(slotKey(record.mount), record);
      else if (record.kind === 'protection' && record.mount) {
        const inBlock = index.mounted.get(record.mount.blockId);
        if (inBlock) inBlock.push(record);
        else index.mounted.set(record.mount.blockId, [record]);
      }
    }
  }
  index.zones.sort(byOrder);
  index.scenarios.sort(byOrder);
  index.circuits.sort((a, b) => a.number - b.number || (a.id < b.id ? -1 : 1));
  for (const fuses of index.mounted.values()) fuses.sort((a, b) => a.mount!.slot - b.mount!.slot);
  const layout = layOut(index);
  return { ...index, wires: layout.wires, layout };
}

/** The fuse whose slot one taps; null for one that taps none. */
export function hostOf({ mounted }: Pick<DesignIndex, 'mounted'>, { mount }: Protection): Protection | null {
  if (!mount?.tap) return null;
  return mounted.get(mount.blockId)?.find((fuse) => fuse.mount!.slot === mount.slot) ?? null;
}

/** The fuse that taps the slot of one; null where none does. */
export function tapOn({ taps }: Pick<DesignIndex, 'taps'>, { mount }: Protection): Protection | null {
  return mount && !mount.tap ? (taps.get(slotKey(mount)) ?? null) : null;
}

export function slotKey({ blockId, slot }: NonNullable<Protection['mount']>): string {
  return `${blockId}/${slot}`;
}

function byOrder(a: { order: number; id: string }, b: { order: number; id: string }): number {
  return a.order - b.order || (a.id < b.id ? -1 : 1);
}
