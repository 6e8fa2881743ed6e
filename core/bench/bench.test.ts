import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import type { Design } from '../design/design';
import { makeDesign, recordsOf } from '../design/design';
import { VEHICLE_SIGNALS } from '../devices/signalSource';
import { indexDesign } from '../rig/designIndex';
import { changeWords } from '../wording/benchWords';
import { Bench } from './bench';
import { changedLoads } from './changedLoads';
import { deviceHandles, vehicleHandles } from './handles';
import { VEHICLE_CONTROLS, type VehicleControl } from '../catalog/vocabulary';
import { FOLLOWS, PARKED, SIGNAL_LIVE, type VehicleSide } from './vehicleSide';

const on = (design: Design) => new Bench(indexDesign(design));
const lit = (bench: Bench) => bench.answer.loads.filter(({ state }) => state === 'on').map(({ id }) => id).sort(); // prettier-ignore

/** A small vehicle with a relay for a lamp on the high beam, an accessory feed and a lamp at hand. */
function small() {
  const build = rig();
  build.battery();
  build.add({ id: 'signals', kind: 'signalSource', signals: ['highBeam', 'accessory'], maxA: 0.5 });
  build.add({
    ...{ id: 'relay', kind: 'relay', pins: 4, coilOhm: 90, pullInV: 7.5, dropOutV: 3 },
    ...{ suppression: 'resistor', contactMilliohm: 4, ratingA: 30 },
  });
  build.add({ id: 'sw', kind: 'switch', ratingA: 10, pilot: true });
  build.load(60, 'resistive', 0, { id: 'beam' });
  build.load(12, 'resistive', 0, { id: 'desk' });
  build.wire('signals.highBeam', 'relay.86');
  build.wire('relay.85', 'battery.minus', 1000, 'mm2:1', 'return');
  build.wire('signals.minus', 'battery.minus', 1000, 'mm2:1', 'return');
  build.wire('battery.plus', 'relay.30');
  build.wire('relay.87', 'beam.plus');
  build.wire('beam.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  build.wire('battery.plus', 'sw.in');
  build.wire('sw.out', 'desk.plus');
  build.wire('desk.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  return build.design();
}

// By hand, from what the positions of a road vehicle's controls do. Common practice.
test.each<[Partial<VehicleSide>, string[]]>([
  [{}, ['constant']],
  [{ key: 'accessory' }, ['constant', 'accessory']],
  [{ key: 'on' }, ['constant', 'ignition', 'accessory']],
  // DIN 72552: 15 stays live while 50 is; the accessory terminal is let go meanwhile.
  [{ key: 'start' }, ['constant', 'ignition', 'starting']],
  [{ lamps: 'side' }, ['constant', 'running']],
  [{ lamps: 'low' }, ['constant', 'running', 'lowBeam']],
  [{ lamps: 'high' }, ['constant', 'running', 'highBeam']],
  [{ lamps: 'flash' }, ['constant', 'highBeam']],
  [{ reverse: 'in' }, ['constant']],
  [{ key: 'on', reverse: 'in' }, ['constant', 'ignition', 'accessory', 'reverse']],
  [{ indicator: 'left' }, ['constant', 'left']],
  [{ indicator: 'hazard' }, ['constant', 'left', 'right']],
  [{ brake: 'pressed', door: 'open' }, ['constant', 'brake', 'door']],
  [{ hood: 'open', daylight: 'dark' }, ['constant', 'hood']],
])('with %j these of the vehicle’s wires are live: %j', (positions, live) => {
  const side = { ...PARKED, ...positions };
  expect(VEHICLE_SIGNALS.filter((signal) => SIGNAL_LIVE[signal](side))).toEqual(live);
});

test('a wire of the vehicle moves only with the controls it is said to follow, and with each of them', () => {
  const controls = Object.keys(VEHICLE_CONTROLS) as VehicleControl[];
  const every = controls.reduce<VehicleSide[]>(
    (sides, control) => sides.flatMap((side) => VEHICLE_CONTROLS[control].map((position) => ({ ...side, [control]: position }))),
    [PARKED],
  );
  expect(every).toHaveLength(4 * 5 * 4 * 2 * 2 * 2 * 2 * 2);
  for (const signal of VEHICLE_SIGNALS) {
    const moves = controls.filter((control) =>
      every.some((side) =>
        VEHICLE_CONTROLS[control].some((position) => SIGNAL_LIVE[signal]({ ...side, [control]: position }) !== SIGNAL_LIVE[signal](side)),
      ),
    );
    expect([signal, moves]).toEqual([signal, FOLLOWS[signal]]);
  }
});

test('a switch, the high beam and a key are flicked, and what answers says so with volts, amperes and the way it comes', () => {
  const design = small();
  const bench = on(design);
  expect(lit(bench)).toEqual([]);
  expect(vehicleHandles(indexDesign(design))).toEqual(['key', 'lamps']);
  const dark = bench.answer;
  const bright = bench.drive('lamps', 'high').answer;
  expect(lit(bench)).toEqual(['beam']);
  const [change, ...more] = changedLoads(dark, bright);
  expect(more).toEqual([]);
  // 60 W at 12 V, a little more at a full battery's voltage, a little less for the wire: by Ohm's law.
  expect(change!.to.amps / change!.to.volts).toBeCloseTo(5 / 12, 4);
  expect(change!.to.by).toEqual(['battery', 'relay']);
  expect(changeWords(design, [change!])).toEqual([expect.stringMatching(/^beam: on, 5\.\d+ A, through relay$/)]);
  bench.set('sw', 'position', 'on');
  expect(lit(bench)).toEqual(['beam', 'desk']);
  bench.drive('lamps', 'low');
  expect(lit(bench)).toEqual(['desk']);
  bench.rest();
  expect([lit(bench), bench.side]).toEqual([[], PARKED]);
});

test('a meter reads volts between any two terminals, a clamp amperes in any wire, at the instant', () => {
  const design = small();
  const bench = on(design);
  const plus = { deviceId: 'desk', terminal: 'plus' };
  const minus = { deviceId: 'desk', terminal: 'minus' };
  const feed = recordsOf(design, 'wire').find(({ from, to }) => from.deviceId === 'sw' && to.deviceId === 'desk')!;
  expect([bench.volts(plus, minus)!, bench.clamp(feed.id)!].map(Math.round)).toEqual([0, 0]);
  bench.set('sw', 'position', 'on');
  // By Ohm's law: 12 W at 12 V is 12 ohm; what is lost in the wire out is the wire's share of the same current.
  expect(bench.volts(plus, minus)! / bench.clamp(feed.id)!).toBeCloseTo(12, 3);
  expect(bench.volts(minus, plus)).toBe(-bench.volts(plus, minus)!);
  expect(bench.volts({ deviceId: 'sw', terminal: 'out' }, plus)!).toBeGreaterThan(0);
  expect([bench.volts(plus, { deviceId: 'nobody', terminal: 'x' }), bench.clamp('nobody')]).toEqual([null, null]);
});

test('a radio channel latches at one press and lets go at the next; a momentary one only while it is held', () => {
  const fob = (mode: 'latching' | 'momentary') => {
    const build = rig();
    build.battery();
    build.add({ id: 'radio', kind: 'receiver', channels: 2, mode, channelMaxA: 5, standbyA: 0.01 });
    build.load(12, 'resistive', 0, { id: 'lamp' });
    build.wire('battery.plus', 'radio.plus');
    build.wire('radio.minus', 'battery.minus', 1000, 'mm2:1', 'return');
    build.wire('radio.ch2', 'lamp.plus');
    build.wire('lamp.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
    return build.design();
  };
  const press = (bench: Bench) => [true, false].forEach((position) => bench.set('radio', 'ch2', position));
  const latching = on(fob('latching'));
  const [handle, ...others] = deviceHandles(indexDesign(fob('latching'))).filter(({ where }) => where !== 'load');
  expect([handle, others]).toEqual([expect.objectContaining({ deviceId: 'radio', control: 'ch2', springs: true, where: 'fob' }), []]);
  press(latching);
  expect(lit(latching)).toEqual(['lamp']);
  press(latching);
  expect(lit(latching)).toEqual([]);
  const momentary = on(fob('momentary'));
  momentary.set('radio', 'ch2', true);
  expect(lit(momentary)).toEqual(['lamp']);
  momentary.set('radio', 'ch2', false);
  expect(lit(momentary)).toEqual([]);
});

test('a pilot lamp’s worth through a lamp glows, and is not called on', () => {
  const build = rig();
  build.battery();
  build.add({ id: 'sw', kind: 'switch', ratingA: 10, pilot: true });
  build.load(12, 'filament', 0, { id: 'lamp' });
  build.load(120, 'resistive', 0, { id: 'dropper' });
  // In row with a small lamp the large one gets a tenth of the power at most: by Ohm's law.
  build.wire('battery.plus', 'lamp.plus');
  build.wire('lamp.minus', 'dropper.plus');
  build.wire('dropper.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  const bench = on(build.design());
  const dropper = bench.answer.loads.find(({ id }) => id === 'dropper')!;
  expect(dropper.state).toBe('glows');
  expect(dropper.level).toBeGreaterThan(0.005);
  expect(dropper.level).toBeLessThan(0.05);
});

test('a relay that breaks its own coil is told as never coming to rest', () => {
  const build = rig();
  build.battery();
  build.add({
    ...{ id: 'relay', kind: 'relay', pins: 5, coilOhm: 90, pullInV: 7.5, dropOutV: 3 },
    ...{ suppression: 'resistor', contactMilliohm: 4, ratingA: 30 },
  });
  build.wire('battery.plus', 'relay.30');
  build.wire('relay.87a', 'relay.86');
  build.wire('relay.85', 'battery.minus', 1000, 'mm2:1', 'return');
  const { answer } = on(build.design());
  expect([answer.outcome, answer.oscillating]).toEqual(['oscillating', ['relay']]);
});

describe('Heron', () => {
  const design = heron();
  const idOf = (name: string) => recordsOf(design, 'device').find((device) => device.name === name)!.id;

  test('a scene lamp is white or amber by its switch, never both', () => {
    const bench = on(design);
    const colours = () => ['Left scene lamp, white', 'Left scene lamp, amber'].map((name) => lit(bench).includes(idOf(name)));
    const at = (position: string) => {
      bench.set(idOf('Scene lights, left switch'), 'position', position);
      return colours();
    };
    expect([at('off'), at('up'), at('down'), at('off')]).toEqual([[false, false], [true, false], [false, true], [false, false]]); // prettier-ignore
  });

  test('the step light comes on as something moves, and goes out when its hold time is over', () => {
    const bench = on(design);
    const sensor = idOf('Step motion sensor');
    const { holdS } = design.records.get(sensor) as unknown as { holdS: number };
    const isLit = () => lit(bench).includes(idOf('Step light'));
    expect(isLit()).toBe(false);
    bench.set(sensor, 'motion', true);
    bench.set(sensor, 'motion', false);
    expect(isLit()).toBe(true);
    bench.wait(holdS - 1);
    expect(isLit()).toBe(true);
    bench.wait(2);
    expect(isLit()).toBe(false);
  });

  test('dimmed to a quarter the bench lights take about a quarter of their power', () => {
    const bench = on(design);
    const lamp = () => bench.answer.loads.find(({ id }) => id === idOf('Bench puck'))!;
    // From two places: either switch changes it, whatever the other one does. Textbook.
    const places = [idOf('Hide bench lights switch'), idOf('Bench switch by the door')] as const;
    const at = (first: string, second: string) => {
      bench.set(places[0], 'position', first);
      bench.set(places[1], 'position', second);
      return lamp().state;
    };
    expect([at('up', 'up'), at('up', 'down'), at('down', 'up'), at('down', 'down')]).toEqual(['off', 'on', 'on', 'off']);
    at('up', 'down');
    const full = lamp().level;
    bench.set(idOf('Bench dimmer'), 'levelPercent', 25);
    expect(lamp().state).toBe('on');
    // Pulse width: light in proportion to the share of the time. Common practice.
    expect(lamp().level / full).toBeCloseTo(0.25, 6);
    bench.set(idOf('Bench dimmer'), 'levelPercent', 0);
    expect(lamp().state).toBe('off');
  });

  test('what the battery gives is what its loads take, and hangs on nothing else', () => {
    const bench = on(design);
    const parts = recordsOf(design, 'device').reduce(
      (sum, device) => sum + ('standbyA' in device && device.kind !== 'load' ? (device.standbyA ?? 0) : 0),
      0,
    );
    const taken = () => bench.answer.loads.reduce((sum, { amps }) => sum + amps, 0);
    expect(bench.answer.batteryA).toBeGreaterThan(10);
    // Kirchhoff's current law, with what sensors and dimmers draw by themselves at most.
    expect(bench.answer.batteryA - taken()).toBeGreaterThan(-1e-3);
    expect(bench.answer.batteryA - taken()).toBeLessThan(parts + 0.01);
    bench.set(idOf('Battery isolator'), 'position', 'off');
    expect(bench.answer.batteryA).toBeLessThan(0.01);
  });

  test('a fuse pulled darkens its circuit and nothing else; back in, all is as before', () => {
    const bench = on(design);
    const before = lit(bench);
    const fridge = idOf('Compressor fridge');
    expect(before).toContain(fridge);
    bench.set(idOf('Fridge fuse'), 'fitted', false);
    expect(lit(bench)).toEqual(before.filter((id) => id !== fridge));
    bench.set(idOf('Fridge fuse'), 'fitted', true);
    expect(lit(bench)).toEqual(before);
  });

  test('after an edit everything stands as it did, and what is gone is forgotten', () => {
    const bench = on(design);
    bench.set(idOf('Galley lights switch'), 'position', 'on');
    bench.set(idOf('Step motion sensor'), 'motion', true);
    bench.wait(3);
    const without = makeDesign(Array.from(design.records.values()).filter(({ id }) => id !== idOf('Scene lights, left switch')));
    const whole = makeDesign(Array.from(without.records.values()).filter((record) => record.type !== 'wire' || [record.from, record.to].every(({ deviceId }) => without.records.has(deviceId)))); // prettier-ignore
    const after = new Bench(indexDesign(whole), bench);
    expect([after.answer.timeS, lit(after)]).toEqual([3, lit(bench)]);
    after.set(idOf('Galley lights switch'), 'position', 'off');
    expect(lit(after)).not.toContain(idOf('Galley light strip'));
  });

  test('every control moves to each of its positions and back, and the design comes to rest each time', () => {
    const bench = on(design);
    let moves = 0;
    for (const { deviceId, control, positions } of deviceHandles(indexDesign(design))) {
      for (const position of positions) {
        expect(bench.set(deviceId, control, position).answer.outcome).toBe('settled');
        expect(bench.position(deviceId, control)).toBe(position);
        moves += 1;
      }
      bench.set(deviceId, control, positions[0]!);
    }
    expect(moves).toBeGreaterThan(50);
    bench.rest();
    const fresh = on(design);
    const figures = (one: Bench) => one.answer.loads.map(({ id, volts, amps }) => [id, volts.toFixed(6), amps.toFixed(6)]);
    expect(figures(bench)).toEqual(figures(fresh));
  });
});

test('the run of a load names every part its current comes by, and what each wire on it carries', () => {
  const index = indexDesign(heron());
  const lampId = index.loads.find(({ name }) => name === 'Galley light strip')!.id;
  const bench = new Bench(index);
  expect(bench.run(lampId)).toEqual([]);
  const sw = Array.from(index.devices.values()).find(({ name }) => name === 'Galley lights switch')!.id;
  const { amps, by } = bench.set(sw, 'position', 'on').answer.loads.find(({ id }) => id === lampId)!;
  const run = bench.run(lampId);
  expect(run.at(-1)!.amps).toBeCloseTo(amps, 3);
  expect([...new Set(run.map(({ deviceId }) => deviceId))]).toEqual(by.filter((id) => run.some(({ deviceId }) => deviceId === id)));
  expect(run.map(({ deviceId }) => deviceId)).toContain(sw);
  // The battery's own lead carries all that is on.
  expect(run[0]!.amps).toBeGreaterThan(amps);
});
