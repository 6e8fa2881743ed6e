import type { ConductorSize } from '../catalog/conductorSizes';
import type { Design } from '../design/design';
import type { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { TerminalRef, Wire } from '../design/schema';

/** Adds a wire between two terminals. */
export function addWire(
  edit: Edit,
  role: Wire['role'],
  from: TerminalRef,
  to: TerminalRef,
  lengthMm: number,
  conductor: ConductorSize,
): Wire {
  return edit.add<Wire>({ id: newId('wire'), type: 'wire', role, from, to, lengthMm, lengthMeasured: false, conductor });
}

export function wiresAt(design: Design, deviceId: string, terminal: string): Wire[] {
  const found: Wire[] = [];
  for (const record of design.records.values()) {
    if (record.type !== 'wire') continue;
    const ends = [record.from, record.to];
    if (ends.some((end) => end.deviceId === deviceId && end.terminal === terminal)) found.push(record);
  }
  return found;
}

export function detachAll(edit: Edit, deviceId: string): void {
  for (const record of edit.design.records.values()) {
    if (record.type === 'wire' && (record.from.deviceId === deviceId || record.to.deviceId === deviceId)) edit.remove(record.id);
  }
}
