import type { Load, TerminalRef } from '../design/schema';
import { LiveDesign } from '../network/settle';
import { coldOhm } from '../plan/ohms';
import type { ControlState } from '../network/controlState';
import type { DesignIndex } from '../rig/designIndex';
import { part, shortWire } from './world';

/** A meter's own source: at open leads V, and the resistance behind it, ohm. Common practice: too little to wake a junction for ohms, enough for a blue lamp's for the diode range. */
const OHMS = { openV: 0.2, behindOhm: 200 };
const DIODE = { openV: 3, behindOhm: 1500 };
/** Past these the display says OL: ohm, and V of the diode range. */
const MOST_OHM = 5e5;
const MOST_DIODE_V = 2.6;
const METER = '@meter';

/** Ohms between two terminals of a board without power; null: OL. */
export function ohmsBetween(index: DesignIndex, state: ControlState, red: TerminalRef, black: TerminalRef): number | null {
  const { volts, amps } = driven(index, state, red, black, OHMS);
  const ohm = amps <= 0 ? Infinity : volts / amps;
  return ohm > MOST_OHM ? null : Math.max(0, ohm);
}

/** What the diode range reads between two terminals without power, V; null: OL. */
export function diodeBetween(index: DesignIndex, state: ControlState, red: TerminalRef, black: TerminalRef): number | null {
  const { volts } = driven(index, state, red, black, DIODE);
  return volts > MOST_DIODE_V ? null : Math.max(0, volts);
}

/** A load as a meter finds it, standing still and cold; electronics are nothing that can be counted on. */
function cold(load: Load): Load {
  const { atV } = load.rated;
  const ohm = coldOhm(load);
  const rated = { kind: 'amps' as const, amps: ohm === null ? 0 : atV / ohm, atV };
  return { ...load, rated, quantity: 1, measured: null, standbyA: 0, behaviour: 'resistive' };
}

/** The network with the meter's source across two of its terminals. @throws NetworkError */
function driven(index: DesignIndex, state: ControlState, red: TerminalRef, black: TerminalRef, source: typeof OHMS) {
  const meter = part(
    {
      ...{ kind: 'battery', chemistry: 'agm', capacityAh: 100, rateH: 20, count: 1 },
      ...{ usableDepthPercent: null, peukertExponent: null, internalMilliohm: 1 },
    },
    METER,
  );
  const leads = [shortWire('@red', { deviceId: METER, terminal: 'plus' }, red), shortWire('@black', { deviceId: METER, terminal: 'minus' }, black)]; // prettier-ignore
  const devices = new Map(Array.from(index.devices, ([id, device]) => [id, device.kind === 'load' ? cold(device) : device] as const)).set(
    METER,
    meter,
  );
  const loads = index.loads.map(cold);
  const live = new LiveDesign({ ...index, devices, loads, wires: [...index.wires, ...leads] }, state);
  live.resist('@red', source.behindOhm);
  live.hold(METER, 'rest', source.openV);
  live.settle(state);
  return { volts: (live.voltage(red) ?? 0) - (live.voltage(black) ?? 0), amps: live.wireAmps('@red') };
}
