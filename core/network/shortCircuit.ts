import { openingBandS, openingTimeS } from '../catalog/fuseTimes';
import type { DesignIndex } from '../design/design';
import type { DesignRecord, Protection, TerminalRef, Wire } from '../design/schema';
import { indexDesign, makeDesign } from '../design/design';
import type { ControlState } from './controlState';
import { LiveDesign } from './settle';

/** The current a bolted fault to the battery's minus would carry at one terminal. */
export interface ProspectiveCurrent extends TerminalRef {
  amps: number;
}

/**
 * Prospective short-circuit current at every terminal that has voltage: open-circuit voltage over the resistance the rest
 * of the network shows there (Thevenin), battery resistance counted. Best asked with every load off; at the battery's own
 * terminals it is what the battery alone can give.
 */
export function prospectiveCurrents(live: LiveDesign): ProspectiveCurrent[] {
  const found: ProspectiveCurrent[] = [];
  for (const name of live.compiled.nodeOf.keys()) {
    const [deviceId, terminal] = name.split('/') as [string, string];
    if (terminal.startsWith('#')) continue;
    const volts = live.voltage({ deviceId, terminal })!;
    if (volts > LEAST_V) found.push({ deviceId, terminal, amps: volts / live.resistanceSeen({ deviceId, terminal }) });
  }
  return found;
}

/** Terminals under this are on the return side, V. */
const LEAST_V = 1;

/** A dead short: what flows, which protection opens first, and after how long. */
export interface DeadShort {
  amps: number;
  /** Null when nothing in its way ever opens. */
  opensFirst: { protectionId: string; amps: number; afterS: number; soonestS: number; latestS: number } | null;
}

const FAULT = 'fault';

/** Joins two terminals with next to nothing and solves what happens before anything opens. */
export function deadShort(index: DesignIndex, state: ControlState, from: TerminalRef, to: TerminalRef): DeadShort {
  const { design, wireId } = withFault(index, from, to);
  const live = new LiveDesign(indexDesign(design), state);
  const carrying = Array.from(index.devices.values()).flatMap((device) => {
    if (device.kind !== 'protection') return [];
    const amps = Math.abs(live.partAmps(device.id, 'link'));
    return [{ device, amps, afterS: openingTimeS(device.family, amps / device.ratingA) }];
  });
  const first = carrying.reduce<{ device: Protection; amps: number; afterS: number } | null>(
    (soonest, next) => (next.afterS < (soonest?.afterS ?? Infinity) ? next : soonest),
    null,
  );
  const amps = Math.abs(live.wireAmps(wireId));
  if (!first) return { amps, opensFirst: null };
  const [soonestS, latestS] = openingBandS(first.device.family, first.amps / first.device.ratingA);
  return { amps, opensFirst: { protectionId: first.device.id, amps: first.amps, afterS: first.afterS, soonestS, latestS } };
}

function withFault(index: DesignIndex, from: TerminalRef, to: TerminalRef) {
  const settings: DesignRecord = index.settings;
  const conductor = index.wires[0]?.conductor ?? 'mm2:2.5';
  const wire: Wire = { id: FAULT, type: 'wire', role: 'supply', from, to, lengthMm: 0, lengthMeasured: false, conductor };
  return { design: makeDesign([settings, ...index.devices.values(), ...index.wires, wire]), wireId: FAULT };
}
