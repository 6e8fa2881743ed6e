import { Bench } from '../../bench/bench';
import type { TerminalRef } from '../../design/schema';
import { AT_REST } from '../../network/controlState';
import { LiveDesign } from '../../network/settle';
import { indexDesign, type DesignIndex } from '../../rig/designIndex';
import { formatNumber } from '../../units/quantity';
import { at, BoardBuilder } from '../boardBuilder';
import { ask, pick, shuffled, whole, type Generator, type Random, type Wrong } from './question';

/** Volts from which a bare contact can do harm. */
const LIVE_V = 2;

/** A plug in a run, and which of its halves has covered contacts; the other's are bare. */
interface DrawnPlug {
  id: string;
  name: string;
  covered: 'a' | 'b';
}

/** Which plug, once parted, leaves a live contact bare: on the way home it is the lamp's half, by way of the lamp. */
function bareWhenParted(random: Random) {
  const part = pick(random, ['Porch lamp', 'Step lamp', 'Tent lamp', 'Work lamp', 'Awning lamp']);
  const isOn = random() < 0.75;
  const isSwitchFirst = random() < 0.7;
  const half = () => pick(random, ['a', 'b'] as const);
  const feed: DrawnPlug = { id: 'feedPlug', name: 'Plug in its plus', covered: half() };
  const home: DrawnPlug = { id: 'homePlug', name: 'Plug in its way home', covered: half() };
  const plugs = [feed, home];
  const order = isSwitchFirst
    ? 'fuse.out > switch.in, switch.out > feedPlug.a1, feedPlug.b1 > lamp.plus'
    : 'fuse.out > feedPlug.a1, feedPlug.b1 > switch.in, switch.out > lamp.plus';
  const board = new BoardBuilder('Two plugs in a run')
    .supply()
    .fuse('fuse', part, 5)
    .part('switch', `${part} switch`, 'switch')
    .lamp('lamp', part, 10)
    .part(feed.id, feed.name, 'plug', { pins: 1 })
    .part(home.id, home.name, 'plug', { pins: 1 })
    .wires(`${order}, lamp.minus > homePlug.a1, homePlug.b1 > minusBar.bar`, 2500)
    .design();
  const index = indexDesign(board);
  const live = (one: DrawnPlug, side: 'a' | 'b') => liveWhenParted(index, one.id, `${side}1`, isOn);
  const isBad = (one: DrawnPlug) => live(one, one.covered === 'a' ? 'b' : 'a');
  const says = (bad: readonly DrawnPlug[]) => (bad.length === 0 ? 'neither' : bad.length === 2 ? 'both' : bad[0]!.name);
  const right = says(plugs.filter(isBad));
  const state = (is: boolean) => (is ? 'live' : 'dead');
  const why = (one: DrawnPlug) => `${one.name}: its half nearer the fuse is ${state(live(one, 'a'))}, the other ${state(live(one, 'b'))}`;
  const wrongs = [[], [feed], [home], [feed, home]].map((bad): Wrong => [says(bad), `${why(feed)}. ${why(home)}.`]);
  const rows = plugs.map(({ name, covered }) => [name, ...(['a', 'b'] as const).map((side) => (side === covered ? 'covered' : 'bare'))]);
  return ask(
    random,
    `The switch is ${isOn ? 'on' : 'off'}. One plug at a time is pulled apart. Which of them then has live contacts that are bare?`,
    right,
    shuffled(random, wrongs),
    `${why(feed)}. ${why(home)}. What stays live is to be covered: on a way home that is the lamp’s half, through the lamp.`,
    { board, table: { head: ['Plug', 'Half nearer the fuse', 'Half further on'], rows } },
  );
}

function liveWhenParted(index: DesignIndex, plugId: string, terminal: string, isOn: boolean): boolean {
  const bench = new Bench(index);
  if (isOn) bench.set('switch', 'position', 'on');
  bench.set(plugId, 'mated', false);
  return (bench.volts({ deviceId: plugId, terminal }, at('battery.minus')) ?? 0) > LIVE_V;
}

/** How two batteries are joined: cables from post to post, and where the system's two leads go. */
interface Joined {
  links: readonly (readonly [string, string])[];
  plus: string;
  minus: string;
}

const JOINED: readonly Joined[] = [
  { links: [['first.plus', 'second.plus'], ['first.minus', 'second.minus']], plus: 'first.plus', minus: 'second.minus' }, // prettier-ignore
  { links: [['first.plus', 'second.plus'], ['first.minus', 'second.minus']], plus: 'first.plus', minus: 'first.minus' }, // prettier-ignore
  { links: [['first.plus', 'second.plus'], ['first.minus', 'second.minus']], plus: 'second.plus', minus: 'second.minus' }, // prettier-ignore
  { links: [['first.plus', 'second.minus']], plus: 'second.plus', minus: 'first.minus' },
  { links: [['first.plus', 'second.plus']], plus: 'first.plus', minus: 'second.minus' },
  { links: [['first.minus', 'second.minus']], plus: 'first.plus', minus: 'second.minus' },
];

/** One battery gives more than this share where both ought to give half: leads at opposite ends share alike to the last ampere. */
const UNEVEN = 0.505;
const NOTHING_A = 0.01;

/** Two batteries and their cables: what is wrong with how they are joined. */
function twoBatteries(random: Random) {
  const capacityAh = whole(random, 6, 20) * 10;
  const linkMm = whole(random, 2, 6) * 100;
  const watts = whole(random, 10, 60) * 10;
  const joined = pick(random, JOINED);
  const right = findingOf(joined, capacityAh, linkMm, watts);
  const others = JOINED.map((one): Wrong => [findingOf(one, capacityAh, linkMm, watts), 'Follow each cable from post to post: this is another way to join them.']); // prettier-ignore
  const words: Record<string, string> = { 'first.plus': 'battery A, +', 'first.minus': 'battery A, −', 'second.plus': 'battery B, +', 'second.minus': 'battery B, −' }; // prettier-ignore
  const rows = [...joined.links.map(([from, to]) => ['link', words[from]!, words[to]!]), ['plus lead', words[joined.plus]!, 'main fuse'], ['minus lead', words[joined.minus]!, 'return bar']]; // prettier-ignore
  return ask(
    random,
    `Two batteries of 12 V and ${capacityAh} Ah, joined as the table says, feed ${watts} W at 12 V. What is wrong with it?`,
    right,
    shuffled(random, others),
    `It is: ${right}. Side by side, plus to plus and minus to minus, each with its fuse, leads taken off at opposite ends: then both work alike.`,
    { table: { head: ['Cable', 'From', 'To'], rows: shuffled(random, rows) } },
  );
}

/** What the network makes of it, in words. */
function findingOf({ links, plus, minus }: Joined, capacityAh: number, linkMm: number, watts: number): string {
  const { volts, first, second } = solved({ links, plus, minus }, capacityAh, linkMm, watts);
  if (volts > 20) return `they are in a row: ${formatNumber(volts, 0)} V on a 12 V system`;
  const names: readonly [string, number][] = [['A', first], ['B', second]]; // prettier-ignore
  const idle = names.filter(([, amps]) => amps < NOTHING_A);
  if (idle.length > 0) return `battery ${idle[0]![0]} gives nothing: it has no way round`;
  const [most, amps] = names.reduce((one, other) => (other[1] > one[1] ? other : one));
  return amps / (first + second) > UNEVEN ? `battery ${most} works harder than the other: both leads are at its posts` : 'nothing';
}

function solved({ links, plus, minus }: Joined, capacityAh: number, linkMm: number, watts: number) {
  const builder = new BoardBuilder('Two batteries').battery('second', 'B', capacityAh).battery('first', 'A', capacityAh);
  links.forEach(([from, to]) => builder.wire(from, to, linkMm, 'mm2:16'));
  const design = builder.lamp('load', 'Load', watts, 'resistive').wire(plus, 'load.plus', 1000, 'mm2:16').wire('load.minus', minus, 1000, 'mm2:16').design(); // prettier-ignore
  const live = new LiveDesign(indexDesign(design), AT_REST);
  live.settle(AT_REST);
  const volts = (of: TerminalRef) => live.voltage(of) ?? 0;
  // What is inside a battery gives what leaves it.
  const gives = (id: string) => Math.abs(live.partAmps(id, 'inside'));
  return { volts: volts(at('load.plus')) - volts(at('load.minus')), first: gives('first'), second: gives('second') };
}

export const pictures: readonly Generator[] = [bareWhenParted, twoBatteries];
