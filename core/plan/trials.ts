import { isLamp } from '../devices/load';
import type { Moved } from '../diagnosis/foresee';
import { Reach } from '../network/reach';
import type { Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { benchOf } from './firstPower';
import { keyOf, type TrialKind } from './trialResults';

/** Something that is tried beside what a meter reads, and what should happen; `core/wording` says it. */
export type Trial = { key: string; deviceId: string } & (
  | { kind: 'levels' }
  | { kind: 'range' }
  | { kind: 'rules' }
  | { kind: 'pilot' }
  | { kind: 'even' }
  /** With everything on and the engine at idle. */
  | { kind: 'idle' }
  /** How long it stays on by itself, s. */
  | { kind: 'hold'; seconds: number; darkOnly: boolean }
  /** Shut, so much flows through the circuit's fuse: a lamp nobody sees is tried by its current, A. */
  | { kind: 'shut'; amps: number }
  /** Where it lets go and comes back, V. */
  | { kind: 'cutsOut'; offV: number; onV: number }
);

/** A circuit as trials look at it. */
interface Tried {
  id: string;
  protectionId: string;
  loadIds: readonly string[];
}

/**
 * What a circuit is tried by once it is read: every level of a dimmer, how long what goes off by itself stays on, radio from wherever it is
 * used, a light behind a door by its current, evenness in the dark. Common practice.
 * @param moved what puts its loads on
 */
export function trialsOf(index: DesignIndex, wiring: Wiring, { id, protectionId, loadIds }: Tried, moved: readonly Moved[]): Trial[] {
  const { index: part } = new Reach(index, wiring).influenceOn(loadIds);
  const keyed = (kind: TrialKind, deviceId: string) => ({ key: keyOf({ circuitId: id, kind, deviceId }), deviceId });
  const own = index.loads.filter((load) => loadIds.includes(load.id));
  return Array.from(new Set([...part.devices.keys(), ...own.map((load) => load.id)])).flatMap((deviceId): Trial[] => {
    const device = index.devices.get(deviceId)!;
    switch (device.kind) {
      case 'dimmer':
        return [{ ...keyed('levels', device.id), kind: 'levels' }];
      case 'receiver':
        return [{ ...keyed('range', device.id), kind: 'range' }];
      case 'ruleHub':
        return [{ ...keyed('rules', device.id), kind: 'rules' }];
      case 'motionSwitch':
        return [{ ...keyed('hold', device.id), kind: 'hold', seconds: device.holdS, darkOnly: device.darkOnly === true }];
      case 'relay':
        return device.holdS === undefined ? [] : [{ ...keyed('hold', device.id), kind: 'hold', seconds: device.holdS, darkOnly: false }];
      case 'switch':
        return device.pilot ? [{ ...keyed('pilot', device.id), kind: 'pilot' }] : [];
      case 'cutOut':
        return [{ ...keyed('cutsOut', device.id), kind: 'cutsOut', offV: device.offV, onV: device.onV }];
      case 'doorSwitch':
      case 'microSwitch': {
        const amps = ampsShut(index, protectionId, moved, device.id);
        return amps === null ? [] : [{ ...keyed('shut', device.id), kind: 'shut', amps }];
      }
      case 'load':
        return loadIds.includes(device.id) && isLamp(device) && (device.quantity > 1 || device.rated.kind === 'strip')
          ? [{ ...keyed('even', device.id), kind: 'even' }]
          : [];
      default:
        return [];
    }
  });
}

/** What a whole design is tried by with everything on together: that the engine at idle holds it. None where no engine charges. */
export function trialsOfAll({ devices }: DesignIndex): Trial[] {
  return Array.from(devices.values()).flatMap(({ id, kind }): Trial[] =>
    kind === 'alternator' ? [{ key: keyOf({ circuitId: null, kind: 'idle', deviceId: id }), deviceId: id, kind: 'idle' }] : [],
  );
}

/** What flows through a fuse with everything on but what one door's switch decides, A. */
function ampsShut(index: DesignIndex, fuseId: string, moved: readonly Moved[], doorId: string): number | null {
  const bench = benchOf(index);
  if (!bench) return null;
  for (const { mover, position } of moved)
    if (mover.kind !== 'device' || mover.deviceId !== doorId) bench.do({ kind: 'move', mover, position });
  return Math.abs(bench.through(fuseId, 'link'));
}
