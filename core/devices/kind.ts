import type * as z from 'zod/mini';
import type { CutOutId } from '../catalog/cutOuts';
import type { WireEnd } from '../catalog/vocabulary';
import type { Law } from './laws';
import type { PartSetting } from './settings';

/**
 * What a kind of device is, in one place: its record, its terminals, the ways current takes inside it, what can be set on
 * it, its elements in the network and what it remembers. A new kind is a file with one of these and a line in the list.
 */
export interface DeviceKind<Device extends { id: string }> {
  schema: z.ZodMiniType<Device>;
  /** What the trade calls it. */
  label: string;
  /** What a terminal is called whose own name says nothing to a person; absent: as everywhere. */
  terminalWord?(terminal: string): string | undefined;
  /** What a position of one of its controls is called, as a person moves it; absent: by its value. */
  positionWord?(position: ControlValue): string;
  /** What it is doing, by what it remembers; absent or null: nothing worth telling. */
  stateWord?(memory: Memory): string | null;
  /** What it is drawn with in the diagram. */
  symbol: SymbolId | ((device: Device) => SymbolId);
  /**
   * What the end of a wire gets where it lands. Common practice: rings on studs, receptacles on relays, switches and blocks' slots, sleeves
   * under screws, butt joints on leads.
   */
  lands: WireEnd | ((device: Device, terminal: string) => WireEnd);
  /**
   * What holds an end: studs and bolts nothing but a ring, blades of its own no other blade, and bare strands lie under a fuse's leg or in
   * its holder; absent: a screw or a lead, which take any.
   */
  holds?: 'studs' | 'blades' | 'fuse';
  /** Cables are bolted to it, so that their rings share its studs. */
  isBolted?(device: Device): boolean;
  /** All its ends are the same, or there are but two: they need not be told apart by their colours. */
  endsAlike?: true;
  /**
   * Minutes until it is fixed where it goes, a practised hand; null: it is fixed nowhere, being the vehicle's own, in a slot or in its run.
   */
  fitMinutes: number | null;
  /** The hole it usually needs in a panel; absent: a rocker's. */
  hole?(device: Device): CutOutId;
  /** Whether it matters which way round it is wired, and why; absent or null: nothing to say. Common practice. */
  turn?(device: Device): TurnVerdict | null;
  /** What tells two of the kind apart in a shop; absent: their rating. */
  traits?(device: Device): readonly unknown[];
  /** What one of its terminals may carry, A; absent or null: no load's current. */
  carriesA?(device: Device, terminal: string): number | null;
  /** Its outlets are electronics. */
  isElectronic?: true;
  /** The current it has of its own, coils and sense wires too; absent or null: none. */
  own?(device: Device): OwnFlow | null;
  /** Why it is live though the isolator is off; absent: it has no volts of its own. */
  liveBy?: LiveBy;
  /** What can be set on it where it is put in by hand; absent: nothing. */
  settings?(device: Device): readonly PartSetting[];
  /** The terminals a wire may land on. */
  terminals(device: Device): readonly string[];
  /** Ways a current meant for loads may take inside, everything closed: for tracing circuits. */
  paths(device: Device): readonly Path[];
  /** Opens and closes what goes through it: by a hand, a door, a coil, a fob or rules of its own. */
  isContact?: true;
  /** What its closed contact adds to a short circuit's way, ohm; absent: a panel switch's. */
  closedOhm?(device: Device): number;
  /** What a hand, the vehicle or a fault can set, with its values; the first is the resting one. */
  controls?(device: Device): Record<string, readonly ControlValue[]>;
  /**
   * Whether one of its controls is moved in ordinary use, by a hand, a door, a fob or the vehicle, and not by a fault; `isLanded` says
   * which terminals have a wire.
   */
  workedInUse?(device: Device, control: string, isLanded: (terminal: string) => boolean): boolean;
  /** Terminals that only one of is joined to a common one at a time; absent: none. */
  eitherOr?(device: Device): readonly Throws[];
  /** Terminals whose wiring has a part in what one of them does; absent: all. A coil's wires do not hang on what its contacts lead to. */
  deciding?(device: Device, terminal: string): readonly string[];
  /** Puts its elements into the network. Values given as functions follow the state. */
  stamp(device: Device, net: Stamper): void;
  /** What it remembers next, seeing what it sees. The same object when nothing changes. */
  step?(device: Device, sees: Sees): Memory;
  /** Times it measures, s: each is worth waiting for. */
  times?(device: Device): readonly number[];
  /** Whether this one never steps although its kind may. */
  isStill?(device: Device): boolean;
}

/** Symbols there are in the diagram. */
export type SymbolId =
  | 'battery'
  | 'fuse'
  | 'breaker'
  | 'make'
  | 'button'
  | 'changeover'
  | 'roller'
  | 'relay'
  | 'lamp'
  | 'motor'
  | 'heater'
  | 'consumer'
  | 'converter'
  | 'dimmer'
  | 'diode'
  | 'bar'
  | 'joint'
  | 'plug'
  | 'ground'
  | 'isolator'
  | 'shunt'
  | 'radio'
  | 'sensor'
  | 'hub'
  | 'source'
  | 'vehicle';

/**
 * Whether and why a part may be turned round: a bare or a diode's coil, contacts, fuses, a switch with a pilot lamp, what has plus and
 * minus.
 */
export type TurnVerdict = 'coilFree' | 'coilDiode' | 'contactFree' | 'fuseFree' | 'pilotFixed' | 'poled';

/** Why something is live though the isolator is off. */
export type LiveBy = 'ahead' | 'sun' | 'vehicle' | 'engine' | 'hookup';

/**
 * A current of a part's own, A at the system's nominal volts, and the terminals it flows between; all day, or only while something works
 * it.
 */
export interface OwnFlow {
  ampsAt(nominalV: number): number;
  plus: string;
  minus: string;
  allDay: boolean;
}

/** A changeover contact: its common terminal and those it is joined to, one at a time. */
export interface Throws {
  common: string;
  throws: readonly Throw[];
}

/** One of them, and what joins it: a control set to a value, or a memory that is so. */
export interface Throw {
  terminal: string;
  by: { control: string; value: ControlValue } | { memory: string; value: boolean };
}

export interface Path {
  from: string;
  to: string;
}

export type ControlValue = string | number | boolean;
export type Memory = Readonly<Record<string, ControlValue>>;
/** Memory of a device that remembers nothing yet. */
export const NOTHING: Memory = {};

/** The state of one device: what is set on it and what it remembers. */
export interface DeviceState {
  control(key: string): ControlValue;
  memory: Memory;
  timeS: number;
  /** Time runs: what comes late has yet to come. Absent: all stands as it has long stood. */
  timeRuns?: boolean;
}

export interface Sees extends DeviceState {
  /** Volts of one terminal over another. */
  across(plus: string, minus: string): number;
  /** Amperes through one of its own elements. */
  amps(part: string): number;
}

type Live<T> = T | ((state: DeviceState) => T);

/** Adds a device's elements, between its own terminals by name or between nodes of its inside, whose names begin with #. */
export interface Stamper {
  resistor(part: string, a: string, b: string, ohm: number): void;
  /** A contact: so many ohms closed, insulation open. */
  contact(part: string, a: string, b: string, closed: Live<boolean>, closedOhm: number): void;
  voltage(part: string, a: string, b: string, volts: Live<number>): void;
  law(part: string, a: string, b: string, law: Live<Law>): void;
  /** A pulse-width dimmer, see DutyDrop. */
  duty(part: string, a: string, b: string, common: string, share: Live<number>, ohm: number): void;
  /** A contact to a terminal of another device, by node name. */
  outside(deviceId: string, terminal: string): string;
  /** Fuses sitting in this device's slots. */
  mounted: readonly { id: string }[];
  /** The fuse whose slot this one taps. */
  host: { id: string } | null;
  /** The system's nominal volts. */
  nominalV: number;
}

/** Resistance of an open contact and of whatever else insulates, ohm: a wire hanging loose reads as nothing, not as anything. */
export const INSULATION_OHM = 1e9;
/** The least resistance any joint has, ohm. */
export const LEAST_OHM = 1e-6;
/** What leaks through any load that is off, ohm: enough that a loose wire's charge does not wake it. */
export const LEAK_OHM = 1e6;
