import { ngspice } from '../../testing/ngspice';
import { seeded } from '../../testing/random';
import { randomDesign } from '../../testing/randomDesign';
import { runs } from '../../testing/runs';
import { rig } from '../../testing/rig';
import { deviceHandles } from '../bench/handles';
import type { TerminalRef } from '../design/schema';
import { writeSpice } from '../formats/spiceWrite';
import { BOARDS } from '../practise/boards';
import { indexDesign } from '../rig/designIndex';
import { AT_REST, withControl, type ControlState } from './controlState';
import { islandsOf } from './islands';
import type { Netlist } from './netlist';
import { LiveDesign } from './settle';

/** A meter's own resistance, ohm. Common practice. */
const METER_OHM = 1e7;
/** An open contact of ours is a gigaohm, and a few lie side by side: a meter then reads some hundredths of what is behind them. */
const GHOST_V = 0.4;

/** What ngspice makes of the same network with the meter in it. */
function spiceReading(live: LiveDesign, red: TerminalRef, black: TerminalRef): number {
  const netlist = live.netlistNow();
  const [a, b] = [red, black].map(({ deviceId, terminal }) => netlist.nodes.indexOf(`${deviceId}/${terminal}`)) as [number, number];
  const metered: Netlist = { ...netlist, elements: [...netlist.elements, { kind: 'resistor', name: 'meter', a, b, ohm: METER_OHM }] };
  // Begun where we found it to rest: from nothing ngspice does not find its way with motors.
  const found = (node: number) => {
    const [deviceId, terminal] = netlist.nodes[node]!.split('/') as [string, string];
    return live.voltage({ deviceId, terminal }) ?? 0;
  };
  const deck = writeSpice(metered, 'a meter', [], found);
  const { nodes } = ngspice(deck.text);
  return nodes[deck.nodes[a]!]! - nodes[deck.nodes[b]!]!;
}

/** States in which everything one can flick stands anywhere. */
function drawnState(index: ReturnType<typeof indexDesign>, random: () => number): ControlState {
  return deviceHandles(index)
    .filter(({ where }) => where === 'panel' || where === 'moving')
    .reduce(
      (state, { deviceId, control, positions }) =>
        withControl(state, deviceId, control, positions[Math.floor(random() * positions.length)]!),
      AT_REST,
    );
}

test('a meter of ten megohm in ngspice reads what a meter reads here, between contacts that float too', () => {
  const random = seeded(31);
  let floating = 0;
  let compared = 0;
  const two = BOARDS.find(({ id }) => id === 'two-places')!.design;
  const designs = [
    two,
    two,
    two,
    ...BOARDS.map(({ design }) => design),
    ...Array.from({ length: runs(10) }, (_, at) => randomDesign(at + 1).design),
  ];
  for (const design of designs) {
    const index = indexDesign(design);
    const live = new LiveDesign(index, AT_REST);
    live.settle(drawnState(index, random));
    const ends = index.wires.flatMap(({ from, to }) => [from, to]);
    const pick = () => ends[Math.floor(random() * ends.length)]!;
    for (let reading = 0; reading < 6; reading++) {
      const [red, black] = [pick(), pick()];
      const ours = live.metered(red, black);
      if (ours === null) continue;
      const theirs = spiceReading(live, red, black);
      // Through a lamp that is off, a megohm here, a meter loses a tenth of what there is.
      expect(Math.abs(ours - theirs)).toBeLessThan(Math.max(GHOST_V, 0.12 * Math.abs(ours)));
      compared++;
      if (live.floats(red, black)) floating++;
    }
  }
  expect(compared).toBeGreaterThan(60);
  expect(floating).toBeGreaterThan(3);
}, 120_000);

test('islands by hand: what only insulation joins is another one', () => {
  const netlist: Netlist = {
    nodes: ['minus', 'plus', 'a', 'b', 'c'],
    reference: 0,
    elements: [
      { kind: 'voltage', name: 'v', a: 1, b: 0, volts: 12 },
      { kind: 'resistor', name: 'wire', a: 1, b: 2, ohm: 0.1 },
      { kind: 'resistor', name: 'open', a: 2, b: 3, ohm: 1e9 },
      { kind: 'resistor', name: 'traveller', a: 3, b: 4, ohm: 0.1 },
    ],
  };
  const ohmOf = (at: number) => (netlist.elements[at] as { ohm: number }).ohm;
  const [minus, plus, a, b, c] = islandsOf(netlist, ohmOf);
  expect([plus, a]).toEqual([minus, minus]);
  expect(b).toBe(c);
  expect(b).not.toBe(minus);
});

test('a wire that is broken in the standing network floats behind the break, and no more once it is mended', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.lampBehind('fuse', 1, 24);
  const index = indexDesign(build.design());
  const live = new LiveDesign(index, AT_REST);
  const [lamp, minus] = [
    { deviceId: 'fuse_lamp', terminal: 'plus' },
    { deviceId: 'battery', terminal: 'minus' },
  ];
  const home = index.wires.find(({ from }) => from.deviceId === 'fuse_lamp')!;
  const feed = index.wires.find(({ to }) => to.deviceId === 'fuse_lamp')!;
  live.settle(AT_REST);
  expect(live.metered(lamp, minus)).toBeGreaterThan(12);
  live.resist(feed.id, Infinity);
  live.resist(home.id, Infinity);
  live.settle(AT_REST);
  expect(live.floats(lamp, minus)).toBe(true);
  expect(live.metered(lamp, minus)).toBe(0);
  live.resist(feed.id, 0);
  live.resist(home.id, 0);
  live.settle(AT_REST);
  expect(live.metered(lamp, minus)).toBeGreaterThan(12);
});
