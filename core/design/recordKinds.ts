import { lookWords } from '../catalog/wireColours';
import { kindOf } from '../devices';
import { slotKey, type Design } from './design';
import type { Problem } from './problems';
import type { DesignRecord, Device, Lead, Mover, PartRecord, RecordType, TerminalRef, WishSays } from './schema';

/** What a record refers to: the field, the id, and what must be found there. */
export interface Reference {
  field: string;
  id: string;
  type: RecordType;
  kind?: Device['kind'];
}

/** What no two records of a design may share, and what is wrong when they do. */
export interface Sole extends Pick<Problem, 'code' | 'field' | 'other'> {
  key: string;
}

/** What is known of a type of record beside its schema. A new type does not compile without an entry. */
interface RecordKind<R extends DesignRecord> {
  /** What it is called; `called` names another record. */
  name(record: R, called: (id: string) => string): string;
  /** What it refers to; absent: nothing. */
  refersTo?(record: R): readonly Reference[];
  /** What is wrong with it as it stands in its design, its references apart. */
  wrong?(record: R, design: Design): readonly Problem[];
  /** What it alone may say. */
  soles?(record: R): readonly Sole[];
  /** Whether it is designed, and so may be one way or another: not what there is, or was done, read and seen. */
  isPart: R extends PartRecord ? true : false;
  /** Its fields that are so of the vehicle or the work, whatever is chosen: no option sets them. */
  notChosen?: readonly FieldOf<R>[];
  /**
   * Of the design, and goes where it goes; of who makes it, and no part of a hunt; or done and seen in one vehicle, and no part of a copy
   * either.
   */
  of: 'design' | 'maker' | 'vehicle';
}

/** A field that any of some records has. */
type FieldOf<R> = R extends unknown ? keyof R & string : never;

type RecordOf<T extends RecordType> = Extract<DesignRecord, { type: T }>;

const RECORD_KINDS: { [T in RecordType]: RecordKind<RecordOf<T>> } = {
  settings: {
    name: ({ name }) => name,
    refersTo: ({ scenarioId }) => to('scenarioId', scenarioId, 'scenario'),
    isPart: true,
    notChosen: ['name', 'units', 'scenarioId', 'prices'],
    of: 'design',
  },
  zone: { name: ({ name }) => name, isPart: true, of: 'design' },
  device: {
    name: ({ name }) => name,
    refersTo: (device) => [
      ...to('zoneId', device.zoneId, 'zone'),
      ...to('placeId', device.placeId, 'place'),
      ...to('kitId', device.kitId, 'kit'),
      ...(device.kind === 'protection' ? to('mount.blockId', device.mount?.blockId, 'device', 'fuseBlock') : []),
      ...(device.kind === 'load' ? to('partOf.loadId', device.partOf?.loadId, 'device', 'load') : []),
      ...(device.kind === 'solarPanel' ? to('controllerId', device.controllerId, 'device', 'solarController') : []),
    ],
    wrong: wrongDevice,
    soles: (device) => {
      if (device.kind === 'battery') return [{ key: 'battery', code: 'secondBattery' }];
      if (device.kind !== 'protection' || !device.mount) return [];
      const { slot, tap } = device.mount;
      return [{ key: `slot ${slotKey(device.mount)}/${tap ? 'tap' : ''}`, code: 'slotTaken', field: 'mount.slot', other: String(slot) }];
    },
    isPart: true,
    notChosen: ['work', 'fittedA'],
    of: 'design',
  },
  wire: {
    name: ({ from, to: end }, called) => `${called(from.deviceId)} to ${called(end.deviceId)}`,
    refersTo: (wire) => [
      ...to('from.deviceId', wire.from.deviceId, 'device'),
      ...to('to.deviceId', wire.to.deviceId, 'device'),
      ...(wire.via ?? []).flatMap((routeId) => to('via', routeId, 'route')),
      ...to('core.cableId', wire.core?.cableId, 'cable'),
      ...to('kitId', wire.kitId, 'kit'),
    ],
    wrong: ({ id, from, to: end, core }, design) => {
      const isToItself = from.deviceId === end.deviceId && from.terminal === end.terminal;
      const cable = design.records.get(core?.cableId ?? '');
      const hasNoCore = core && cable?.type === 'cable' && core.at > cable.cores.length;
      return [
        ...unknownTerminal(design, id, 'from', from),
        ...unknownTerminal(design, id, 'to', end),
        ...(isToItself ? [{ code: 'wireToItself' as const, id }] : []),
        ...(hasNoCore ? [{ code: 'noSuchCore' as const, id, field: 'core.at', other: String(core.at) }] : []),
      ];
    },
    soles: ({ core }) =>
      core ? [{ key: `core ${core.cableId}/${core.at}`, code: 'coreTaken', field: 'core.at', other: String(core.at) }] : [],
    isPart: true,
    notChosen: ['work', 'made'],
    of: 'design',
  },
  circuit: {
    name: ({ number, name }) => `${String(number).padStart(2, '0')} ${name}`,
    refersTo: ({ zoneId, protectionId }) => [...to('zoneId', zoneId, 'zone'), ...to('protectionId', protectionId, 'device', 'protection')],
    soles: ({ protectionId }) => [{ key: `circuit ${protectionId}`, code: 'protectionShared', field: 'protectionId', other: protectionId }],
    isPart: true,
    of: 'design',
  },
  scenario: { name: ({ name }) => name, isPart: true, of: 'design' },
  duty: {
    name: ({ loadId }, called) => called(loadId),
    refersTo: ({ scenarioId, loadId }) => [...to('scenarioId', scenarioId, 'scenario'), ...to('loadId', loadId, 'device', 'load')],
    soles: ({ scenarioId, loadId, level }) => [
      { key: `duty ${scenarioId}/${loadId}/${level ?? ''}`, code: 'dutyRepeated', field: 'loadId', other: loadId },
    ],
    isPart: true,
    of: 'design',
  },
  place: { name: ({ name }) => name, refersTo: ({ zoneId }) => to('zoneId', zoneId, 'zone'), isPart: true, of: 'design' },
  route: {
    name: ({ name }) => name,
    refersTo: ({ fromId, toId }) => [...to('fromId', fromId, 'place'), ...to('toId', toId, 'place')],
    wrong: ({ id, fromId, toId }) => (fromId === toId ? [{ code: 'routeToItself', id }] : []),
    isPart: true,
    of: 'design',
  },
  wish: {
    name: ({ loadId }, called) => called(loadId),
    refersTo: ({ loadId, says }) => [...to('loadId', loadId, 'device', 'load'), ...namedBy(says)],
    isPart: true,
    of: 'maker',
  },
  panel: { name: ({ name }) => name, refersTo: ({ placeId }) => to('placeId', placeId, 'place'), isPart: true, of: 'design' },
  panelPart: {
    name: ({ panelId, position }, called) => `${called(panelId)}, position ${position}`,
    refersTo: ({ panelId, deviceId }) => [...to('panelId', panelId, 'panel'), ...to('deviceId', deviceId, 'device')],
    wrong: ({ id, panelId, position, deviceId, control }, design) => {
      const panel = design.records.get(panelId);
      const device = design.records.get(deviceId);
      const isOutside = panel?.type === 'panel' && position > panel.columns * panel.rows;
      const isUnknown = control !== undefined && device?.type === 'device' && !(control in (kindOf(device).controls?.(device) ?? {}));
      return [
        ...(isOutside ? [{ code: 'noSuchPosition' as const, id, field: 'position', other: String(position) }] : []),
        ...(isUnknown ? [{ code: 'noSuchControl' as const, id, field: 'control', other: control }] : []),
      ];
    },
    soles: ({ panelId, position, deviceId, control }) => [
      { key: `position ${panelId}/${position}`, code: 'positionTaken', field: 'position', other: String(position) },
      { key: `seat ${deviceId}/${control ?? ''}`, code: 'onTwoPanels', field: 'deviceId', other: deviceId },
    ],
    isPart: true,
    of: 'design',
  },
  cable: { name: ({ name }) => name, isPart: true, of: 'design' },
  lead: {
    name: (lead, called) => `${called(lead.deviceId)}, ${lookWords(lead)} lead`,
    refersTo: ({ deviceId }) => to('deviceId', deviceId, 'device'),
    wrong: wrongLead,
    isPart: true,
    notChosen: ['proved'],
    of: 'design',
  },
  kit: { name: ({ name }) => name, isPart: true, of: 'design' },
  rig: { name: () => 'The vehicle', isPart: false, of: 'design' },
  keepClear: { name: ({ name }) => name, isPart: false, of: 'design' },
  log: { name: ({ name }) => name, isPart: false, of: 'maker' },
  trigger: { name: ({ name }) => name, isPart: false, of: 'maker' },
  reel: { name: ({ name }) => name, isPart: false, of: 'design' },
  stock: {
    name: ({ part }) => part,
    soles: ({ part }) => [{ key: `stock ${part}`, code: 'saidTwice', field: 'part', other: part }],
    isPart: false,
    of: 'maker',
  },
  reading: {
    name: ({ what }, called) => called(what.kind === 'amps' ? what.wireId : what.at.deviceId),
    refersTo: ({ what, moved }) => [
      ...(what.kind === 'amps'
        ? to('what.wireId', what.wireId, 'wire')
        : [...to('what.at.deviceId', what.at.deviceId, 'device'), ...to('what.to.deviceId', what.to?.deviceId, 'device')]),
      ...moved.flatMap(({ mover }) => devicesMoved('moved', mover)),
    ],
    isPart: false,
    of: 'vehicle',
  },
  doneTask: {
    name: ({ task }) => task,
    soles: ({ task }) => [{ key: `done ${task}`, code: 'saidTwice', field: 'task', other: task }],
    isPart: false,
    of: 'vehicle',
  },
  handTask: {
    name: ({ text, task }) => text ?? task,
    refersTo: ({ placeId }) => to('placeId', placeId, 'place'),
    soles: ({ task }) => [{ key: `hand ${task}`, code: 'saidTwice', field: 'task', other: task }],
    isPart: false,
    of: 'vehicle',
  },
  event: { name: ({ text }) => text, isPart: false, of: 'vehicle' },
  photo: { name: ({ caption }) => caption, refersTo: ({ eventId }) => to('eventId', eventId, 'event'), isPart: false, of: 'vehicle' },
  benchRun: { name: ({ name }) => name, isPart: false, of: 'maker' },
  choice: {
    name: ({ name }) => name,
    refersTo: ({ standingId }) => to('standingId', standingId, 'option'),
    isPart: false,
    of: 'maker',
  },
  // What an option would add, change or remove is held against the design as it is taken.
  option: { name: ({ name }) => name, refersTo: ({ choiceId }) => to('choiceId', choiceId, 'choice'), isPart: false, of: 'maker' },
  drawn: {
    name: ({ deviceId }, called) => called(deviceId),
    refersTo: ({ circuitId, deviceId }) => [...to('circuitId', circuitId, 'circuit'), ...to('deviceId', deviceId, 'device')],
    soles: ({ circuitId, deviceId, isHome }) => [
      { key: `drawn ${circuitId ?? ''} ${deviceId} ${isHome ?? ''}`, code: 'saidTwice', field: 'deviceId', other: deviceId },
    ],
    isPart: false,
    of: 'maker',
  },
};

/** Whether a record is designed, and so may be one way or another. */
export function isPart(record: DesignRecord): record is PartRecord {
  return RECORD_KINDS[record.type].isPart;
}

/** What is known of a record's type. */
export function recordKindOf<R extends DesignRecord>(record: R): RecordKind<R> {
  return RECORD_KINDS[record.type] as unknown as RecordKind<R>;
}

function to(field: string, id: string | null | undefined, type: RecordType, kind?: Device['kind']): Reference[] {
  return id === null || id === undefined ? [] : [{ field, id, type, ...(kind && { kind }) }];
}

function devicesMoved(field: string, mover: Mover): Reference[] {
  return mover.kind === 'device' ? to(field, mover.deviceId, 'device') : [];
}

/** The devices a wish names beside its load. */
function namedBy(says: WishSays): Reference[] {
  switch (says.kind) {
    case 'on':
    case 'off':
      return says.when.flatMap(({ mover }) => devicesMoved('says.when', mover));
    case 'neverWith':
      return to('says.otherId', says.otherId, 'device', 'load');
    case 'staysOn':
      return devicesMoved('says.after', says.after.mover);
    case 'whatever':
      return devicesMoved('says.mover', says.mover);
    case 'stillWorks':
      return to('says.withoutId', says.withoutId, 'device');
    case 'keyOut':
    case 'powerBack':
    case 'notByOne':
    case 'levelKept':
      return [];
  }
}

/** A function of a function, and a slot its block has not. */
function wrongDevice(device: Device, { records }: Design): Problem[] {
  const { id } = device;
  if (device.kind === 'load' && device.partOf) {
    const { loadId } = device.partOf;
    const lamp = records.get(loadId);
    const isFunction = lamp?.type === 'device' && lamp.kind === 'load' && lamp.partOf;
    return isFunction || loadId === id ? [{ code: 'functionOfFunction', id, field: 'partOf.loadId', other: loadId }] : [];
  }
  if (device.kind !== 'protection' || !device.mount) return [];
  const { blockId, slot } = device.mount;
  const block = records.get(blockId);
  const isOutside = block?.type === 'device' && block.kind === 'fuseBlock' && slot > block.slots;
  return isOutside ? [{ code: 'noSuchSlot', id, field: 'mount.slot', other: String(slot) }] : [];
}

/** A lead's terminals are its device's, or, of a lamp with functions, theirs. */
function wrongLead({ id, deviceId, says, proved }: Lead, { records }: Design): Problem[] {
  const device = records.get(deviceId);
  if (device?.type !== 'device') return [];
  const terminals = new Set(kindOf(device).terminals(device));
  return [proved, ...says.map(({ terminal }) => terminal)].flatMap((terminal, at): Problem[] => {
    if (typeof terminal !== 'string' || terminals.has(terminal)) return [];
    return [{ code: 'unknownTerminal', id, field: at === 0 ? 'proved' : `says.${at - 1}.terminal`, other: terminal }];
  });
}

function unknownTerminal({ records }: Design, id: string, field: string, { deviceId, terminal }: TerminalRef): Problem[] {
  const device = records.get(deviceId);
  if (device?.type !== 'device' || kindOf(device).terminals(device).includes(terminal)) return [];
  return [{ code: 'unknownTerminal', id, field: `${field}.terminal`, other: terminal }];
}
