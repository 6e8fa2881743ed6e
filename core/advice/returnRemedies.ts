import type { Finding } from '../analysis/finding';
import type { Analysis } from '../analysis/types';
import { setting, updateRecords } from '../design/change';
import { recordOf } from '../design/design';
import { nameOf } from '../design/names';
import type { TerminalRef } from '../design/schema';
import { terminalKey } from '../network/wiring';
import type { Remedy } from './remedy';

/** A return that goes past a shunt or an isolator is landed on the side of it away from the battery. */
export function returnRemedies({ design, wiring }: Analysis, { rule, subjects }: Finding): Remedy[] {
  if (rule !== 'wiring.goesPast') return [];
  const [wire, past] = [recordOf(design, subjects[0]!, 'wire'), subjects[1]!];
  const { at, nodes } = wiring.return;
  // The tree grows from the battery: the terminal of it that was reached last is the loads' side.
  const away = nodes.findLast(({ deviceId }) => deviceId === past);
  if (!wire || !away) return [];
  // And the wire's end that was reached first the one on the far side.
  const reached = ({ deviceId, terminal }: TerminalRef) => at.get(terminalKey(deviceId, terminal)) ?? Infinity;
  const end = { deviceId: past, terminal: away.terminal };
  const change = updateRecords(design, [setting(wire, reached(wire.from) < reached(wire.to) ? { from: end } : { to: end })]);
  return [{ label: `Land it on the loads’ side of ${nameOf(design, past)}`, change }];
}
