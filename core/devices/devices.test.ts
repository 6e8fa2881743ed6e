import { analyse } from '../analysis/analyse';
import { checkReferences } from '../design/references';
import { makeDesign, settingsOf } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import type { Device } from '../design/schema';
import { readDesignFile, writeDesignFile } from '../formats/designFile';
import { AT_REST } from '../network/controlState';
import { LiveDesign } from '../network/settle';
import { rig } from '../../testing/rig';
import { deviceSchema, kindOf } from '.';

type Sample = Parameters<ReturnType<typeof rig>['add']>[0];

const SAMPLES: Sample[] = [
  { kind: 'protection', family: 'breaker', ratingA: 20, mount: null },
  { kind: 'fuseBlock', slots: 4, slotMaxA: 20, blockMaxA: 60, returnBar: true, indicators: true },
  { kind: 'busBar', ratingA: 100 },
  { kind: 'groundPoint', jointMilliohm: 5 },
  { kind: 'switch', ratingA: 10, form: 'doublePoleChangeover', pilot: true },
  { kind: 'microSwitch', actuator: 'push', ratingA: 5 },
  { kind: 'doorSwitch', ratingA: 5 },
  {
    ...{ kind: 'relay', pins: 5, coilOhm: 90, pullInV: 7.5, dropOutV: 3 },
    ...{ suppression: 'diode', contactMilliohm: 4, ratingA: 30 },
  } as Sample,
  { kind: 'diode', ratingA: 10 },
  { kind: 'dimmer', side: 'return', ratingA: 8, standbyA: 0.005 },
  { kind: 'motionSwitch', holdS: 30, ratingA: 5, standbyA: 0.001 },
  { kind: 'receiver', channels: 4, mode: 'latching', channelMaxA: 3, standbyA: 0.01 },
  {
    ...{ kind: 'ruleHub', inputs: 2, outputs: 2, outputMaxA: 10, standbyA: 0.01 },
    rules: [{ output: 1, all: [1], none: [2], block: false }],
  } as Sample,
  { kind: 'signalSource', signals: ['constant', 'ignition'], maxA: 1 },
  { kind: 'splice' },
  { kind: 'plug', pins: 3, contactMilliohm: 5, ratingA: 15 },
  { kind: 'shunt', milliohm: 0.75, ratingA: 100 },
  { kind: 'charger', outputV: 14.4, maxA: 20 },
  { kind: 'isolator', ratingA: 275 },
  { kind: 'cutOut', ratingA: 60, offV: 11.5, onV: 12.5 },
  {
    ...{ kind: 'solarPanel', watts: 100, bestV: 18, openV: 22, shortA: 6, count: 2, wired: 'parallel' },
    ...{ tiltDeg: 0, facesDeg: 180, regulated: false, controllerId: null },
  } as Sample,
  { kind: 'solarController', method: 'tracking', maxA: 20, maxPanelV: 100, outputV: 14.4 },
  { kind: 'alternator', ratedA: 120, outputV: 14.2, idlePercent: 50, hotPercent: 80, vehicleA: 30 },
  { kind: 'dcDcCharger', outputV: 14.4, maxA: 30, efficiencyPercent: 92, inputConductor: null, inputLengthMm: 4000, inputFuseA: 40 },
  { kind: 'splitRelay', ratingA: 100 },
  { kind: 'vehicleFeed', signal: 'accessory', polarity: 'live', from: 'wire', serves: 'radio' },
];

/** The terminals the trade names: ISO 7588's pattern and DIN 72552 for relays, common practice for the rest. */
const TERMINALS: Partial<Record<Device['kind'], string[]>> = {
  relay: ['30', '85', '86', '87', '87a'],
  fuseBlock: ['in', 'return'],
  microSwitch: ['common', 'normallyClosed', 'normallyOpen'],
  dimmer: ['dimmed', 'minus', 'plus'],
  plug: ['a1', 'a2', 'a3', 'b1', 'b2', 'b3'],
  receiver: ['ch1', 'ch2', 'ch3', 'ch4', 'minus', 'plus'],
};

function everyKind() {
  const build = rig();
  build.battery();
  build.load(10, 'converter', 0.01, { cutOutV: 10.5, restartV: 11.5 });
  for (const sample of SAMPLES) build.add(sample);
  return build.design();
}

const devices = Array.from(indexDesign(everyKind()).devices.values()).map((device) => [device.kind, device] as const);

test.each(devices)('a %s keeps to its own terminals: paths join them, each is named once', (kind, device) => {
  const terminals = [...kindOf(device).terminals(device)];
  expect(new Set(terminals).size).toBe(terminals.length);
  for (const { from, to } of kindOf(device).paths(device)) expect(terminals).toEqual(expect.arrayContaining([from, to]));
  if (TERMINALS[kind]) expect(terminals.sort()).toEqual(TERMINALS[kind]);
});

test('there is a sample of every kind there is', () => {
  const kinds = deviceSchema.def.options.map(({ shape }) => shape.kind.def.values[0]);
  expect(new Set(devices.map(([kind]) => kind))).toEqual(new Set(kinds));
});

test.each(devices)('a %s can be set to each value it has once', (_kind, device) => {
  for (const positions of Object.values(kindOf(device).controls?.(device) ?? {})) expect(new Set(positions).size).toBe(positions.length);
});

test.each(devices)('every value a %s can be set to has an answer from the network', (_kind, device) => {
  const build = rig();
  build.battery();
  if (device.kind === 'battery') return;
  build.add({ ...device, id: 'one' } as Sample);
  const [first, ...others] = kindOf(device).terminals(device);
  build.load(12, 'resistive', 0, { id: 'lamp' });
  build.wire('battery.plus', `one.${first}`);
  for (const other of others) build.wire(`one.${other}`, 'lamp.plus', 20_000, 'mm2:1');
  build.wire('lamp.minus', 'battery.minus');
  const live = new LiveDesign(indexDesign(build.design()), AT_REST);
  for (const [key, values] of Object.entries(kindOf(device).controls?.(device) ?? {})) {
    for (const value of values) {
      const outcome = live.settle({ ...AT_REST, controls: { one: { [key]: value } } });
      expect(['settled', 'oscillating']).toContain(outcome.kind);
      expect(Number.isFinite(live.voltage({ deviceId: 'lamp', terminal: 'plus' }))).toBe(true);
    }
  }
});

test('a design of every kind is sound, and leaves and comes back as a file unchanged', () => {
  const design = everyKind();
  expect(checkReferences(design)).toEqual([]);
  const back = readDesignFile(writeDesignFile(design));
  expect(Array.from(back.records.values())).toEqual(Array.from(design.records.values()));
});

test('a field too many or a value out of range is refused', () => {
  const relay = { ...Array.from(everyKind().records.values()).find((record) => record.type === 'device' && record.kind === 'relay')! };
  const refusal = (fields: object) => {
    const design = makeDesign([settingsOf(everyKind()), { ...relay, ...fields } as Device]);
    return () => readDesignFile(writeDesignFile(design));
  };
  expect(refusal({})).not.toThrow();
  expect(refusal({ pins: 6 })).toThrow();
  expect(refusal({ colour: 'red' })).toThrow();
  expect(refusal({ coilOhm: 0 })).toThrow();
});

test('a circuit is traced through relay, splice and plug, and home to the bar of its fuse block', () => {
  const build = rig();
  build.battery();
  build.add({ id: 'block', kind: 'fuseBlock', slots: 4, slotMaxA: 20, blockMaxA: 60, returnBar: true });
  build.add({ id: 'fuse', kind: 'protection', family: 'blade', ratingA: 10, mount: { blockId: 'block', slot: 1 } });
  build.add({ ...(SAMPLES.find(({ kind }) => kind === 'relay') as Sample), id: 'relay' } as Sample);
  build.add({ id: 'joint', kind: 'splice' });
  build.add({ id: 'plug', kind: 'plug', pins: 2, contactMilliohm: 5, ratingA: 15 });
  build.load(12, 'resistive', 0, { id: 'one' });
  build.load(12, 'resistive', 0, { id: 'two' });
  build.wire('battery.plus', 'block.in', 500, 'mm2:10');
  build.wire('block.return', 'battery.minus', 500, 'mm2:10', 'return');
  build.wire('fuse.out', 'relay.30');
  build.wire('relay.87', 'joint.joint');
  build.wire('joint.joint', 'one.plus');
  build.wire('joint.joint', 'plug.a1');
  build.wire('plug.b1', 'two.plus');
  build.wire('two.minus', 'plug.b2', 1000, 'mm2:2.5', 'return');
  build.wire('plug.a2', 'block.return', 1000, 'mm2:2.5', 'return');
  build.wire('one.minus', 'block.return', 1000, 'mm2:2.5', 'return');
  build.circuit('lamps', 1, 'fuse');
  const { circuits, wiring, loads } = analyse(build.design());
  expect(wiring.faults).toEqual([]);
  expect(circuits[0]!.loadIds.sort()).toEqual(['one', 'two']);
  expect([loads.get('one')!.returned, loads.get('two')!.returned]).toEqual([true, true]);
  expect(circuits[0]!.returnWireIds).toHaveLength(3);
});
