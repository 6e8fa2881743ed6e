import { Bench } from '../../bench/bench';
import { deviceHandles } from '../../bench/handles';
import type { Design } from '../../design/design';
import { harnessOfDesign, wireNumbersOf } from '../../harness/schedule';
import { withFlaw, type Flaw } from '../../diagnosis/flaws';
import { doing } from '../../diagnosis/foresee';
import { indexDesign, type DesignIndex } from '../../rig/designIndex';
import { handleName, positionWord } from '../../wording/benchWords';
import { flawWords } from '../../wording/flawWords';
import { BoardBuilder } from '../boardBuilder';
import { BOARDS } from '../boards';
import { ask, pick, shuffled, type Generator, type Random, type Wrong } from './question';

/** Which loads are lit in some positions, with something wrong or nothing, as it is said. */
function litIn(index: DesignIndex, positions: Positions, flaw: Flaw): string {
  const { index: flawed, held } = withFlaw(index, flaw);
  const bench = new Bench(flawed);
  bench.hold(held);
  for (const { deviceId, control, position } of positions)
    if (held.get(deviceId)?.[control] === undefined) bench.set(deviceId, control, position);
  const lit = bench.answer.loads.filter(({ level }) => doing(level) === 'on').map(({ id }) => index.devices.get(id)!.name);
  return said(lit, index.loads.length);
}

const said = (names: readonly string[], all: number) => {
  if (names.length === 0) return 'nothing';
  return names.length === all && all > 1 ? `all of it: ${listed(names)}` : listed(names);
};
const listed = (names: readonly string[]) => [...names].sort().join(', ');

type Positions = readonly { deviceId: string; control: string; position: string | number | boolean }[];

/** Controls of a board, each put somewhere. */
function drawnPositions(random: Random, index: DesignIndex): Positions {
  return deviceHandles(index)
    .filter(({ where, control }) => (where === 'panel' || where === 'moving') && control !== 'levelPercent')
    .map(({ deviceId, control, positions }) => ({ deviceId, control, position: pick(random, positions) }));
}

const positionsWords = (index: DesignIndex, positions: Positions) =>
  positions.map(({ deviceId, control, position }) => {
    const device = index.devices.get(deviceId)!;
    return `${handleName(device, control)}: ${positionWord(device, position)}`;
  }).join('; '); // prettier-ignore

/** Every set of loads there may be, as wrong answers to choose from. */
function otherSets(random: Random, index: DesignIndex): Wrong[] {
  const names = index.loads.map(({ name }) => name);
  const sets = Array.from({ length: 2 ** Math.min(names.length, 4) }, (_, mask) => names.filter((_name, at) => (mask >> at) & 1));
  return shuffled(random, sets).map((set) => [
    said(set, names.length),
    'Follow the current from the battery’s plus through every contact, and all the way home.',
  ]);
}

/** What is lit on a drawn board with one thing wrong in it. */
function willItLight(random: Random) {
  const board = pick(random, WITH_SEVERAL).design;
  const index = indexDesign(board);
  const positions = drawnPositions(random, index);
  const flaw = pick(random, flawsIn(index));
  const right = litIn(index, positions, flaw);
  const sound = litIn(index, positions, { kind: 'none' });
  const numbers = wireNumbersOf(harnessOfDesign(board));
  const { fault, where } = flawWords(board, flaw, numbers);
  const wrongs: Wrong[] = [[sound, `That is with nothing wrong; but ${where}: ${fault}.`], ...otherSets(random, index)];
  const asks = `${positionsWords(index, positions)}. And one thing is wrong: ${where}: ${fault}. What lights or runs?`;
  return ask(random, asks, right, wrongs, `With nothing wrong it would be: ${sound}. With that fault: ${right}.`, { board });
}

function flawsIn(index: DesignIndex): Flaw[] {
  const wires = index.wires.map(({ id }): Flaw => ({ kind: 'openWire', wireId: id }));
  const fuses = Array.from(index.devices.values()).flatMap((device): Flaw[] =>
    device.kind === 'protection' ? [{ kind: 'blownFuse', fuseId: device.id }] : [],
  );
  const relays = Array.from(index.devices.values()).flatMap((device): Flaw[] =>
    device.kind === 'relay' ? [{ kind: 'openCoil', deviceId: device.id }, { kind: 'openContact', deviceId: device.id }, { kind: 'stuckContact', deviceId: device.id }] : [],
  ); // prettier-ignore
  return [...wires, ...fuses, ...relays, ...relays];
}

const WITH_SEVERAL = BOARDS.filter(({ design }) => indexDesign(design).loads.length > 1);

/** Two lamps on two switches wired as people wire them: what is lit in these positions. */
function logic(random: Random) {
  const { design, rule } = pick(random, LOGIC)();
  const index = indexDesign(design);
  const positions = drawnPositions(random, index);
  const right = litIn(index, positions, { kind: 'none' });
  const asks = `${positionsWords(index, positions)}. What is lit?`;
  return ask(random, asks, right, otherSets(random, index), `${rule} Here: ${right}.`, { board: design });
}

const LOGIC: readonly (() => { design: Design; rule: string })[] = [
  () => ({
    rule: 'Two changeovers with two wires between them: the lamp is lit while both are the same way. The second lamp hangs on the first switch’s upper throw.',
    design: based('Two places and a tell-tale')
      .part('door', 'Door switch', 'changeover')
      .part('bunk', 'Bunk switch', 'changeover')
      .lamp('lamp', 'Ceiling lamp', 10)
      .lamp('tell', 'Tell-tale', 2)
      .wires('fuse.out > door.common, door.up > bunk.up, door.down > bunk.down, bunk.common > lamp.plus, lamp.minus > minusBar.bar', 1500)
      .wires('door.up > tell.plus, tell.minus > minusBar.bar', 1000)
      .design(),
  }),
  () => ({
    rule: 'One of two, never both: the changeover relay leaves the first lamp as soon as its coil is fed.',
    design: based('One of two')
      .part('main', 'Main switch', 'switch')
      .part('choose', 'Choosing switch', 'switch')
      .part('relay', 'Relay', 'changeoverRelay')
      .lamp('white', 'White lamp', 10)
      .lamp('amber', 'Amber lamp', 10)
      .wires('fuse.out > main.in, main.out > relay.30, main.out > choose.in, choose.out > relay.86, relay.85 > minusBar.bar', 1500)
      .wires('relay.87a > white.plus, relay.87 > amber.plus, white.minus > minusBar.bar, amber.minus > minusBar.bar', 1500)
      .design(),
  }),
  () => ({
    rule: 'A middle position closes neither throw; up feeds one lamp, down the other, behind one more switch.',
    design: based('Side and off')
      .part('side', 'Side switch', 'changeoverOff')
      .part('left', 'Left switch', 'switch')
      .lamp('port', 'Left lamp', 10)
      .lamp('starboard', 'Right lamp', 10)
      .wires('fuse.out > side.common, side.up > left.in, left.out > port.plus, side.down > starboard.plus', 1500)
      .wires('port.minus > minusBar.bar, starboard.minus > minusBar.bar', 1500)
      .design(),
  }),
  () => ({
    rule: 'The door’s contact makes on the way home while the door is open; the reading lamp has its own switch.',
    design: based('Door and switch')
      .part('door', 'Door contact', 'door')
      .part('switch', 'Reading switch', 'switch')
      .lamp('entry', 'Entry lamp', 5)
      .lamp('reading', 'Reading lamp', 5)
      .wires('fuse.out > entry.plus, entry.minus > door.lead, door.body > minusBar.bar', 1500)
      .wires('fuse.out > switch.in, switch.out > reading.plus, reading.minus > minusBar.bar', 1500)
      .design(),
  }),
];

function based(name: string): BoardBuilder {
  return new BoardBuilder(name).supply(30, 'mm2:6').fuse('fuse', name, 10);
}

export const diagrams: readonly Generator[] = [willItLight];
export const logics: readonly Generator[] = [logic];
