import { bench } from '../../testing/bench';
import { AT_REST, type ControlState } from './controlState';
import type { Outcome } from './settle';

const RELAY = {
  kind: 'relay',
  pins: 5,
  coilOhm: 90,
  pullInV: 7.5,
  dropOutV: 3,
  suppression: 'none',
  contactMilliohm: 4,
  ratingA: 30,
} as const;

function memoryOf(outcome: Outcome, device: string) {
  return outcome.state.memory[device] ?? {};
}

describe('two-place switching', () => {
  const twoPlaces = (crossed: boolean) =>
    bench((build) => {
      build.add({ id: 'front', kind: 'switch', form: 'changeover', ratingA: 10 });
      build.add({ id: 'rear', kind: 'switch', form: 'changeover', ratingA: 10 });
      build.load(24, 'resistive', 0, { id: 'lamp' });
      build.wire('battery.plus', 'front.common');
      build.wire('front.up', crossed ? 'rear.down' : 'rear.up');
      build.wire('front.down', crossed ? 'rear.up' : 'rear.down');
      build.wire('rear.common', 'lamp.plus');
      build.wire('lamp.minus', 'battery.minus');
    });

  test.each([
    ['up', 'up'],
    ['up', 'down'],
    ['down', 'up'],
    ['down', 'down'],
  ])('straight travellers, front %s and rear %s: lit exactly when they agree (common practice)', (front, rear) => {
    const { settle, isLit } = twoPlaces(false);
    settle({ front: { position: front }, rear: { position: rear } });
    expect(isLit('lamp')).toBe(front === rear);
  });

  test('crossed travellers turn it about: lit exactly when they differ', () => {
    const { settle, isLit } = twoPlaces(true);
    settle({ front: { position: 'up' }, rear: { position: 'up' } });
    expect(isLit('lamp')).toBe(false);
    settle({ front: { position: 'up' }, rear: { position: 'down' } });
    expect(isLit('lamp')).toBe(true);
  });
});

describe('relays', () => {
  const relayed = (coil: { plus: string; minus: string }, suppression: 'none' | 'resistor' | 'diode' = 'none') =>
    bench((build) => {
      build.add({ ...RELAY, id: 'relay', suppression });
      build.add({ id: 'sw', kind: 'switch', ratingA: 5 });
      build.load(60, 'filament', 0, { id: 'lamp' });
      build.load(5, 'resistive', 0, { id: 'pilot' });
      build.wire('battery.plus', 'sw.in');
      build.wire('sw.out', `relay.${coil.plus}`);
      build.wire(`relay.${coil.minus}`, 'battery.minus');
      build.wire('battery.plus', 'relay.30', 2000, 'mm2:6');
      build.wire('relay.87', 'lamp.plus');
      build.wire('relay.87a', 'pilot.plus');
      build.wire('lamp.minus', 'battery.minus');
      build.wire('pilot.minus', 'battery.minus');
    });

  test.each([
    ['none', '86', '85'],
    ['none', '85', '86'],
    ['resistor', '85', '86'],
    ['diode', '86', '85'],
  ] as const)('pulls in with quenching %s and plus on %s; 87 is made and 87a let go', (suppression, plus, minus) => {
    const { settle, isLit, live } = relayed({ plus, minus }, suppression);
    expect(settle({ sw: { position: 'off' } }).kind).toBe('settled');
    expect([isLit('lamp'), isLit('pilot')]).toEqual([false, true]);
    const outcome = settle({ sw: { position: 'on' } });
    expect([isLit('lamp'), isLit('pilot'), memoryOf(outcome, 'relay')]).toEqual([true, false, { pulledIn: true }]);
    // Common practice: 85 to 100 ohm at 12 V, 130 to 170 mA.
    expect(Math.abs(live.partAmps('relay', 'coil'))).toBeGreaterThan(0.13);
  });

  test('a quenching diode the wrong way round shorts the coil and it never pulls in (common practice: 86 must be positive)', () => {
    const { settle, isLit, live } = relayed({ plus: '85', minus: '86' }, 'diode');
    settle({ sw: { position: 'on' } });
    expect(isLit('lamp')).toBe(false);
    expect(Math.abs(live.partAmps('relay', 'quench'))).toBeGreaterThan(50);
  });

  test('between drop-out and pull-in it stays as it was', () => {
    const { settle } = bench((build) => {
      build.add({ ...RELAY, id: 'relay' });
      build.add({ id: 'source', kind: 'signalSource', signals: ['ignition'], maxA: 1 });
      build.wire('source.ignition', 'relay.86');
      build.wire('relay.85', 'battery.minus');
      build.wire('source.minus', 'battery.minus');
    });
    const at = (vehicleV: number, from?: ControlState) => settle({ source: { ignition: true, vehicleV } }, from);
    const isIn = (outcome: Outcome) => memoryOf(outcome, 'relay').pulledIn === true;
    expect(isIn(at(5))).toBe(false);
    const pulled = at(8);
    expect(isIn(pulled)).toBe(true);
    expect(isIn(at(5, pulled.state))).toBe(true);
    expect(isIn(at(2.9, pulled.state))).toBe(false);
  });

  test('a relay that feeds its coil through its own break contact buzzes: reported as an oscillation of two states', () => {
    const { settle } = bench((build) => {
      build.add({ ...RELAY, id: 'buzzer' });
      build.wire('battery.plus', 'buzzer.30');
      build.wire('buzzer.87a', 'buzzer.86');
      build.wire('buzzer.85', 'battery.minus');
    });
    const outcome = settle({});
    expect(outcome).toMatchObject({ kind: 'oscillating', devices: ['buzzer'] });
    expect(outcome.kind === 'oscillating' && outcome.cycle.map((memory) => memory.buzzer!.pulledIn).sort()).toEqual([false, true]);
  });

  test('a relay held by its own contact stays in after the button is let go', () => {
    const { settle, isLit } = bench((build) => {
      build.add({ ...RELAY, id: 'latch', pins: 4 });
      build.add({ id: 'start', kind: 'switch', ratingA: 5, momentary: true });
      build.load(24, 'resistive', 0, { id: 'lamp' });
      build.wire('battery.plus', 'latch.30');
      build.wire('battery.plus', 'start.in');
      build.wire('start.out', 'latch.86');
      build.wire('latch.87', 'latch.86');
      build.wire('latch.87', 'lamp.plus');
      build.wire('lamp.minus', 'battery.minus');
      build.wire('latch.85', 'battery.minus');
    });
    const before = settle({});
    expect(isLit('lamp')).toBe(false);
    const pressed = settle({ start: { position: 'on' } }, before.state);
    settle({ start: { position: 'off' } }, pressed.state);
    expect(isLit('lamp')).toBe(true);
  });
});

describe('switches of other kinds', () => {
  test('a door light through a roller switch’s normally closed contact is lit while the door is open (common practice)', () => {
    const { settle, isLit } = bench((build) => {
      build.add({ id: 'door', kind: 'microSwitch', actuator: 'roller', ratingA: 5 });
      build.load(5, 'ledStrip', 0, { id: 'light' });
      build.wire('battery.plus', 'door.common');
      build.wire('door.normallyClosed', 'light.plus');
      build.wire('light.minus', 'battery.minus');
    });
    settle({ door: { pressed: true } });
    expect(isLit('light')).toBe(false);
    settle({ door: { pressed: false } });
    expect(isLit('light')).toBe(true);
  });

  test('on-off-on: up from its own supply, centre off, down following the high beam', () => {
    const { settle, isLit } = bench((build) => {
      build.add({ id: 'select', kind: 'switch', form: 'changeoverOff', ratingA: 10 });
      build.add({ id: 'vehicle', kind: 'signalSource', signals: ['highBeam'], maxA: 5 });
      build.load(12, 'resistive', 0, { id: 'lamp' });
      build.wire('battery.plus', 'select.up');
      build.wire('vehicle.highBeam', 'select.down');
      build.wire('select.common', 'lamp.plus');
      build.wire('lamp.minus', 'battery.minus');
      build.wire('vehicle.minus', 'battery.minus');
    });
    const lit = (position: string, highBeam: boolean) => {
      settle({ select: { position }, vehicle: { highBeam } });
      return isLit('lamp');
    };
    expect([lit('up', false), lit('off', true), lit('down', false), lit('down', true)]).toEqual([true, false, false, true]);
  });

  test('a lamp on a door switch’s return is dead with the door shut, whatever feeds it', () => {
    const { settle, isLit, volts } = bench((build) => {
      build.add({ id: 'pillar', kind: 'doorSwitch', ratingA: 5 });
      build.load(5, 'resistive', 0, { id: 'light' });
      build.wire('battery.plus', 'light.plus');
      build.wire('light.minus', 'pillar.lead');
      build.wire('pillar.body', 'battery.minus');
    });
    settle({ pillar: { door: 'shut' } });
    expect([isLit('light'), volts('light.minus') > 12]).toEqual([false, true]);
    settle({ pillar: { door: 'open' } });
    expect(isLit('light')).toBe(true);
  });

  test('a pilot lamp without a return of its own stays dark while the load works', () => {
    const { settle, isLit, live } = bench((build) => {
      build.add({ id: 'sw', kind: 'switch', ratingA: 10, pilot: true });
      build.load(24, 'resistive', 0, { id: 'lamp' });
      build.wire('battery.plus', 'sw.in');
      build.wire('sw.out', 'lamp.plus');
      build.wire('sw.out', 'sw.lampPlus', 50);
      build.wire('lamp.minus', 'battery.minus');
    });
    settle({ sw: { position: 'on' } });
    expect(isLit('lamp')).toBe(true);
    expect(Math.abs(live.partAmps('sw', 'pilot'))).toBeLessThan(1e-6);
  });

  test('a ground on the dimmed lead of a return-side dimmer gives full brightness (common practice)', () => {
    const dimmed = (bonded: boolean) => {
      const { settle, live } = bench((build) => {
        build.add({ id: 'dimmer', kind: 'dimmer', side: 'return', ratingA: 8, standbyA: 0 });
        build.load(24, 'ledStrip', 0, { id: 'strip' });
        build.wire('battery.plus', 'dimmer.plus');
        build.wire('battery.plus', 'strip.plus');
        build.wire('strip.minus', 'dimmer.dimmed');
        build.wire('dimmer.minus', 'battery.minus');
        if (bonded) build.wire('strip.minus', 'battery.minus');
      });
      settle({ dimmer: { levelPercent: 30 } });
      return live.partAmps('strip', 'draw');
    };
    // Three tenths of the time against all of it; the wire takes a little more at full.
    expect(dimmed(true) / dimmed(false)).toBeCloseTo(1 / 0.3, 0);
  });
});

describe('time', () => {
  test('a motion light stays on for its hold time after the last motion, each motion starting it again', () => {
    const { live, isLit } = bench((build) => {
      build.add({ id: 'motion', kind: 'motionSwitch', holdS: 30, ratingA: 5, standbyA: 0.001 });
      build.load(6, 'resistive', 0, { id: 'step' });
      build.wire('battery.plus', 'motion.in');
      build.wire('motion.out', 'step.plus');
      build.wire('motion.minus', 'battery.minus');
      build.wire('step.minus', 'battery.minus');
    });
    let state: ControlState = AT_REST;
    const pass = (seconds: number, motion: boolean) => {
      const outcome = live.advance({ ...state, controls: { motion: { motion } } }, seconds, 1);
      state = outcome.state;
      return isLit('step');
    };
    expect(pass(5, false)).toBe(false);
    expect(pass(1, true)).toBe(true);
    expect(pass(25, false)).toBe(true);
    expect(pass(1, true)).toBe(true);
    expect(pass(28, false)).toBe(true);
    expect(pass(3, false)).toBe(false);
  });

  test('a latching receiver channel changes at each press and keeps on; a momentary one follows the button', () => {
    for (const mode of ['latching', 'momentary'] as const) {
      const { settle, isLit } = bench((build) => {
        build.add({ id: 'rx', kind: 'receiver', channels: 2, mode, channelMaxA: 3, standbyA: 0.01 });
        build.load(6, 'resistive', 0, { id: 'lamp' });
        build.wire('battery.plus', 'rx.plus');
        build.wire('rx.minus', 'battery.minus');
        build.wire('rx.ch1', 'lamp.plus');
        build.wire('lamp.minus', 'battery.minus');
      });
      const seen: boolean[] = [];
      let state: ControlState = AT_REST;
      for (const ch1 of [true, false, true, false]) {
        state = settle({ rx: { ch1 } }, state).state;
        seen.push(isLit('lamp'));
      }
      expect(seen).toEqual(mode === 'latching' ? [true, true, false, false] : [true, false, true, false]);
    }
  });

  test('a hub’s blocking rule wins over every other', () => {
    const { settle, isLit } = bench((build) => {
      build.add({
        ...{ id: 'hub', kind: 'ruleHub', inputs: 2, outputs: 1, outputMaxA: 10, standbyA: 0.01 },
        rules: [
          { output: 1, all: [1], none: [], block: false },
          { output: 1, all: [2], none: [], block: true },
        ],
      });
      build.add({ id: 'vehicle', kind: 'signalSource', signals: ['reverse', 'highBeam'], maxA: 1 });
      build.load(20, 'resistive', 0, { id: 'lamp' });
      build.wire('battery.plus', 'hub.plus');
      build.wire('hub.minus', 'battery.minus');
      build.wire('vehicle.minus', 'battery.minus');
      build.wire('vehicle.reverse', 'hub.in1');
      build.wire('vehicle.highBeam', 'hub.in2');
      build.wire('hub.out1', 'lamp.plus');
      build.wire('lamp.minus', 'battery.minus');
    });
    const lit = (reverse: boolean, highBeam: boolean) => {
      settle({ vehicle: { reverse, highBeam } });
      return isLit('lamp');
    };
    expect([lit(false, false), lit(true, false), lit(true, true)]).toEqual([false, true, false]);
  });

  test('a fridge under its cut-out stops, and starts again only at its restart voltage', () => {
    const { settle, live } = bench((build) => {
      build.load(48, 'converter', 0.01, { id: 'fridge', cutOutV: 11.2, restartV: 12.2 });
      build.wire('battery.plus', 'fridge.plus', 6000, 'mm2:1.5');
      build.wire('fridge.minus', 'battery.minus', 6000, 'mm2:1.5');
    });
    const runs = (chargePercent: number, from?: ControlState) => {
      const { state } = settle({ battery: { chargePercent } }, from);
      return { state, on: live.partAmps('fridge', 'draw') > 1 };
    };
    const full = runs(100);
    expect(full.on).toBe(true);
    const low = runs(10, full.state);
    expect(low.on).toBe(false);
    expect(runs(30, low.state).on).toBe(false);
    expect(runs(100, low.state).on).toBe(true);
  });

  test('a fuse at twice its rating opens within its gates (ISO 8820-3 as remembered: 0.15 to 5 s) and stays open', () => {
    const { live, isLit } = bench((build) => {
      build.add({ id: 'fuse', kind: 'protection', family: 'blade', ratingA: 10, mount: null });
      build.load(240, 'ledConstantCurrent', 0, { id: 'much', rated: { kind: 'amps', amps: 20, atV: 12 } });
      build.wire('battery.plus', 'fuse.in', 300, 'mm2:10');
      build.wire('fuse.out', 'much.plus', 300, 'mm2:10');
      build.wire('much.minus', 'battery.minus', 300, 'mm2:10');
    });
    const early = live.advance(AT_REST, 0.14, 0.01);
    expect([early.kind, isLit('much')]).toEqual(['settled', true]);
    const late = live.advance(early.state, 5, 0.01);
    expect([isLit('much'), late.state.memory.fuse]).toEqual([false, { open: true }]);
  });

  test('the same state gives the same digits whatever was asked before', () => {
    const { settle, volts } = bench((build) => {
      build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
      build.load(40, 'converter', 0, { id: 'one' });
      build.load(30, 'ledStrip', 0, { id: 'two' });
      build.wire('battery.plus', 'sw.in');
      build.wire('sw.out', 'one.plus');
      build.wire('battery.plus', 'two.plus');
      build.wire('one.minus', 'battery.minus');
      build.wire('two.minus', 'battery.minus');
    });
    settle({ sw: { position: 'on' } });
    const first = [volts('one.plus'), volts('two.plus')];
    settle({ sw: { position: 'off' } });
    settle({ battery: { chargePercent: 20 }, sw: { position: 'on' } });
    settle({ sw: { position: 'on' } });
    expect([volts('one.plus'), volts('two.plus')]).toEqual(first);
  });
});

describe('a blown-fuse lamp', () => {
  const leaky = (fitted: boolean, load: number) => {
    const { settle, volts, live } = bench((build) => {
      build.add({ id: 'block', kind: 'fuseBlock', slots: 4, slotMaxA: 20, blockMaxA: 60, indicators: true });
      build.add({ id: 'fuse', kind: 'protection', family: 'blade', ratingA: 5, mount: { blockId: 'block', slot: 1 } });
      build.wire('battery.plus', 'block.in', 300, 'mm2:10');
      if (load > 0) {
        build.load(load, 'resistive', 0, { id: 'lamp' });
        build.wire('fuse.out', 'lamp.plus');
        build.wire('lamp.minus', 'battery.minus');
      }
    });
    settle({ fuse: { fitted } });
    return { volts: volts('fuse.out'), amps: load > 0 ? live.partAmps('lamp', 'draw') : 0 };
  };

  test('shows about 11 V with the fuse out and nothing connected, yet no useful current (common practice)', () => {
    expect(leaky(false, 0).volts).toBeGreaterThan(10);
    const loaded = leaky(false, 12);
    expect(loaded.amps).toBeLessThan(0.005);
    expect(loaded.volts).toBeLessThan(0.1);
  });
});

test('what nothing joins to the battery reads as not joined and leaves the rest its answer', () => {
  const { live, isLit, settle } = bench((build) => {
    build.load(12, 'resistive', 0, { id: 'lamp' });
    build.wire('battery.plus', 'lamp.plus');
    build.wire('lamp.minus', 'battery.minus');
    build.load(12, 'resistive', 0, { id: 'stray' });
  });
  settle({});
  expect(isLit('lamp')).toBe(true);
  expect(live.compiled.adrift).toEqual([
    { deviceId: 'stray', terminal: 'plus' },
    { deviceId: 'stray', terminal: 'minus' },
  ]);
});
