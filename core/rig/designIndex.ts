import { Carried } from '../units/carried';
import { ownCurrents, ownDraws, type OwnCurrent } from '../devices/ownDraw';
import { settingsOf, slotKey, type Design } from '../design/design';
import type {
  Battery,
  Cable,
  Circuit,
  Device,
  Duty,
  KeepClear,
  Load,
  Log,
  Place,
  Protection,
  Rig,
  Route,
  Scenario,
  Settings,
  TerminalRef,
  Wire,
  Zone,
} from '../design/schema';
import { coilsOf, type Coil } from './coils';
import { fedByVehicle } from './vehicleFed';
import { layOut, type LaidWire, type Layout } from './layout';

/** The records of a design sorted once into the lists every computation starts from. */
export interface DesignIndex {
  settings: Settings;
  zones: Zone[];
  devices: Map<string, Device>;
  battery: Battery | null;
  /** Each lamp followed by its functions. */
  loads: Load[];
  /** Loads that are functions of another load's body, by that load's id. */
  functions: Map<string, Load[]>;
  /** What parts draw by themselves, each as a load that is never on and stands by all day. */
  ownDraws: Load[];
  /** What flows in parts by themselves, coils too, by part. */
  ownCurrents: ReadonlyMap<string, OwnCurrent>;
  /** Relay coils as loads that run while others do. */
  coils: readonly Coil[];
  /** What hangs on the vehicle's own feeds and so on its battery. */
  vehicleFed: ReadonlySet<string>;
  /** With the lengths the vehicle gives them. */
  wires: LaidWire[];
  cables: Map<string, Cable>;
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

/** Sorts a design's records and lays it out, going on from an earlier working-out where there is one. */
export function indexDesign(design: Design, carried = new Carried()): DesignIndex {
  const wires: Wire[] = [];
  const index: Omit<DesignIndex, 'layout' | 'wires'> = {
    settings: settingsOf(design),
    zones: [],
    devices: new Map(),
    battery: null,
    loads: [],
    functions: new Map(),
    ownDraws: [],
    ownCurrents: new Map(),
    coils: [],
    vehicleFed: new Set(),
    cables: new Map(),
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
    else if (record.type === 'wire') wires.push(record);
    else if (record.type === 'cable') index.cables.set(record.id, record);
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
      if (record.kind === 'load') {
        index.loads.push(record);
        if (record.partOf) index.functions.set(record.partOf.loadId, [...(index.functions.get(record.partOf.loadId) ?? []), record]);
      } else if (record.kind === 'battery') index.battery = record;
      else if (record.kind === 'protection' && record.mount?.tap) index.taps.set(slotKey(record.mount), record);
      else if (record.kind === 'protection' && record.mount) {
        const inBlock = index.mounted.get(record.mount.blockId);
        if (inBlock) inBlock.push(record);
        else index.mounted.set(record.mount.blockId, [record]);
      }
    }
  }
  if (index.functions.size > 0)
    index.loads = index.loads.filter(({ partOf }) => !partOf).flatMap((load) => [load, ...(index.functions.get(load.id) ?? [])]);
  index.zones.sort(byOrder);
  index.scenarios.sort(byOrder);
  index.circuits.sort((a, b) => a.number - b.number || (a.id < b.id ? -1 : 1));
  for (const fuses of index.mounted.values()) fuses.sort((a, b) => a.mount!.slot - b.mount!.slot);
  index.ownDraws = ownDraws(index.devices.values(), wires, index.settings.nominalV);
  index.ownCurrents = ownCurrents(index.devices.values(), index.settings.nominalV);
  index.coils = coilsOf(index.devices, wires, index.settings.nominalV);
  index.vehicleFed = fedByVehicle(index.devices, wires);
  const layout = layOut({ ...index, wires }, carried);
  return { ...index, wires: layout.wires, layout };
}

/** The fuse whose slot one taps; null for one that taps none. */
export function hostOf({ mounted }: Pick<DesignIndex, 'mounted'>, { mount }: Protection): Protection | null {
  if (!mount?.tap) return null;
  return mounted.get(mount.blockId)?.find((fuse) => fuse.mount!.slot === mount.slot) ?? null;
}

/** Where a fuse is fed: its own inlet, its block, or the fuse ahead in a tap turned round; null where there is none. */
export function inletOf(index: Pick<DesignIndex, 'mounted'>, fuse: Protection): TerminalRef | null {
  if (!fuse.mount) return { deviceId: fuse.id, terminal: 'in' };
  if (fuse.mount.tap !== 'load') return { deviceId: fuse.mount.blockId, terminal: 'in' };
  const host = hostOf(index, fuse);
  return host && { deviceId: host.id, terminal: 'out' };
}

/** The fuse that taps the slot of one; null where none does. */
export function tapOn({ taps }: Pick<DesignIndex, 'taps'>, { mount }: Protection): Protection | null {
  return mount && !mount.tap ? (taps.get(slotKey(mount)) ?? null) : null;
}

function byOrder(a: { order: number; id: string }, b: { order: number; id: string }): number {
  return a.order - b.order || (a.id < b.id ? -1 : 1);
}
