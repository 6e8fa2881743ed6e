import type { RecordFields } from '../design/change';
import type { ConductorSize } from '../catalog/conductorSizes';
import { defaultSettings } from '../design/defaultSettings';
import { makeDesign, type Design } from '../design/design';
import type { Device, DesignRecord, TerminalRef } from '../design/schema';
import type { LoadBehaviour } from '../devices/load';
import { PARTS, type Make } from '../devices/parts';
import type { Flaw } from '../diagnosis/flaws';
import type { Moved } from '../diagnosis/foresee';

/** From the bar to a fuse: as thick as the main fuse asks for. */
const LEAD = 'mm2:6';

/** A terminal as boards name it: `lamp.plus`. */
export function at(text: string): TerminalRef {
  const [deviceId, terminal] = text.split('.') as [string, string];
  return { deviceId, terminal };
}

/** A control moved: of a switch its position, unless said otherwise. */
export function put(deviceId: string, position: Moved['position'], control = 'position'): Moved {
  return { mover: { kind: 'device', deviceId, control }, position };
}

/** One of the vehicle's own controls moved. */
export function vehicle(control: 'key' | 'lamps' | 'reverse' | 'door', position: string): Moved {
  return { mover: { kind: 'vehicle', control }, position };
}

/** Wires a small design by the names of its terminals. */
export class BoardBuilder {
  private readonly records: DesignRecord[];
  private circuits = 0;

  constructor(name: string) {
    this.records = [
      defaultSettings({ name, vehicle: 'panelVan', units: 'metric', standard: 'iso-small-craft', defaultReturn: 'dedicated' }),
    ];
  }

  add(id: string, name: string, own: Make): this {
    this.records.push({ ...own, id, type: 'device', name, zoneId: null } as Device);
    return this;
  }

  /** A part of its usual make. */
  part(id: string, name: string, partId: string, more: RecordFields = {}): this {
    const own = PARTS.find((part) => part.id === partId)!.make(12);
    return this.add(id, name, { ...own, ...more } as Make);
  }

  /** A lead-acid battery of 12 V. */
  battery(id: string, name: string, capacityAh: number): this {
    return this.add(id, name, {
      ...{ kind: 'battery', chemistry: 'agm', capacityAh, rateH: 20, count: 1 },
      ...{ usableDepthPercent: null, peukertExponent: null, heldDown: true },
    });
  }

  /** A lead-acid battery with its main fuse, a plus bar behind it and a bar for the returns. */
  supply(mainA = 60, cable: ConductorSize = 'mm2:16'): this {
    return this.battery('battery', 'Battery', 100)
      .add('main', 'Main fuse', { kind: 'protection', family: 'terminalMount', ratingA: mainA, mount: null })
      .part('plusBar', 'Plus bar', 'busBar')
      .part('minusBar', 'Return bar', 'busBar')
      .wire('battery.plus', 'main.in', 200, cable)
      .wire('main.out', 'plusBar.bar', 1200, cable)
      .wire('minusBar.bar', 'battery.minus', 1300, cable);
  }

  lamp(id: string, name: string, watts: number, behaviour: LoadBehaviour = 'filament'): this {
    return this.add(id, name, {
      ...{ kind: 'load', quantity: 1, spacingMm: 0, rated: { kind: 'watts', watts, atV: 12 }, measured: null },
      ...{ continuous: true, exclusiveGroup: null, behaviour },
    });
  }

  /** A fuse on the plus bar, with its circuit. */
  fuse(id: string, name: string, ratingA: number): this {
    this.circuits += 1;
    this.records.push({
      ...{ id: `circuit_${id}`, type: 'circuit', number: this.circuits, name, zoneId: null, protectionId: id },
      ...{ dropClass: 'general', targetPercent: null, note: '' },
    });
    return this.add(id, `${name} fuse`, { kind: 'protection', family: 'blade', ratingA, mount: null }).wire('plusBar.bar', `${id}.in`, 150, LEAD); // prettier-ignore
  }

  /** A wire, whose id is its two ends. */
  wire(from: string, to: string, lengthMm: number, conductor: ConductorSize = 'mm2:2.5'): this {
    const role = /^minusBar|\.minus$/.test(from) || /^minusBar|\.minus$/.test(to) ? 'return' : 'supply';
    this.records.push({
      ...{ id: wireId(from, to), type: 'wire', role, from: at(from), to: at(to) },
      ...{ lengthMm, lengthMeasured: true, conductor },
    });
    return this;
  }

  /** Wires from terminal to terminal, each so long: `fuse.out > switch.in, switch.out > lamp.plus`. */
  wires(run: string, lengthMm: number, conductor: ConductorSize = 'mm2:2.5'): this {
    for (const one of run.split(',')) {
      const [from, to] = one.split('>').map((end) => end.trim()) as [string, string];
      this.wire(from, to, lengthMm, conductor);
    }
    return this;
  }

  design(): Design {
    return makeDesign(this.records);
  }
}

export const wireId = (from: string, to: string) => `${from}_${to}`.replaceAll('.', '-');

/** The flaws boards have, by the names of what they are in. */
export const wrong = {
  joint: (from: string, to: string, ohm: number): Flaw => ({ kind: 'highJoint', wireId: wireId(from, to), ohm }),
  broken: (from: string, to: string): Flaw => ({ kind: 'openWire', wireId: wireId(from, to) }),
  misplaced: (from: string, to: string, end: 'from' | 'to', on: string): Flaw => ({ kind: 'misplaced', wireId: wireId(from, to), end, on: at(on) }), // prettier-ignore
  swapped: (one: readonly [string, string], other: readonly [string, string]): Flaw => ({ kind: 'swapped', wireIds: [wireId(...one), wireId(...other)] }), // prettier-ignore
  chafed: (from: string, to: string, end: 'from' | 'to'): Flaw => ({ kind: 'chafed', wireId: wireId(from, to), end }),
  bridged: (from: string, to: string): Flaw => ({ kind: 'bridged', from: at(from), to: at(to) }),
} as const;
