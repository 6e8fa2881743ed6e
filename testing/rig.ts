import type { ConductorSize } from '../core/catalog/conductorSizes';
import { makeDesign, type Design } from '../core/design/design';
import { defaultSettings } from '../core/design/defaultSettings';
import type { Device, DesignRecord, Load, Wire, Zone } from '../core/design/schema';
import type { Chemistry, TapLeg } from '../core/catalog/vocabulary';
import type { LoadBehaviour } from '../core/devices/load';

type Part<D> = D extends Device ? Omit<D, 'id' | 'type' | 'name' | 'zoneId'> & { id?: string; zoneId?: string | null } : never;

/** Builds small wired designs for tests: devices by kind, wires between `device.terminal`s. */
export function rig() {
  const records: DesignRecord[] = [
    defaultSettings({ name: 'Rig', vehicle: 'boxBody', units: 'metric', standard: 'iso-small-craft', defaultReturn: 'dedicated' }),
  ];
  const wired = new Set<string>();
  let count = 0;
  const end = (text: string) => ({ deviceId: text.split('.')[0]!, terminal: text.split('.')[1]! });
  const build = {
    /** Adds a device and returns its id. */
    add({ id, ...part }: Part<Device>): string {
      const made = id ?? `d${++count}`;
      records.push({ id: made, type: 'device', name: made, zoneId: null, ...part } as Device);
      return made;
    },
    battery(chemistry: Chemistry = 'agm', capacityAh = 100): string {
      return build.add({
        ...{ id: 'battery', kind: 'battery', chemistry, capacityAh, rateH: 20, count: 1 },
        ...{ usableDepthPercent: null, peukertExponent: null, heldDown: true },
      });
    },
    load(watts: number, behaviour: LoadBehaviour = 'resistive', standbyA = 0, more: Partial<Load> & { id?: string } = {}): string {
      return build.add({
        ...{ kind: 'load', quantity: 1, spacingMm: 0, rated: { kind: 'watts', watts, atV: 12 }, measured: null },
        ...{ continuous: true, exclusiveGroup: null, behaviour, standbyA, ...more },
      });
    },
    wire(from: string, to: string, lengthMm = 1000, conductor: ConductorSize = 'mm2:2.5', role: Wire['role'] = 'supply'): string {
      const id = `w${++count}`;
      const wire: Wire = { id, type: 'wire', role, from: end(from), to: end(to), lengthMm, lengthMeasured: false, conductor };
      records.push(wire);
      wired.add(from).add(to);
      return id;
    },
    /**
     * A battery unless there is one, its main fuse and isolator close by, a block of six slots and a return bar, and the cables between.
     */
    supply({ mainA = 60, cable = 'mm2:16' as ConductorSize, outMm = 1000, slotMaxA = 30 } = {}): void {
      if (!records.some(({ id }) => id === 'battery')) build.battery('agm', 100);
      build.add({ id: 'main', kind: 'protection', family: 'terminalMount', ratingA: mainA, mount: null });
      build.add({ id: 'block', kind: 'fuseBlock', slots: 6, slotMaxA, blockMaxA: 100 });
      build.add({ id: 'bar', kind: 'busBar', ratingA: 150 });
      build.wire('battery.plus', 'main.in', 150, cable);
      build.add({ id: 'isolator', kind: 'isolator', ratingA: 600 });
      records.push({
        ...{ id: 'w_isolator', type: 'wire', role: 'supply', from: end('main.out'), to: end('isolator.in'), lengthMm: 0 },
        ...{ lengthMeasured: false, conductor: cable },
      });
      build.wire('isolator.out', 'block.in', outMm, cable);
      build.wire('bar.bar', 'battery.minus', outMm, cable, 'return');
    },
    /** A fuse in a slot of that block, or in a tap on one. */
    slot(id: string, slot: number, ratingA: number, tap?: TapLeg): void {
      build.add({ id, kind: 'protection', family: 'blade', ratingA, mount: { blockId: 'block', slot, ...(tap && { tap }) } });
    },
    /** A circuit of one lamp behind a fuse: `<fuse>_lamp`, a metre out and a metre back to the bar. */
    lampBehind(fuse: string, number: number, watts: number): void {
      build.load(watts, 'resistive', 0, { id: `${fuse}_lamp` });
      build.wire(`${fuse}.out`, `${fuse}_lamp.plus`, 1000, 'mm2:2.5');
      build.wire(`${fuse}_lamp.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
      build.circuit(fuse, number, fuse);
    },
    /**
     * A lamp on the vehicle's own wiring, `dash`: a tap on a fuse of its radio, a fuse of its own and its circuit; its way home is left to
     * be wired.
     */
    tapLamp(): void {
      build.add({
        ...{ id: 'feed', kind: 'vehicleFeed', signal: 'accessory', polarity: 'live', from: 'slot', leg: 'load' },
        ...{ ownFuseA: 10, drawnA: 2, serves: 'radio' },
      });
      build.add({ id: 'tapFuse', kind: 'protection', family: 'blade', ratingA: 3, mount: null });
      build.wire('feed.out', 'tapFuse.in', 80);
      build.load(12, 'resistive', 0, { id: 'dash' });
      build.wire('tapFuse.out', 'dash.plus');
      build.circuit('tap', 5, 'tapFuse');
    },
    circuit(name: string, number: number, protectionId: string): string {
      const id = `circuit_${name}`;
      records.push({ id, type: 'circuit', number, name, zoneId: null, protectionId, dropClass: 'general', targetPercent: null, note: '' });
      return id;
    },
    zone(id: string, more: Partial<Zone> = {}): void {
      records.push({ id, type: 'zone', name: id, order: 0, ambientC: 30, engineSpace: false, ...more });
    },
    isWired: (terminal: string) => wired.has(terminal),
    design: (): Design => makeDesign(records),
  };
  return build;
}
