import { ngspice } from '../../testing/ngspice';
import { seeded } from '../../testing/random';
import { writeSpice } from '../formats/spiceWrite';
import {
  constantCurrentLaw,
  constantPowerLaw,
  diodeLaw,
  filamentLaw,
  ledStripLaw,
  motorLaw,
  pulsed,
  standbyLaw,
  THERMAL_V,
  type Law,
} from '../devices/laws';
import { NetlistBuilder, type Netlist } from './netlist';
import { Network } from './network';
import { NetworkError } from './networkError';

const LAWS: Record<string, Law> = {
  diode: diodeLaw(1e-12, 1.2),
  filament: filamentLaw(4.58, 12),
  constantCurrent: constantCurrentLaw(1.5, 9, 12),
  constantPower: constantPowerLaw(60, 9.5, 12),
  ledStrip: ledStripLaw(0.8, 12),
  motor: motorLaw(5, 12),
  standby: standbyLaw(0.02),
  'pulsed strip': pulsed(ledStripLaw(1.2, 12), 0.4),
};

function solved(build: (net: NetlistBuilder) => void) {
  const net = new NetlistBuilder();
  build(net);
  const netlist = net.netlist('0');
  const network = new Network(netlist);
  const report = network.solve();
  const volts = (name: string) => network.voltage(netlist.nodes.indexOf(name));
  const amps = (name: string) => network.current(netlist.elements.findIndex((element) => element.name === name));
  return { volts, amps, network, netlist, report };
}

function problemOf(build: (net: NetlistBuilder) => void) {
  try {
    solved(build);
  } catch (error) {
    if (error instanceof NetworkError) return error.problem;
    throw error;
  }
  return null;
}

describe('textbook networks', () => {
  test('an R-2R ladder halves at every rung (W. M. Kester, Analog-Digital Conversion, ch. 3)', () => {
    const { volts } = solved((net) => {
      net.voltage('E', 'n0', '0', 8);
      for (let rung = 1; rung <= 3; rung++) {
        net.resistor(`series ${rung}`, `n${rung - 1}`, `n${rung}`, 10);
        net.resistor(`shunt ${rung}`, `n${rung}`, '0', 20);
      }
      net.resistor('end', 'n3', '0', 20);
    });
    expect(['n1', 'n2', 'n3'].map(volts)).toEqual([4, 2, 1].map((value) => expect.closeTo(value, 10)));
  });

  test('a Wheatstone bridge: nothing in the detector when balanced, the Thevenin current when not', () => {
    const bridge = (lastOhm: number) =>
      solved((net) => {
        net.voltage('E', 'top', '0', 10);
        net.resistor('1', 'top', 'left', 100);
        net.resistor('2', 'left', '0', 200);
        net.resistor('3', 'top', 'right', 300);
        net.resistor('4', 'right', '0', lastOhm);
        net.resistor('detector', 'left', 'right', 50);
      }).amps('detector');
    expect(bridge(600)).toBeCloseTo(0, 14);
    // Open-circuit 10 (200/300 - 400/700) V behind 100 || 200 + 300 || 400 ohm.
    expect(bridge(400)).toBeCloseTo((10 * (2 / 3 - 4 / 7)) / (200 / 3 + 1200 / 7 + 50), 12);
  });

  test('a source gives most power to a load as large as its own resistance, a quarter of E squared over R (Jacobi)', () => {
    const power = (ohm: number) => {
      const { volts, amps } = solved((net) => {
        net.voltage('E', 'e', '0', 12);
        net.resistor('inside', 'e', 'out', 0.5);
        net.resistor('load', 'out', '0', ohm);
      });
      return volts('out') * amps('load');
    };
    expect(power(0.5)).toBeCloseTo(144 / (4 * 0.5), 9);
    expect(power(0.45)).toBeLessThan(power(0.5));
    expect(power(0.55)).toBeLessThan(power(0.5));
  });

  test('a diode carrying 10 mA drops n Vt ln(I / Is + 1) (Shockley)', () => {
    const { volts } = solved((net) => {
      net.current('I', '0', 'a', 0.01);
      net.law('D', 'a', '0', diodeLaw(1e-12, 1.5));
    });
    expect(volts('a')).toBeCloseTo(1.5 * THERMAL_V * Math.log(0.01 / 1e-12 + 1), 7);
  });

  test('sources in series stack, and each says what flows in it', () => {
    const { volts, amps } = solved((net) => {
      net.voltage('low', 'mid', '0', 12);
      net.voltage('high', 'top', 'mid', 12);
      net.resistor('across both', 'top', '0', 24);
      net.resistor('across one', 'mid', '0', 12);
    });
    expect([volts('top'), amps('high'), amps('low')]).toEqual([24, expect.closeTo(-1, 12), expect.closeTo(-2, 12)]);
  });

  test('a pulse-width dimmer at 40 % gives a lamp 40 % of the current at the full voltage and a meter 40 % of the volts', () => {
    const strip = ledStripLaw(2, 12);
    const out = Float64Array.of(0, 0, 12);
    strip.at(out);
    const { volts, amps } = solved((net) => {
      net.voltage('E', 'in', '0', 12);
      net.add({ kind: 'duty', name: 'dimmer', a: net.node('in'), b: net.node('out'), common: net.node('0'), duty: 0.4, ohm: 1e-5 });
      net.law('strip', 'out', '0', pulsed(strip, 0.4));
    });
    expect(volts('out')).toBeCloseTo(4.8, 3);
    expect(amps('strip')).toBeCloseTo(0.4 * out[0]!, 4);
    expect(amps('dimmer')).toBeCloseTo(amps('strip'), 8);
  });

  test('a controlled switch stays as it is within its hysteresis', () => {
    const at = (volts: number) =>
      solved((net) => {
        net.voltage('E', 'e', '0', 12);
        net.voltage('C', 'c', '0', volts);
        net.resistor('control', 'c', '0', 1000);
        net.add({
          ...{ kind: 'switch', name: 'S', a: net.node('e'), b: net.node('out'), plus: net.node('c'), minus: net.node('0') },
          ...{ thresholdV: 6, hysteresisV: 1, closedOhm: 0.01, openOhm: 1e9 },
        });
        net.resistor('load', 'out', '0', 10);
      });
    expect(at(6.9).volts('out')).toBeLessThan(1e-6);
    const { network, netlist, volts } = at(7.1);
    expect(volts('out')).toBeCloseTo(12, 1);
    network.setSource(
      netlist.elements.findIndex(({ name }) => name === 'C'),
      5.1,
    );
    network.solve();
    expect(volts('out')).toBeCloseTo(12, 1);
    network.setSource(
      netlist.elements.findIndex(({ name }) => name === 'C'),
      4.9,
    );
    network.solve();
    expect(volts('out')).toBeLessThan(1e-6);
  });
});

describe('what holds in every network', () => {
  const seeds = Array.from({ length: 30 }, (_, at) => at + 1);

  test.each(seeds)('currents at every node sum to nothing and power in is power out, seed %i', (seed) => {
    const netlist = randomNetlist(seed, Object.values(LAWS));
    const network = new Network(netlist);
    const { residualA, largestA } = network.solve();
    expect(residualA).toBeLessThan(1e-9 * largestA);
    let power = 0;
    let moved = 0;
    netlist.elements.forEach(({ a, b }, at) => {
      const watts = (network.voltage(a) - network.voltage(b)) * network.current(at);
      power += watts;
      moved += Math.abs(watts);
    });
    expect(Math.abs(power)).toBeLessThan(1e-6 * moved);
  });

  test.each(seeds)('linear: the sources together do what each does alone, summed (superposition), seed %i', (seed) => {
    const netlist = randomNetlist(seed, []);
    const sources = netlist.elements.flatMap(({ kind }, at) => (kind === 'voltage' || kind === 'current' ? [at] : []));
    const network = new Network(netlist);
    const value = (at: number) => {
      const element = netlist.elements[at]!;
      return element.kind === 'voltage' ? element.volts : element.kind === 'current' ? element.amps : 0;
    };
    const values = sources.map(value);
    const measure = () => netlist.nodes.map((_, node) => network.voltage(node));
    network.solve();
    const together = measure();
    const sum = netlist.nodes.map(() => 0);
    sources.forEach((alone) => {
      sources.forEach((at, place) => network.setSource(at, at === alone ? values[place]! : 0));
      network.solve();
      measure().forEach((volts, node) => (sum[node]! += volts));
    });
    together.forEach((volts, node) => expect(sum[node]).toBeCloseTo(volts, 8));
  });

  test.each(seeds)('linear: a current put in at one place raises another as much as the other way about (reciprocity), seed %i', (seed) => {
    const random = seeded(seed);
    const { nodes, elements, reference } = randomNetlist(seed, []);
    const passive = elements.filter(({ kind }) => kind === 'resistor');
    const one = Math.floor(random() * nodes.length);
    const other = Math.floor(random() * nodes.length);
    const rise = (into: number, at: number) => {
      const network = new Network({
        nodes,
        reference,
        elements: [...passive, { kind: 'current', name: 'I', a: reference, b: into, amps: 1 }],
      });
      network.solve();
      return network.voltage(at);
    };
    expect(rise(one, other)).toBeCloseTo(rise(other, one), 9);
  });

  test.each(seeds)('ngspice gives the same voltages and currents, seed %i', (seed) => {
    const netlist = randomNetlist(seed, Object.values(LAWS));
    const network = new Network(netlist);
    network.solve();
    const deck = writeSpice(netlist, `random network ${seed}`);
    const answer = ngspice(deck.text);
    netlist.nodes.forEach((_, node) => {
      const theirs = answer.nodes[deck.nodes[node]!]!;
      expect(Math.abs(network.voltage(node) - theirs)).toBeLessThan(Math.max(1e-3, 1e-4 * Math.abs(theirs)));
    });
    netlist.elements.forEach(({ kind }, at) => {
      const theirs = answer.branches[deck.elements[at]!]!;
      if (kind !== 'current') expect(Math.abs(network.current(at) - theirs)).toBeLessThan(1e-6 + 1e-3 * Math.abs(theirs));
    });
  });
});

describe.each(Object.entries(LAWS))('the law of a %s', (_name, law) => {
  const at = (volts: number) => {
    const out = Float64Array.of(0, 0, volts);
    law.at(out);
    return { amps: out[0]!, slope: out[1]! };
  };

  test('passes nothing at no voltage', () => expect(Math.abs(at(0).amps)).toBeLessThan(1e-12));

  test('its slope is that of its current', () => {
    for (const volts of [-14, -3, -0.4, 0.05, 0.5, 3, 8.6, 9, 9.4, 11, 12.6, 14.4]) {
      const step = 1e-6;
      const expected = (at(volts + step).amps - at(volts - step).amps) / (2 * step);
      expect(Math.abs(at(volts).slope - expected)).toBeLessThan(1e-6 + 1e-4 * Math.abs(expected));
    }
  });
});

test('laws give their rated current at their rated voltage (definition), a strip half as much again at 14.4 V (common practice: 40 to 60 % more)', () => {
  const amps = (law: Law, volts: number) => {
    const out = Float64Array.of(0, 0, volts);
    law.at(out);
    return out[0]!;
  };
  expect(amps(filamentLaw(4.58, 12), 12)).toBeCloseTo(4.58, 5);
  expect(amps(filamentLaw(4.58, 12), 13.2) / 4.58).toBeCloseTo(1.1 ** 0.55, 1);
  expect(amps(constantPowerLaw(60, 9, 12), 12)).toBeCloseTo(5, 1);
  expect(amps(constantPowerLaw(60, 9, 12), 14) * 14).toBeCloseTo(60, 0);
  expect(amps(constantCurrentLaw(1.5, 9, 12), 12)).toBeCloseTo(1.5, 4);
  expect(amps(motorLaw(5, 12), 12)).toBeCloseTo(5, 6);
  expect(amps(ledStripLaw(0.8, 12), 12)).toBeCloseTo(0.8, 2);
  const more = amps(ledStripLaw(0.8, 12), 14.4) / 0.8;
  expect(more).toBeGreaterThan(1.4);
  expect(more).toBeLessThan(1.75);
});

describe('what has no answer is refused by name', () => {
  test('floating nodes', () => {
    const build = (net: NetlistBuilder) => {
      net.voltage('E', 'e', '0', 12);
      net.resistor('R', 'e', '0', 10);
      net.resistor('adrift', 'x', 'y', 10);
      net.current('I', '0', 'z', 1);
    };
    expect(problemOf(build)).toEqual({ code: 'floating', nodes: ['x', 'y', 'z'] });
  });

  test('a ring of ideal sources', () => {
    const build = (net: NetlistBuilder) => {
      net.voltage('A', 'a', '0', 12);
      net.voltage('B', 'b', 'a', 1);
      net.voltage('C', 'b', '0', 13);
      net.resistor('R', 'b', '0', 10);
    };
    expect(problemOf(build)).toEqual({ code: 'sourceLoop', elements: expect.arrayContaining(['A', 'B', 'C']) });
  });

  test.each([0, -1, NaN, Infinity])('a resistance of %p', (ohm) => {
    const build = (net: NetlistBuilder) => {
      net.voltage('E', 'e', '0', 12);
      net.resistor('odd', 'e', '0', ohm);
    };
    expect(problemOf(build)).toEqual({ code: 'impossibleValue', elements: ['odd'] });
  });

  test('a law with no point of rest names itself', () => {
    const jumpy: Law = {
      at(out) {
        out[0] = out[2]! > 6 ? 3 : 1;
        out[1] = 0;
      },
      spice: () => '0',
    };
    const build = (net: NetlistBuilder) => {
      net.voltage('E', 'e', '0', 8);
      net.resistor('R', 'e', 'x', 1);
      net.law('jumpy', 'x', '0', jumpy);
    };
    expect(problemOf(build)).toMatchObject({ code: 'noConvergence', elements: ['jumpy'] });
  });
});

/** A tree of resistors with a few cross links, sources here and there and laws hanging to the reference, as wiring is. */
function randomNetlist(seed: number, laws: readonly Law[]): Netlist {
  const random = seeded(seed);
  const net = new NetlistBuilder();
  const size = 5 + Math.floor(random() * 60);
  net.voltage('battery', 'n0', '0', 12.8);
  const pick = (below: number) => `n${Math.floor(random() * below)}`;
  for (let node = 1; node < size; node++) net.resistor(`wire ${node}`, pick(node), `n${node}`, 0.002 + 0.05 * random());
  for (let link = 0; link < size / 12; link++) {
    const [from, to] = [pick(size), pick(size)];
    if (from !== to) net.resistor(`link ${link}`, from, to, 0.01 + random());
  }
  net.voltage('second', 'n1b', 'n1', 0.3);
  net.resistor('of the second', 'n1b', '0', 40);
  net.current('drain', pick(size), '0', 0.4);
  for (let load = 0; load < size / 2; load++) {
    const law = laws[Math.floor(random() * laws.length)];
    if (law) net.law(`load ${load}`, pick(size), '0', law);
    else net.resistor(`load ${load}`, pick(size), '0', 2 + 20 * random());
  }
  return net.netlist('0');
}
