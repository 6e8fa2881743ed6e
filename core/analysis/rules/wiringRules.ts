import type { Analysis } from '../types';
import type { Finding } from '../finding';

/** Shorts, rings and loads whose current cannot come back. */
export function findWiring({ wiring, loads, index }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const fault of wiring.faults) {
    if (fault.kind === 'loop') {
      found.push({ rule: 'wiring.loop', severity: 'caution', subjects: [fault.wireId], circuitId: null, numbers: {} });
    } else {
      const subjects = fault.wireId === null ? [fault.deviceId] : [fault.deviceId, fault.wireId];
      found.push({ rule: 'wiring.short', severity: 'fault', subjects, circuitId: null, numbers: { terminal: fault.terminal } });
    }
  }
  for (const { id, circuitId, returned } of loads.values()) {
    if (circuitId !== null && !returned && index.battery) {
      found.push({ rule: 'wiring.noReturn', severity: 'fault', subjects: [id], circuitId, numbers: {} });
    }
  }
  return found;
}
