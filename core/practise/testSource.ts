import type { Load, TerminalRef } from '../design/schema';
import { LiveDesign } from '../network/settle';
import { coldOhm } from '../plan/ohms';
import type { ControlState } from '../network/controlState';
import type { DesignIndex } from '../rig/designIndex';
import { part, shortWire } from './world';

/**
 * A meter's own source of the diode range: at open leads V, and the resistance behind it, ohm. Common practice: enough for a blue lamp's.
 */
const DIODE = { openV: 3, behindOhm: 1500 };
/** Past these the display says OL: ohm, and V of the diode range. */
const MOST_OHM = 5e5;
const MOST_DIODE_V = 2.6;
const METER = '@meter';

/**
 * A board without power, its loads cold, for a meter with a source of its own: what is on ohms wakes no junction (common practice: a fifth
 * of a volt), so it sees the network as it lies.
 */
export class ColdBoard {
  private readonly cold: DesignIndex;
  private readonly lies: LiveDesign;

  /** @throws NetworkError */
  constructor(
    index: DesignIndex,
    private readonly state: ControlState,
  ) {
    const devices = new Map(Array.from(index.devices, ([id, device]) => [id, device.kind === 'load' ? cold(device) : device] as const));
    this.cold = { ...index, devices, loads: index.loads.map(cold) };
    this.lies = new LiveDesign(this.cold, state);
  }

  /** Ohms between two terminals; null: OL. */
  ohms(red: TerminalRef, black: TerminalRef): number | null {
    const ohm = this.lies.resistanceBetween(red, black);
    return ohm > MOST_OHM ? null : Math.max(0, ohm);
  }

  /** What the diode range reads between two terminals, V; null: OL. @throws NetworkError */
  diode(red: TerminalRef, black: TerminalRef): number | null {
    const volts = this.driven(red, black);
    return volts > MOST_DIODE_V ? null : Math.max(0, volts);
  }

  /** Volts between two terminals with the meter's source across them. */
  private driven(red: TerminalRef, black: TerminalRef): number {
    const { cold: index, state } = this;
    const meter = part(
      {
        ...{ kind: 'battery', chemistry: 'agm', capacityAh: 100, rateH: 20, count: 1 },
        ...{ usableDepthPercent: null, peukertExponent: null, internalMilliohm: 1 },
      },
      METER,
    );
    const leads = [shortWire('@red', { deviceId: METER, terminal: 'plus' }, red), shortWire('@black', { deviceId: METER, terminal: 'minus' }, black)]; // prettier-ignore
    const live = new LiveDesign({ ...index, devices: new Map(index.devices).set(METER, meter), wires: [...index.wires, ...leads] }, state);
    live.resist('@red', DIODE.behindOhm);
    live.hold(METER, 'rest', DIODE.openV);
    live.settle(state);
    return (live.voltage(red) ?? 0) - (live.voltage(black) ?? 0);
  }
}

/** A load as a meter finds it, standing still and cold; electronics are nothing that can be counted on. */
function cold(load: Load): Load {
  const { atV } = load.rated;
  const ohm = coldOhm(load);
  const rated = { kind: 'amps' as const, amps: ohm === null ? 0 : atV / ohm, atV };
  return { ...load, rated, quantity: 1, measured: null, standbyA: 0, behaviour: 'resistive' };
}
