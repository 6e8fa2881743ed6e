import { batteryOhmRange, restV } from '../catalog/chemistries';
import { fuseOhm } from '../catalog/fuses';
import { openingBandS, openingTimeS } from '../catalog/fuseTimes';
import { indexDesign } from '../rig/designIndex';
import { cableOhmPerM } from '../catalog/cable';
import { rig } from '../../testing/rig';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { randomDesign } from '../../testing/randomDesign';
import { prospectiveCurrents } from '../../testing/shortCircuit';
import { AT_REST } from '../network/controlState';
import { stateFor } from '../network/namedStates';
import { NetlistBuilder } from '../network/netlist';
import { Network } from '../network/network';
import { LiveDesign } from '../network/settle';
import { analyse } from './analyse';
import { shortCircuitsOf } from './shortCircuits';

const INSIDE_OHM = batteryOhmRange({ chemistry: 'lithium', capacityAh: 100, count: 1 }).usual;

/** Battery, 10 A fuse at its end of 3 m of 2.5 mm2 each way, a lamp. */
function run() {
  const build = rig();
  build.battery('lithium', 100);
  build.add({ id: 'fuse', kind: 'protection', family: 'blade', ratingA: 10, mount: null });
  build.load(24, 'resistive', 0, { id: 'lamp' });
  build.wire('battery.plus', 'fuse.in', 0);
  build.wire('fuse.out', 'lamp.plus', 3000);
  build.wire('lamp.minus', 'battery.minus', 3000);
  return indexDesign(build.design());
}
const off = { ...AT_REST, controls: { lamp: { on: false } } };

test('prospective current is rest voltage over battery, fuse and wire resistance in a row (Ohm)', () => {
  const live = new LiveDesign(run(), off);
  const at = new Map(prospectiveCurrents(live).map(({ deviceId, terminal, amps }) => [`${deviceId}.${terminal}`, amps]));
  const volts = restV('lithium', 100);
  const wire = 3 * cableOhmPerM('mm2:2.5', 'iso-small-craft', 20);
  expect(at.get('battery.plus')! / (volts / INSIDE_OHM)).toBeCloseTo(1, 3);
  expect(at.get('lamp.plus')! / (volts / (INSIDE_OHM + fuseOhm('blade', 10) + wire))).toBeCloseTo(1, 3);
  // From memory: a 100 Ah lithium battery behind its protection gives 1 to 3 kA.
  expect(at.get('battery.plus')).toBeGreaterThan(1000);
  expect(at.get('battery.plus')).toBeLessThan(3000);
});

test('a bank’s own resistance, where its data sheet gives it, is the network’s too, each battery’s share of it', () => {
  const build = rig();
  build.add({
    ...{ id: 'battery', kind: 'battery', chemistry: 'agm', capacityAh: 100, rateH: 20, count: 2, internalMilliohm: 5 },
    ...{ usableDepthPercent: null, peukertExponent: null },
  });
  const [at] = prospectiveCurrents(new LiveDesign(indexDesign(build.design()), AT_REST));
  // Two of 5 milliohm side by side: 2.5; glass-mat rests at 12.8 V (Ohm).
  expect(at!.amps).toBeCloseTo(12.8 / 0.0025, 0);
});

test.each([
  ['Heron', heron],
  ['Pip', pip],
  ...[3, 8, 17, 21, 40].map((seed) => [`random ${seed}`, () => randomDesign(seed).design] as const),
] as const)('%s: what the solved network shows lies between the least and the greatest that fuses are judged by', (_, make) => {
  const analysis = analyse(make());
  const shortAt = shortCircuitsOf(analysis);
  const allOff = stateFor({ kind: 'allOff' }, analysis.index, () => null);
  const live = new LiveDesign(analysis.index, allOff);
  live.settle(allOff);
  let compared = 0;
  for (const { deviceId, terminal, amps } of prospectiveCurrents(live)) {
    const short = shortAt({ deviceId, terminal });
    const device = analysis.index.devices.get(deviceId);
    // A switch that is off leaves what is behind it to leakage.
    if (!short || device?.kind === 'load' || amps < 10) continue;
    compared += 1;
    expect([deviceId, terminal, short.leastA <= amps && amps <= short.greatestA]).toEqual([deviceId, terminal, true]);
  }
  expect(compared).toBeGreaterThan(3);
  // One figure in every place: the protection's own, right at it.
  for (const { id, atA } of analysis.protections.values()) expect(shortAt({ deviceId: id, terminal: 'out' })!.greatestA).toBe(atA);
});

test('Thevenin’s resistance inside a chain is what a fault there would see', () => {
  const net = new NetlistBuilder();
  net.voltage('E', 'e', '0', 12);
  net.resistor('1', 'e', 'x', 2);
  net.resistor('2', 'x', 'y', 3);
  net.resistor('3', 'y', '0', 5);
  const netlist = net.netlist('0');
  const network = new Network(netlist);
  network.solve();
  // 5 ohm to the source on one side, 5 to ground on the other.
  expect(network.resistanceBetween(netlist.nodes.indexOf('y'), netlist.reference)).toBeCloseTo(2.5, 12);
  expect(network.resistanceBetween(netlist.nodes.indexOf('x'), netlist.reference)).toBeCloseTo((2 * 8) / 10, 12);
});

test.each([
  [1.05, Infinity, Infinity],
  [1.35, 0.75, 600],
  [1.6, 0.25, 50],
  [2, 0.15, 5],
  [3.5, 0.04, 0.5],
  [6, 0.02, 0.1],
])('a blade fuse at %f times its rating opens within its gates (ISO 8820-3 as remembered)', (multiple, least, longest) => {
  const [soonest, latest] = openingBandS('blade', multiple);
  expect(soonest === least || Math.abs(soonest / least - 1) < 1e-9).toBe(true);
  expect(latest === longest || Math.abs(latest / longest - 1) < 1e-9).toBe(true);
  const typical = openingTimeS('blade', multiple);
  if (least === Infinity) expect(typical).toBe(Infinity);
  else expect(typical > least && typical < longest).toBe(true);
});

test('more current never opens a fuse later', () => {
  for (const family of ['blade', 'largeBlade', 'mega', 'breaker'] as const) {
    let last = Infinity;
    for (let multiple = 1; multiple < 40; multiple *= 1.07) {
      const time = openingTimeS(family, multiple);
      expect(time).toBeLessThanOrEqual(last);
      last = time;
    }
  }
});
