import type { Condition, DesignRecord, TerminalRef, Wire, WishSays } from '../design/schema';
import { makeDesign, type Design } from '../design/design';
import { judgeWishes, type Judged } from '../bench/judge';
import { analyse } from '../analysis/analyse';
import { withSlowFindings } from '../analysis/rules/slowFindings';
import { wordFinding } from '../wording/wording';
import { at, BoardBuilder, put, vehicle } from './boardBuilder';
import type { Moved } from '../diagnosis/foresee';

/** A wire somebody has drawn between two terminals. */
export interface Drawn {
  from: TerminalRef;
  to: TerminalRef;
}

/** Wishes and a box of parts: wired until every wish is kept. */
export interface BuildTask {
  id: string;
  title: string;
  story: string;
  /** Battery, bars and fuses wired, the box not, its wishes among it. */
  design: Design;
  /** Parts of the box; none has to be used. */
  box: readonly string[];
  /** One way to wire it, as few wires as it takes. */
  solution: string;
}

const on = (loadId: string, ...when: Moved[]): [string, WishSays] => [loadId, { kind: 'on', when: when.map(asCondition) }];
const off = (loadId: string, ...when: Moved[]): [string, WishSays] => [loadId, { kind: 'off', when: when.map(asCondition) }];
const asCondition = ({ mover, position }: Moved): Condition => ({ mover, position });

function task(
  id: string,
  title: string,
  story: string,
  builder: BoardBuilder,
  box: readonly string[],
  wishes: readonly [string, WishSays][],
  solution: string,
): BuildTask {
  const records: DesignRecord[] = wishes.map(([loadId, says], place) => ({ id: `wish${place + 1}`, type: 'wish', loadId, says }));
  return { id, title, story, box, solution, design: makeDesign([...builder.design().records.values(), ...records]) };
}

export const BUILD_TASKS: readonly BuildTask[] = [
  task(
    'lamp-switch',
    'A lamp and its switch',
    'The first circuit of all: out through the switch, and home.',
    new BoardBuilder('A lamp and its switch')
      .supply(30, 'mm2:6')
      .fuse('fuse', 'Lamp', 5)
      .part('switch', 'Switch', 'switch')
      .lamp('lamp', 'Lamp', 10),
    ['switch', 'lamp'],
    [on('lamp', put('switch', 'on')), off('lamp', put('switch', 'off'))],
    'fuse.out > switch.in, switch.out > lamp.plus, lamp.minus > minusBar.bar',
  ),
  task(
    'two-places',
    'From two places',
    'A ceiling lamp that each of two changeover switches turns over, whatever the other one does.',
    new BoardBuilder('From two places')
      .supply(30, 'mm2:6')
      .fuse('fuse', 'Lamp', 5)
      .part('door', 'Door switch', 'changeover')
      .part('bunk', 'Bunk switch', 'changeover')
      .lamp('lamp', 'Ceiling lamp', 10),
    ['door', 'bunk', 'lamp'],
    [
      on('lamp', put('door', 'up'), put('bunk', 'up')),
      on('lamp', put('door', 'down'), put('bunk', 'down')),
      off('lamp', put('door', 'up'), put('bunk', 'down')),
      off('lamp', put('door', 'down'), put('bunk', 'up')),
    ],
    'fuse.out > door.common, door.up > bunk.up, door.down > bunk.down, bunk.common > lamp.plus, lamp.minus > minusBar.bar',
  ),
  task(
    'small-switch',
    'A switch too small for its lamp',
    'The switch stands 3 A, the light bar draws ten: something else has to carry it.',
    new BoardBuilder('A switch too small')
      .supply(60, 'mm2:10')
      .fuse('coilFuse', 'Bar switch', 3)
      .fuse('barFuse', 'Light bar', 15)
      .part('switch', 'Bar switch', 'switch', { ratingA: 3 })
      .part('relay', 'Relay', 'relay')
      .lamp('bar', 'Light bar', 120, 'ledConstantPower'),
    ['switch', 'relay', 'bar'],
    [on('bar', put('switch', 'on')), off('bar', put('switch', 'off'))],
    'coilFuse.out > switch.in, switch.out > relay.86, relay.85 > minusBar.bar, barFuse.out > relay.30, relay.87 > bar.plus, bar.minus > minusBar.bar',
  ),
  task(
    'one-of-two',
    'One of two, never both',
    'White or amber, chosen by one switch, both dark with the other. There is more in the box than it takes.',
    new BoardBuilder('One of two')
      .supply(30, 'mm2:6')
      .fuse('fuse', 'Lamps', 5)
      .part('master', 'Main switch', 'switch')
      .part('choose', 'White or amber', 'changeover')
      .part('relay', 'Changeover relay', 'changeoverRelay')
      .lamp('white', 'White lamp', 10)
      .lamp('amber', 'Amber lamp', 10),
    ['master', 'choose', 'relay', 'white', 'amber'],
    [
      on('white', put('master', 'on'), put('choose', 'up')),
      on('amber', put('master', 'on'), put('choose', 'down')),
      off('white', put('master', 'off')),
      off('amber', put('master', 'off')),
      ['white', { kind: 'neverWith', otherId: 'amber' }],
    ],
    'fuse.out > master.in, master.out > choose.common, choose.up > white.plus, choose.down > amber.plus, white.minus > minusBar.bar, amber.minus > minusBar.bar',
  ),
  task(
    'door-or-switch',
    'By the door or by hand',
    'An entry lamp that is lit while the door is open, and while its switch is on. The door’s contact makes to body, on the way home.',
    new BoardBuilder('By the door or by hand')
      .supply(30, 'mm2:6')
      .fuse('fuse', 'Entry lamp', 3)
      .part('door', 'Door contact', 'door')
      .part('switch', 'Switch', 'switch')
      .lamp('lamp', 'Entry lamp', 5),
    ['door', 'switch', 'lamp'],
    [
      on('lamp', put('door', 'open', 'door')),
      on('lamp', put('switch', 'on')),
      off('lamp', put('door', 'shut', 'door'), put('switch', 'off')),
    ],
    'fuse.out > lamp.plus, lamp.minus > door.lead, door.body > minusBar.bar, lamp.minus > switch.in, switch.out > minusBar.bar',
  ),
  task(
    'follow',
    'Follow, off, on',
    'Driving lamps behind a relay: with the switch up they follow the vehicle’s high beam, in the middle they are off, down they are on. The vehicle’s wire is a trigger and may carry half an ampere.',
    new BoardBuilder('Follow, off, on')
      .supply(60, 'mm2:10')
      .part('signals', 'Vehicle wires', 'signals', { signals: ['highBeam'], maxA: 0.5 })
      .wire('signals.minus', 'minusBar.bar', 500)
      .fuse('coilFuse', 'Switch', 3)
      .fuse('lampFuse', 'Driving lamps', 15)
      .part('switch', 'Follow, off, on', 'changeoverOff')
      .part('relay', 'Relay', 'relay')
      .lamp('lamps', 'Driving lamps', 110),
    ['signals', 'switch', 'relay', 'lamps'],
    [
      on('lamps', put('switch', 'down')),
      on('lamps', put('switch', 'up'), vehicle('lamps', 'high')),
      off('lamps', put('switch', 'off')),
      off('lamps', put('switch', 'up'), vehicle('lamps', 'low')),
    ],
    'signals.highBeam > switch.up, coilFuse.out > switch.down, switch.common > relay.86, relay.85 > minusBar.bar, lampFuse.out > relay.30, relay.87 > lamps.plus, lamps.minus > minusBar.bar',
  ),
];

/** Wires of the box: a metre and a half each, thick enough for every fuse here. */
const LENGTH_MM = 1500;
const SIZE = 'mm2:4';

/** The wires of a text such as `fuse.out > lamp.plus, ...`. */
export function drawnOf(text: string): Drawn[] {
  return text.split(',').map((wire) => {
    const [from, to] = wire.split('>').map((end) => end.trim()) as [string, string];
    return { from: at(from), to: at(to) };
  });
}

/** The box wired as drawn. */
export function wiredUp({ design }: BuildTask, drawn: readonly Drawn[]): Design {
  const isHome = ({ deviceId, terminal }: TerminalRef) => deviceId === 'minusBar' || terminal === 'minus';
  const wires = drawn.map(({ from, to }, place): Wire => ({
    ...{ id: `drawn${place + 1}`, type: 'wire', from, to, lengthMm: LENGTH_MM, lengthMeasured: true, conductor: SIZE },
    role: isHome(from) || isHome(to) ? 'return' : 'supply',
  }));
  return makeDesign([...design.records.values(), ...wires]);
}

/** What the checker says of a wired box. */
export interface Built {
  judged: Judged[];
  /** Faults by the program's own rules, in words. */
  faults: string[];
  isDone: boolean;
  wires: number;
  /** Wires of the shortest way. */
  par: number;
  /** Of 100, once it is done: a tenth off for each wire more than it takes. Our own measure. */
  points: number;
}

/** Holds every wish against the wiring in every way it can stand, and the rules against it too. */
export function checked(task: BuildTask, drawn: readonly Drawn[]): Built {
  const design = wiredUp(task, drawn);
  const analysis = withSlowFindings(analyse(design));
  const wishes = Array.from(design.records.values()).flatMap((record) => (record.type === 'wish' ? [record] : []));
  const judged = judgeWishes(analysis.index, analysis.wiring, wishes);
  const faults = analysis.findings
    .filter(({ severity, rule }) => severity === 'fault' && rule !== 'load.noCircuit')
    .map((finding) => wordFinding(finding, design, 'metric').title);
  const isDone = judged.every(({ verdict }) => verdict === 'kept') && faults.length === 0;
  const [wires, par] = [drawn.length, drawnOf(task.solution).length];
  return { judged, faults: [...new Set(faults)], isDone, wires, par, points: Math.max(0, 100 - 10 * Math.max(0, wires - par)) };
}
