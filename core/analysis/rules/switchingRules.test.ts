import { rig } from '../../../testing/rig';
import { switchingRemedies } from '../../advice/switchingRemedies';
import { Bench } from '../../bench/bench';
import { applyChange } from '../../design/change';
import type { Design } from '../../design/design';
import type { Relay } from '../../devices/relay';
import { indexDesign } from '../../rig/designIndex';
import { analyse } from '../analyse';
import type { Finding } from '../finding';

type Build = ReturnType<typeof rig>;

const COIL = { pins: 4, coilOhm: 90, pullInV: 7.5, dropOutV: 3, contactMilliohm: 4, ratingA: 30 } as const;

function design(wireUp: (build: Build) => void): Design {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.load(24, 'ledConstantCurrent', 0, { id: 'lamp' });
  wireUp(build);
  build.circuit('fuse', 1, 'fuse');
  return build.design();
}

const home = (build: Build, terminal: string) => build.wire(terminal, 'bar.bar', 1000, 'mm2:2.5', 'return');
const wrong = (of: Design) => analyse(of).findings.filter(({ rule }) => rule.startsWith('switching.'));
const said = (of: Design) => wrong(of).map(({ rule, severity, subjects }) => [rule, severity, subjects]);
const after = (of: Design, finding: Finding) => switchingRemedies(analyse(of), finding).map(({ change }) => applyChange(of, change));

/** A lamp through a relay whose coil a panel switch works. */
function relayed(suppression: Relay['suppression'], plus: '86' | '85'): Design {
  return design((build) => {
    build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
    build.add({ id: 'relay', kind: 'relay', ...COIL, suppression });
    build.wire('fuse.out', 'sw.in');
    build.wire('sw.out', `relay.${plus}`);
    home(build, `relay.${plus === '86' ? '85' : '86'}`);
    build.wire('fuse.out', 'relay.30');
    build.wire('relay.87', 'lamp.plus');
    home(build, 'lamp.minus');
  });
}

// DIN 72552: 86 the coil's beginning, 85 its end; with a diode across it only one way round works.
test('a coil with a diode turned round is a fault, and changing its wires over mends it; with a resistor either way will do', () => {
  expect(said(relayed('diode', '86'))).toEqual([]);
  expect(said(relayed('resistor', '85'))).toEqual([]);
  const turned = relayed('diode', '85');
  expect(said(turned)).toEqual([['switching.coilTurned', 'fault', ['relay']]]);
  const [mended] = after(turned, wrong(turned)[0]!);
  expect(said(mended!)).toEqual([]);
  // And so it is on the bench: turned round, what flows as it is switched on is a short.
  const amps = (of: Design) => new Bench(indexDesign(of)).set('sw', 'position', 'on').answer.batteryA;
  expect(amps(turned)).toBeGreaterThan(50);
  expect(amps(mended!)).toBeLessThan(3);
});

test('a relay always pulled in while the switch carries the lamp is found; as it should be, with no feed, or latching, it is not', () => {
  expect(said(relayed('resistor', '86'))).toEqual([]);
  const withSwitchAhead = (fed: boolean, latching: boolean) =>
    design((build) => {
      build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
      build.add({ id: 'relay', kind: 'relay', ...COIL, suppression: 'resistor', latching });
      if (fed) build.wire('fuse.out', 'relay.86');
      home(build, 'relay.85');
      build.wire('fuse.out', 'sw.in');
      build.wire('sw.out', 'relay.30');
      build.wire('relay.87', 'lamp.plus');
      home(build, 'lamp.minus');
    });
  expect(said(withSwitchAhead(false, false))).toEqual([]);
  expect(said(withSwitchAhead(true, true))).toEqual([]);
  const exchanged = withSwitchAhead(true, false);
  expect(said(exchanged)).toEqual([['switching.coilAlwaysFed', 'caution', ['relay', 'sw']]]);
  const bench = new Bench(indexDesign(exchanged));
  // It seems to work: that is why nobody looks.
  expect([bench.answer.loads[0]!.state, bench.set('sw', 'position', 'on').answer.loads[0]!.state]).toEqual(['off', 'on']);
  expect(bench.set('sw', 'position', 'off').answer.batteryA).toBeGreaterThan(0.1);
});

test('a coil behind a dimmer chatters', () => {
  const chatters = design((build) => {
    build.add({ id: 'dimmer', kind: 'dimmer', side: 'positive', ratingA: 5, standbyA: 0.005 });
    build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
    build.add({ id: 'relay', kind: 'relay', ...COIL, suppression: 'resistor' });
    build.wire('fuse.out', 'dimmer.in');
    home(build, 'dimmer.minus');
    build.wire('dimmer.out', 'sw.in');
    build.wire('sw.out', 'relay.86');
    home(build, 'relay.85');
    build.wire('fuse.out', 'relay.30');
    build.wire('relay.87', 'lamp.plus');
    home(build, 'lamp.minus');
  });
  expect(said(chatters)).toEqual([['switching.coilPulsed', 'caution', ['relay', 'dimmer']]]);
});

test('a lamp dimmed in its return that has another way home is a fault, and on the bench at full', () => {
  const dimmed = (isBonded: boolean) =>
    design((build) => {
      build.add({ id: 'dimmer', kind: 'dimmer', side: 'return', ratingA: 5, standbyA: 0.005 });
      build.wire('fuse.out', 'lamp.plus');
      build.wire('fuse.out', 'dimmer.plus');
      build.wire('lamp.minus', 'dimmer.dimmed', 1000, 'mm2:2.5', 'return');
      home(build, 'dimmer.minus');
      if (isBonded) home(build, 'lamp.minus');
    });
  expect(said(dimmed(false))).toEqual([]);
  expect(said(dimmed(true))).toEqual([['switching.dimmerBridged', 'fault', ['dimmer', 'lamp']]]);
  const atQuarter = (of: Design) => new Bench(indexDesign(of)).set('dimmer', 'levelPercent', 25).answer.loads[0]!.amps;
  expect(atQuarter(dimmed(true)) / atQuarter(dimmed(false))).toBeGreaterThan(3);
});

test('two dimmers in a row are found, and the second can be taken out', () => {
  const twice = design((build) => {
    for (const id of ['first', 'second']) {
      build.add({ id, kind: 'dimmer', side: 'positive', ratingA: 5, standbyA: 0.005 });
      home(build, `${id}.minus`);
    }
    build.wire('fuse.out', 'first.in');
    build.wire('first.out', 'second.in');
    build.wire('second.out', 'lamp.plus');
    home(build, 'lamp.minus');
  });
  expect(said(twice)).toEqual([['switching.twoDimmers', 'caution', ['lamp', 'first', 'second']]]);
  expect(after(twice, wrong(twice)[0]!).map(said)).toEqual([[]]);
});

test('a lamp on the contact of a roller that is made while it is pressed burns while the lid is shut; changed over it does not', () => {
  const roller = (contact: string) =>
    design((build) => {
      build.add({ id: 'roller', kind: 'microSwitch', actuator: 'roller', ratingA: 5 });
      build.wire('fuse.out', 'roller.common');
      build.wire(`roller.${contact}`, 'lamp.plus');
      home(build, 'lamp.minus');
    });
  expect(said(roller('normallyClosed'))).toEqual([]);
  const shut = roller('normallyOpen');
  expect(said(shut)).toEqual([['switching.litWhileShut', 'caution', ['roller', 'lamp']]]);
  const [mended] = after(shut, wrong(shut)[0]!);
  expect(said(mended!)).toEqual([]);
  // Left as it is the lid is shut.
  const left = (of: Design) => new Bench(indexDesign(of)).answer.loads[0]!.state;
  expect([left(shut), left(mended!)]).toEqual(['on', 'off']);
});
