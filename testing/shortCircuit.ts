import type { TerminalRef } from '../core/design/schema';
import type { LiveDesign } from '../core/network/settle';

/** The current a bolted fault to the battery's minus would carry at one terminal. */
export interface ProspectiveCurrent extends TerminalRef {
  amps: number;
}

/** Terminals under this are on the return side, V. */
const LEAST_V = 1;

/**
 * A second way to prospective short-circuit currents, to hold the analysis' own against: open-circuit voltage over the resistance the
 * solved network shows at a terminal (Thevenin), the battery as it usually is. Best asked with every load off.
 */
export function prospectiveCurrents(live: LiveDesign): ProspectiveCurrent[] {
  const { battery } = live.compiled.index;
  const minus = { deviceId: battery?.id ?? '', terminal: 'minus' };
  const found: ProspectiveCurrent[] = [];
  for (const name of live.compiled.nodeOf.keys()) {
    const [deviceId, terminal] = name.split('/') as [string, string];
    if (terminal.startsWith('#')) continue;
    const volts = live.voltage({ deviceId, terminal })!;
    if (volts > LEAST_V) found.push({ deviceId, terminal, amps: volts / live.resistanceBetween({ deviceId, terminal }, minus) });
  }
  return found;
}
