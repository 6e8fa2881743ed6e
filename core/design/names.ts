import { lookWords } from '../catalog/wireColours';
import type { Design } from './design';

/** What a record is called: its name, a circuit with its number, a wire by its two ends. */
export function nameOf(design: Design, id: string | undefined): string {
  const record = id === undefined ? undefined : design.records.get(id);
  switch (record?.type) {
    case 'circuit':
      return `${String(record.number).padStart(2, '0')} ${record.name}`;
    case 'wire':
      return `${nameOf(design, record.from.deviceId)} to ${nameOf(design, record.to.deviceId)}`;
    case 'settings':
    case 'zone':
    case 'device':
    case 'scenario':
    case 'place':
    case 'route':
    case 'keepClear':
    case 'log':
    case 'trigger':
    case 'panel':
    case 'reel':
    case 'cable':
    case 'kit':
    case 'benchRun':
    case 'choice':
    case 'option':
      return record.name;
    case 'panelPart':
      return `${nameOf(design, record.panelId)}, position ${record.position}`;
    case 'drawn':
      return nameOf(design, record.deviceId);
    case 'lead':
      return `${nameOf(design, record.deviceId)}, ${lookWords(record)} lead`;
    case 'stock':
      return record.part;
    case 'event':
      return record.text;
    case 'photo':
      return record.caption;
    case 'doneTask':
      return record.task;
    case 'handTask':
      return record.text ?? record.task;
    case 'reading':
      return record.what.kind === 'amps' ? nameOf(design, record.what.wireId) : nameOf(design, record.what.at.deviceId);
    case 'rig':
      return 'The vehicle';
    case 'duty':
    case 'wish':
      return nameOf(design, record.loadId);
    case undefined:
      return id ?? '';
  }
}
