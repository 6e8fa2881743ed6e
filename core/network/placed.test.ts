import { ngspice } from '../../testing/ngspice';
import { seeded } from '../../testing/random';
import { randomDesign } from '../../testing/randomDesign';
import { rig } from '../../testing/rig';
import { runs } from '../../testing/runs';
import type { TerminalRef } from '../design/schema';
import { writeSpice } from '../formats/spiceWrite';
import { BOARDS } from '../practise/boards';
import { put } from '../practise/boardBuilder';
import { indexDesign } from '../rig/designIndex';
import { AT_REST, withControl, type ControlState } from './controlState';
import type { Netlist } from './netlist';
import { LiveDesign } from './settle';

/** What is fed in, A: so little that nothing leaves its operating point, a motor at rest neither. */
const FED_A = 1e-6;
/** ngspice's answers have six digits and more of volts. */
const LEAST_OHM = 5e-3;

/** How far ngspice moves two terminals apart by a little current into one and out of the other, ohm. */
function spiceBetween(live: LiveDesign, one: TerminalRef, other: TerminalRef): number {
  const netlist = live.netlistNow();
  const [a, b] = [one, other].map(({ deviceId, terminal }) => netlist.nodes.indexOf(`${deviceId}/${terminal}`)) as [number, number];
  const found = (node: number) => {
    const [deviceId, terminal] = netlist.nodes[node]!.split('/') as [string, string];
    return live.voltage({ deviceId, terminal }) ?? 0;
  };
  const apart = (amps: number) => {
    const fed: Netlist = { ...netlist, elements: [...netlist.elements, { kind: 'current', name: 'fed', a: b, b: a, amps }] };
    const deck = writeSpice(fed, 'a little current', [], found);
    const { nodes } = ngspice(deck.text);
    return nodes[deck.nodes[a]!]! - nodes[deck.nodes[b]!]!;
  };
  return (apart(FED_A) - apart(-FED_A)) / (2 * FED_A);
}

test('what lies between two terminals is what a little current shows in ngspice, inside a run of wires and across circuits', () => {
  const random = seeded(11);
  let compared = 0;
  let inside = 0;
  let dimmed = 0;
  const dimmer = BOARDS.find(({ id }) => id === 'bonded-dimmer')!;
  const states: [typeof dimmer.design, ControlState][] = [
    ...BOARDS.map(({ design }): [typeof design, ControlState] => [design, AT_REST]),
    ...[put('switch', 'on')].map(({ position }): [typeof dimmer.design, ControlState] => [dimmer.design, withControl(withControl(AT_REST, 'switch', 'position', position), 'dimmer', 'levelPercent', 25)]), // prettier-ignore
    ...Array.from({ length: runs(8) }, (_, at): [typeof dimmer.design, ControlState] => [randomDesign(at + 1).design, AT_REST]),
  ];
  for (const [design, state] of states) {
    const index = indexDesign(design);
    const live = new LiveDesign(index, state);
    live.settle(state);
    const ends = index.wires.flatMap(({ from, to }) => [from, to]);
    for (let pair = 0; pair < 4; pair++) {
      const [one, other] = [0, 1].map(() => ends[Math.floor(random() * ends.length)]!) as [TerminalRef, TerminalRef];
      const ours = live.resistanceBetween(one, other);
      if (ours > 1e4 || ours < LEAST_OHM) continue;
      expect(Math.abs(spiceBetween(live, one, other) / ours - 1)).toBeLessThan(0.03);
      compared++;
      if (ours < 1) inside++;
      if (design === dimmer.design) dimmed++;
    }
  }
  expect(compared).toBeGreaterThan(25);
  expect(inside).toBeGreaterThan(5);
  expect(dimmed).toBeGreaterThan(0);
}, 120_000);

test('between two places of one run it is the wire between them, whatever else hangs on; between islands there is no way', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.lampBehind('fuse', 1, 24);
  const index = indexDesign(build.design());
  const live = new LiveDesign(index, AT_REST);
  live.settle(AT_REST);
  const feed = index.wires.find(({ to }) => to.deviceId === 'fuse_lamp')!;
  const before = live.resistanceBetween(feed.from, feed.to);
  live.resist(feed.id, 3);
  live.settle(AT_REST);
  // A lamp of some six ohm and its way home lie beside it.
  const after = live.resistanceBetween(feed.from, feed.to);
  expect(before).toBeLessThan(0.2);
  expect(after - before).toBeGreaterThan(1.5);
  expect(after - before).toBeLessThan(3);
  live.resist(feed.id, Infinity);
  live.settle(AT_REST);
  const home = index.wires.find(({ from }) => from.deviceId === 'fuse_lamp')!;
  live.resist(home.id, Infinity);
  live.settle(AT_REST);
  expect(live.resistanceBetween(feed.from, feed.to)).toBe(Infinity);
});
