import type { DesignIndex } from '../rig/designIndex';
import type { Duty, Device } from '../design/schema';
import { kindOf } from '../devices';
import { heardBy } from '../devices/ruleHub';
import type { ControlValue } from '../devices/kind';
import { AT_REST, type ControlState } from './controlState';
import { landedTerminals, terminalKey } from './wiring';

/** A state a person can name: which loads run. */
export type StateChoice =
  | { kind: 'allOn' }
  /** Every load off, its standby left. */
  | { kind: 'allOff' }
  | { kind: 'onlyCircuit'; circuitId: string }
  /** All that a scenario uses, together. */
  | { kind: 'scenario'; scenarioId: string };

/**
 * The controls that make a choice so: every switch is closed, so a load that is off is off at itself. Where loads run, what nobody's hand
 * works is as it lights them: channels pressed, something moving, doors open, hatches as their wired contact closes, the vehicle's signals
 * live. Chargers rest. `circuitOf` says which circuit a load hangs on.
 */
export function stateFor(choice: StateChoice, index: DesignIndex, circuitOf: (loadId: string) => string | null): ControlState {
  const running = runningLoads(choice, index, circuitOf);
  const controls: Record<string, Record<string, ControlValue>> = {};
  const landed = landedTerminals(index.wires);
  const isLanded = (deviceId: string, terminal: string) => landed.has(terminalKey(deviceId, terminal));
  for (const device of index.devices.values()) {
    if (device.kind === 'load') controls[device.id] = { on: running.has(device.id) };
    else {
      const closing = choice.kind === 'allOff' ? closedByHand(device) : closingControls(device, isLanded);
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
  return new Set(wanted.map(({ id }) => id));
}

/** Whether a duty has its load run at all. */
function isUsed({ use, hoursPerDay, sharePercent }: Duty): boolean {
  return sharePercent > 0 && (use ? use.rule !== 'hours' || use.spans.length > 0 : hoursPerDay > 0);
}

/** What lets current through a device to the loads behind it; null where nothing need be set. */
function closingControls(device: Device, landed: (deviceId: string, terminal: string) => boolean): Record<string, ControlValue> | null {
  switch (device.kind) {
    case 'receiver':
      return Object.fromEntries(Object.keys(kindOf(device).controls!(device)).map((channel) => [channel, true]));
    case 'motionSwitch':
      return { motion: true, ...(device.darkOnly && { dark: true }) };
    case 'doorSwitch':
      return { door: 'open' };
    case 'microSwitch':
      return { pressed: landed(device.id, 'normallyOpen') };
    case 'vehicleFeed':
      return { live: true };
    case 'ruleHub':
      return Object.fromEntries(heardBy(device).map((signal) => [signal, true]));
    case 'signalSource':
      return Object.fromEntries(device.signals.map((signal) => [signal, true]));
    default:
      return closedByHand(device);
  }
}

/** What closes a device that a hand works, null for the rest: the position that closes most, which forms list last. */
function closedByHand(device: Device): Record<string, ControlValue> | null {
  if (device.kind !== 'switch') return null;
  const positions = kindOf(device).controls!(device).position!;
  return { position: positions.includes('on') ? 'on' : positions.at(-1)! };
}
