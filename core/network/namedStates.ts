import type { DesignIndex } from '../rig/designIndex';
import type { Duty, Device, Load } from '../design/schema';
import { kindOf } from '../devices';
import type { ControlValue } from '../devices/kind';
import { loadDraw } from '../devices/load';
import { AT_REST, type ControlState } from './controlState';

/** A state a person can name: which loads run. */
export type StateChoice =
  | { kind: 'allOn' }
  /** Every load off, its standby left. */
  | { kind: 'allOff' }
  | { kind: 'onlyCircuit'; circuitId: string }
  /** All that a scenario uses, together. */
  | { kind: 'scenario'; scenarioId: string };

/**
 * The controls that make a choice so: of loads that exclude each other only the largest runs; every switch is closed, so a
 * load that is off is off at itself; the vehicle's signals and chargers rest, everything else is at rest too. `circuitOf`
 * says which circuit a load hangs on.
 */
export function stateFor(choice: StateChoice, index: DesignIndex, circuitOf: (loadId: string) => string | null): ControlState {
  const running = runningLoads(choice, index, circuitOf);
  const controls: Record<string, Record<string, ControlValue>> = {};
  for (const device of index.devices.values()) {
    if (device.kind === 'load') controls[device.id] = { on: running.has(device.id) };
    else {
      const closing = closingControls(device);
      if (closing) controls[device.id] = closing;
    }
  }
  return { ...AT_REST, controls };
}

function runningLoads(choice: StateChoice, index: DesignIndex, circuitOf: (loadId: string) => string | null): Set<string> {
  const wanted = index.loads.filter(({ id }) => {
    switch (choice.kind) {
      case 'allOn':
        return true;
      case 'allOff':
        return false;
      case 'onlyCircuit':
        return circuitOf(id) === choice.circuitId;
      case 'scenario':
        return index.duties.some((duty) => duty.scenarioId === choice.scenarioId && duty.loadId === id && isUsed(duty));
    }
  });
  const largest = new Map<string, Load>();
  for (const load of wanted) {
    const key = load.exclusiveGroup ?? load.id;
    const other = largest.get(key);
    if (!other || loadDraw(load).amps > loadDraw(other).amps) largest.set(key, load);
  }
  return new Set(Array.from(largest.values(), ({ id }) => id));
}

/** Whether a duty has its load run at all. */
function isUsed({ use, hoursPerDay, sharePercent }: Duty): boolean {
  return sharePercent > 0 && (use ? use.rule !== 'hours' || use.spans.length > 0 : hoursPerDay > 0);
}

/** What closes a device that a hand works, null for the rest: the position that closes most, which forms list last. */
function closingControls(device: Device): Record<string, ControlValue> | null {
  if (device.kind !== 'switch') return null;
  const positions = kindOf(device).controls!(device).position!;
  return { position: positions.includes('on') ? 'on' : positions.at(-1)! };
}
