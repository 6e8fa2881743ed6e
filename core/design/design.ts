import { SETTINGS_ID } from '../catalog/vocabulary';
import type { DesignRecord, Device, Protection, RecordType, Settings } from './schema';

/** A design: its records by id. Records are never changed in place; a Change makes a new Design. */
export interface Design {
  readonly records: ReadonlyMap<string, DesignRecord>;
}

type RecordOf<T extends RecordType> = Extract<DesignRecord, { type: T }>;
type DeviceOf<K extends Device['kind']> = Extract<Device, { kind: K }>;

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

export function slotKey({ blockId, slot }: NonNullable<Protection['mount']>): string {
  return `${blockId}/${slot}`;
}
