import { slotKey, type Design } from './design';
import type { DesignRecord, Device, Lead, Mover, PanelPart, TerminalRef, Wire, WishSays } from './schema';
import type { Problem } from './problems';
import { kindOf } from '../devices';
import { LIMITS, SETTINGS_ID } from '../catalog/vocabulary';

interface Reference {
  field: string;
  id: string;
  type: DesignRecord['type'];
  kind?: Device['kind'];
}

/** Every id a record refers to, with what it must find there. */
export function referencesOf(record: DesignRecord): Reference[] {
  const refs: Reference[] = [];
  const add = (field: string, id: string | null, type: Reference['type'], kind?: Device['kind']) => {
    if (id !== null) refs.push({ field, id, type, ...(kind && { kind }) });
  };
  switch (record.type) {
    case 'settings':
      add('scenarioId', record.scenarioId, 'scenario');
      break;
    case 'device':
      add('zoneId', record.zoneId, 'zone');
      add('placeId', record.placeId ?? null, 'place');
      add('kitId', record.kitId ?? null, 'kit');
      if (record.kind === 'protection' && record.mount) add('mount.blockId', record.mount.blockId, 'device', 'fuseBlock');
      if (record.kind === 'load' && record.partOf) add('partOf.loadId', record.partOf.loadId, 'device', 'load');
      if (record.kind === 'solarPanel') add('controllerId', record.controllerId, 'device', 'solarController');
      break;
    case 'wire':
      add('from.deviceId', record.from.deviceId, 'device');
      add('to.deviceId', record.to.deviceId, 'device');
      for (const routeId of record.via ?? []) add('via', routeId, 'route');
      add('core.cableId', record.core?.cableId ?? null, 'cable');
      add('kitId', record.kitId ?? null, 'kit');
      break;
    case 'place':
      add('zoneId', record.zoneId, 'zone');
      break;
    case 'route':
      add('fromId', record.fromId, 'place');
      add('toId', record.toId, 'place');
      break;
    case 'circuit':
      add('zoneId', record.zoneId, 'zone');
      add('protectionId', record.protectionId, 'device', 'protection');
      break;
    case 'duty':
      add('scenarioId', record.scenarioId, 'scenario');
      add('loadId', record.loadId, 'device', 'load');
      break;
    case 'wish':
      add('loadId', record.loadId, 'device', 'load');
      for (const { field, id, kind } of wishReferences(record.says)) add(field, id, 'device', kind);
      break;
    case 'panel':
      add('placeId', record.placeId, 'place');
      break;
    case 'panelPart':
      add('panelId', record.panelId, 'panel');
      add('deviceId', record.deviceId, 'device');
      break;
    case 'reading':
      if (record.what.kind === 'amps') add('what.wireId', record.what.wireId, 'wire');
      else {
        add('what.at.deviceId', record.what.at.deviceId, 'device');
        add('what.to.deviceId', record.what.to?.deviceId ?? null, 'device');
      }
      for (const { mover } of record.moved) if (mover.kind === 'device') add('moved', mover.deviceId, 'device');
      break;
    case 'handTask':
      add('placeId', record.placeId ?? null, 'place');
      break;
    case 'photo':
      add('eventId', record.eventId ?? null, 'event');
      break;
    case 'lead':
      add('deviceId', record.deviceId, 'device');
      break;
    case 'drawn':
      add('circuitId', record.circuitId, 'circuit');
      add('deviceId', record.deviceId, 'device');
      break;
    case 'choice':
      add('standingId', record.standingId, 'option');
      break;
    case 'option':
      // What it would add, change or remove is held against the design as it is taken.
      add('choiceId', record.choiceId, 'choice');
      break;
    case 'zone':
    case 'scenario':
    case 'rig':
    case 'keepClear':
    case 'log':
    case 'trigger':
    case 'reel':
    case 'cable':
    case 'kit':
    case 'doneTask':
    case 'stock':
    case 'event':
    case 'benchRun':
      break;
  }
  return refs;
}

/** The devices a wish names beside its load. */
function wishReferences(says: WishSays): { field: string; id: string; kind?: 'load' }[] {
  const moved = (field: string, mover: Mover) => (mover.kind === 'device' ? [{ field, id: mover.deviceId }] : []);
  switch (says.kind) {
    case 'on':
    case 'off':
      return says.when.flatMap(({ mover }) => moved('says.when', mover));
    case 'neverWith':
      return [{ field: 'says.otherId', id: says.otherId, kind: 'load' }];
    case 'staysOn':
      return moved('says.after', says.after.mover);
    case 'whatever':
      return moved('says.mover', says.mover);
    case 'stillWorks':
      return [{ field: 'says.withoutId', id: says.withoutId }];
    case 'keyOut':
    case 'powerBack':
    case 'notByOne':
    case 'levelKept':
      return [];
  }
}

/** Checks a whole design: references, terminals, slots and what may exist only once. Returns every problem found. */
export function checkReferences(design: Design): Problem[] {
  const problems = checkFrame(design);
  for (const record of design.records.values()) checkOwnReferences(design, record, problems);
  checkUniqueness(design, problems);
  return problems;
}

/**
 * The same for a design that was whole before these records were added, changed or removed: it looks only where a problem
 * can have come in. What others refer to is looked at when a record went away or a device lost terminals or slots.
 */
export function checkAround(design: Design, changed: readonly DesignRecord[], reshaped: ReadonlySet<string>): Problem[] {
  const problems = checkFrame(design);
  for (const record of changed) checkOwnReferences(design, record, problems);
  if (reshaped.size > 0) {
    const own = new Set(changed);
    for (const record of design.records.values()) {
      if (!own.has(record) && referencesOf(record).some(({ id }) => reshaped.has(id))) checkOwnReferences(design, record, problems);
    }
  }
  if (changed.some((record) => UNIQUE.has(record.type) || isUnique(record))) checkUniqueness(design, problems);
  return problems;
}

/** Records no two of which may say the same of something. */
const UNIQUE: ReadonlySet<DesignRecord['type']> = new Set(['circuit', 'duty', 'panelPart', 'stock', 'doneTask', 'handTask', 'drawn']);

function isUnique(record: DesignRecord): boolean {
  if (record.type === 'wire') return record.core !== undefined;
  return record.type === 'device' && (record.kind === 'battery' || record.kind === 'protection');
}

function checkFrame(design: Design): Problem[] {
  const problems: Problem[] = [];
  if (design.records.get(SETTINGS_ID)?.type !== 'settings') problems.push({ code: 'settingsMissing', id: SETTINGS_ID });
  if (design.records.size > LIMITS.recordsPerDesign) {
    problems.push({ code: 'tooManyRecords', id: SETTINGS_ID, other: String(design.records.size) });
  }
  return problems;
}

function checkOwnReferences(design: Design, record: DesignRecord, problems: Problem[]): void {
  for (const ref of referencesOf(record)) {
    const found = design.records.get(ref.id);
    const fits = found?.type === ref.type && (!ref.kind || (found.type === 'device' && found.kind === ref.kind));
    if (!fits) problems.push({ code: 'danglingReference', id: record.id, field: ref.field, other: ref.id });
  }
  if (record.type === 'wire') {
    checkTerminal(design, record.id, 'from', record.from, problems);
    checkTerminal(design, record.id, 'to', record.to, problems);
    if (record.from.deviceId === record.to.deviceId && record.from.terminal === record.to.terminal) {
      problems.push({ code: 'wireToItself', id: record.id });
    }
  }
  if (record.type === 'device' && record.kind === 'load' && record.partOf) {
    const lamp = design.records.get(record.partOf.loadId);
    const isFunction = lamp?.type === 'device' && lamp.kind === 'load' && lamp.partOf;
    if (isFunction || record.partOf.loadId === record.id)
      problems.push({ code: 'functionOfFunction', id: record.id, field: 'partOf.loadId', other: record.partOf.loadId });
  }
  if (record.type === 'route' && record.fromId === record.toId) problems.push({ code: 'routeToItself', id: record.id });
  if (record.type === 'device' && record.kind === 'protection' && record.mount) {
    const block = design.records.get(record.mount.blockId);
    if (block?.type === 'device' && block.kind === 'fuseBlock' && record.mount.slot > block.slots) {
      problems.push({ code: 'noSuchSlot', id: record.id, field: 'mount.slot', other: String(record.mount.slot) });
    }
  }
  if (record.type === 'wire' && record.core) checkCore(design, record.id, record.core, problems);
  if (record.type === 'lead') checkLead(design, record, problems);
  if (record.type === 'panelPart') checkPosition(design, record, problems);
}

function checkPosition(design: Design, { id, panelId, position, deviceId, control }: PanelPart, problems: Problem[]): void {
  const panel = design.records.get(panelId);
  if (panel?.type === 'panel' && position > panel.columns * panel.rows)
    problems.push({ code: 'noSuchPosition', id, field: 'position', other: String(position) });
  const device = design.records.get(deviceId);
  if (control !== undefined && device?.type === 'device' && !(control in (kindOf(device).controls?.(device) ?? {})))
    problems.push({ code: 'badField', id, field: 'control', other: `the device has nothing called ${control} to work` });
}

function checkCore(design: Design, id: string, { cableId, at }: NonNullable<Wire['core']>, problems: Problem[]): void {
  const cable = design.records.get(cableId);
  if (cable?.type === 'cable' && at > cable.cores.length) problems.push({ code: 'noSuchCore', id, field: 'core.at', other: String(at) });
}

/** A lead's terminals are its device's, or, of a lamp with functions, theirs. */
function checkLead(design: Design, { id, deviceId, says, proved }: Lead, problems: Problem[]): void {
  const device = design.records.get(deviceId);
  if (device?.type !== 'device') return;
  const terminals = new Set(kindOf(device).terminals(device));
  [proved, ...says.map(({ terminal }) => terminal)].forEach((terminal, at) => {
    if (typeof terminal !== 'string' || terminals.has(terminal)) return;
    problems.push({ code: 'unknownTerminal', id, field: at === 0 ? 'proved' : `says.${at - 1}.terminal`, other: terminal });
  });
}

function checkTerminal(design: Design, wireId: string, field: string, end: TerminalRef, problems: Problem[]): void {
  const device = design.records.get(end.deviceId);
  if (device?.type === 'device' && !kindOf(device).terminals(device).includes(end.terminal)) {
    problems.push({ code: 'unknownTerminal', id: wireId, field: `${field}.terminal`, other: end.terminal });
  }
}

function checkUniqueness(design: Design, problems: Problem[]): void {
  const slots = new Set<string>();
  const protections = new Set<string>();
  const duties = new Set<string>();
  const positions = new Set<string>();
  const seated = new Set<string>();
  const cores = new Set<string>();
  const parts = new Set<string>();
  let battery = false;
  for (const record of design.records.values()) {
    if (record.type === 'device' && record.kind === 'battery') {
      if (battery) problems.push({ code: 'secondBattery', id: record.id });
      battery = true;
    } else if (record.type === 'device' && record.kind === 'protection' && record.mount) {
      const key = `${slotKey(record.mount)}/${record.mount.tap ? 'tap' : ''}`;
      if (slots.has(key)) problems.push({ code: 'slotTaken', id: record.id, field: 'mount.slot', other: String(record.mount.slot) });
      slots.add(key);
    } else if (record.type === 'circuit') {
      if (protections.has(record.protectionId)) {
        problems.push({ code: 'protectionShared', id: record.id, field: 'protectionId', other: record.protectionId });
      }
      protections.add(record.protectionId);
    } else if (record.type === 'duty') {
      const key = `${record.scenarioId}/${record.loadId}/${record.level ?? ''}`;
      if (duties.has(key)) problems.push({ code: 'dutyRepeated', id: record.id, field: 'loadId', other: record.loadId });
      duties.add(key);
    } else if (record.type === 'wire' && record.core) {
      const key = `${record.core.cableId}/${record.core.at}`;
      if (cores.has(key)) problems.push({ code: 'coreTaken', id: record.id, field: 'core.at', other: String(record.core.at) });
      cores.add(key);
    } else if (record.type === 'stock') {
      if (parts.has(record.part)) problems.push({ code: 'saidTwice', id: record.id, field: 'part', other: record.part });
      parts.add(record.part);
    } else if (record.type === 'drawn') {
      const key = `drawn ${record.circuitId ?? ''} ${record.deviceId} ${record.isHome ?? ''}`;
      if (parts.has(key)) problems.push({ code: 'saidTwice', id: record.id, field: 'deviceId', other: record.deviceId });
      parts.add(key);
    } else if (record.type === 'doneTask' || record.type === 'handTask') {
      const key = `${record.type} ${record.task}`;
      if (parts.has(key)) problems.push({ code: 'saidTwice', id: record.id, field: 'task', other: record.task });
      parts.add(key);
    } else if (record.type === 'panelPart') {
      const [position, thing] = [`${record.panelId}/${record.position}`, `${record.deviceId}/${record.control ?? ''}`];
      if (positions.has(position))
        problems.push({ code: 'positionTaken', id: record.id, field: 'position', other: String(record.position) });
      if (seated.has(thing)) problems.push({ code: 'onTwoPanels', id: record.id, field: 'deviceId', other: record.deviceId });
      positions.add(position);
      seated.add(thing);
    }
  }
}
