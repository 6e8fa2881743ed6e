import { seeded } from '../../testing/random';
import { rig } from '../../testing/rig';
import { IS_WHOLE_RUN, runs, seedOf } from '../../testing/runs';
import { device, judge, key, play, so, verdicts, wish } from '../../testing/wishing';
import { analyse } from '../analysis/analyse';
import { VEHICLE_CONTROLS } from '../catalog/vocabulary';
import { applyUnchecked, updateRecords } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import type { Mover, WishSays } from '../design/schema';
import type { ControlValue } from '../devices/kind';
import { Reach } from '../network/reach';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import { Bench } from './bench';
import type { Act } from './explore';
import { deviceHandles, vehicleHandles } from './handles';

const CHANNELS = ['ch1', 'ch2'];

/** Contacts, coils, channels and a sensor between a few joints, drawn from a seed; the last joint but the poles feeds the lamps. */
function randomSwitching(seed: number): Design {
  const random = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  const joints: Record<string, string[]> = { plus: ['fuse.out'], a: [], b: [], lampA: ['lampA.plus'], lampB: ['lampB.plus'], minus: ['lampA.minus', 'lampB.minus'] }; // prettier-ignore
  build.load(12, 'resistive', 0, { id: 'lampA' });
  build.load(12, 'resistive', 0, { id: 'lampB' });
  const land = (terminal: string, ...where: string[]) => joints[pick(where)]!.push(terminal);
  const within = ['a', 'b', 'lampA', 'lampB'];
  const through = (id: string, common: string, ...others: string[]) => {
    land(`${id}.${common}`, 'plus', 'plus', 'a', 'b');
    others.forEach((other) => land(`${id}.${other}`, ...within));
  };
  const count = random() < 0.75 ? 2 : 3;
  for (let at = 0; at < count; at++) {
    const id = `part${at}`;
    switch (pick(['single', 'changeoverOff', 'changeover', 'relay', 'radio', 'sensor', 'micro', 'signal'] as const)) {
      case 'single':
        build.add({ id, kind: 'switch', ratingA: 10 });
        through(id, 'in', 'out');
        break;
      case 'changeover':
        build.add({ id, kind: 'switch', ratingA: 10, form: 'changeover' });
        through(id, 'common', 'up', 'down');
        break;
      case 'changeoverOff':
        build.add({ id, kind: 'switch', ratingA: 10, form: 'changeoverOff' });
        through(id, 'common', 'up', 'down');
        break;
      case 'micro':
        build.add({ id, kind: 'microSwitch', actuator: 'roller', ratingA: 5 });
        through(id, 'common', 'normallyOpen', 'normallyClosed');
        break;
      case 'relay':
        build.add({ id, kind: 'relay', pins: 5, coilOhm: 90, pullInV: 7.5, dropOutV: 3, suppression: 'resistor', contactMilliohm: 4, ratingA: 30 }); // prettier-ignore
        through(id, '30', '87', '87a');
        land(`${id}.86`, 'plus', ...within);
        joints.minus!.push(`${id}.85`);
        break;
      case 'radio':
        const channels = CHANNELS.slice(0, pick([1, 2]));
        build.add({
          id,
          kind: 'receiver',
          channels: channels.length,
          mode: pick(['latching', 'momentary']),
          channelMaxA: 5,
          standbyA: 0.01,
        });
        // Two buttons for two lamps, or channels that go anywhere.
        land(`${id}.plus`, 'plus', 'plus', 'a', 'b');
        const apart = random() < 0.6;
        channels.forEach((channel, at) => land(`${id}.${channel}`, ...(apart ? [at === 0 ? 'lampA' : 'lampB'] : within)));
        joints.minus!.push(`${id}.minus`);
        break;
      case 'sensor':
        build.add({ id, kind: 'motionSwitch', holdS: 1, ratingA: 5, standbyA: 0 });
        through(id, 'in', 'out');
        joints.minus!.push(`${id}.minus`);
        break;
      case 'signal':
        build.add({
          id,
          kind: 'vehicleFeed',
          signal: pick(['accessory', 'ignition', 'highBeam']),
          polarity: 'live',
          from: 'wire',
          serves: '',
        });
        land(`${id}.out`, ...within);
        joints.minus!.push(`${id}.minus`);
        break;
    }
  }
  // Every way home by itself, or by the first lamp's.
  if (random() < 0.5) joints.minus!.unshift('bar.bar');
  else joints.minus!.push('bar.bar');
  for (const [joint, [first, ...others]] of Object.entries(joints))
    for (const other of others) build.wire(first!, other, 500, 'mm2:2.5', joint === 'minus' ? 'return' : 'supply');
  return build.design();
}

/** Every act there is on the whole design, apart from what the judge knows of influence. */
function everyAct(design: Design): Act[] {
  const index = indexDesign(design);
  const own = deviceHandles(index).filter(({ where }) => where === 'panel' || where === 'fob' || where === 'moving');
  return [
    ...vehicleHandles(index).flatMap((control) =>
      VEHICLE_CONTROLS[control].map((position): Act => ({ kind: 'move', mover: { kind: 'vehicle', control }, position })),
    ),
    ...own.flatMap(({ deviceId, control, positions }) =>
      positions.map((position): Act => ({ kind: 'move', mover: { kind: 'device', deviceId, control }, position })),
    ),
    ...(Array.from(index.devices.values()).some(({ kind }) => kind === 'motionSwitch') ? [{ kind: 'wait', seconds: 2 } as const] : []),
  ];
}

interface Met {
  acts: Act[];
  lit: boolean[];
  /** A button of the fob is held. */
  isHeld: boolean;
  stands(mover: Mover): ControlValue | undefined;
}

/** Every way a whole design can stand after some first acts, each played from rest on the bench; null where one never comes to rest. */
function bruteForce(design: Design, first: Act[], bench: Bench): Met[] | null {
  const acts = everyAct(design);
  const index = indexDesign(design);
  const seen = new Map<string, Met>();
  const visit = (path: Act[]): Met | null | 'restless' => {
    bench.rest();
    play(bench, path);
    const { answer, side } = bench;
    if (answer.outcome === 'oscillating') return 'restless';
    const left = Object.entries(answer.memory).map(([id, memory]) => [id, { ...memory, untilS: Math.max(0, Number(memory.untilS ?? 0) - answer.timeS), lastS: 0, heat: 0 }]); // prettier-ignore
    const positions = Object.fromEntries(
      Array.from(index.devices.keys(), (id) => [
        id,
        ['position', 'pressed', 'motion', ...CHANNELS].map((control) => bench.position(id, control)),
      ]),
    );
    const standing = JSON.stringify([left.filter(([id]) => String(id).startsWith('part')), side, positions]);
    if (seen.has(standing)) return null;
    const { memory } = answer;
    const met: Met = {
      acts: path,
      isHeld: Object.values(positions).some(([, , , ...pressed]) => pressed.includes(true)),
      lit: ['lampA', 'lampB'].map((id) => Math.abs(answer.loads.find((load) => load.id === id)!.volts) >= 6),
      stands: (mover) => {
        if (mover.kind === 'vehicle') return side[mover.control];
        if (CHANNELS.includes(mover.control)) return memory[mover.deviceId]?.[mover.control] === true;
        return positions[mover.deviceId]![['position', 'pressed', 'motion'].indexOf(mover.control)];
      },
    };
    seen.set(standing, met);
    return met;
  };
  const begin = visit(first);
  if (begin === 'restless' || begin === null) return null;
  const queue = [begin];
  for (const at of queue)
    for (const act of acts) {
      const met = visit([...at.acts, act]);
      if (met === 'restless') return null;
      if (met) queue.push(met);
    }
  return queue;
}

/** What the wish comes to over every way the design can stand, by what its sentence says. */
function foundOut(says: WishSays, all: Met[], lampsAfter: (met: Met, ...acts: Act[]) => boolean[]): string {
  const judgeAll = (relevant: Met[], isWell: (met: Met) => boolean) =>
    relevant.length === 0 ? 'neverHappens' : relevant.every(isWell) ? 'kept' : 'broken';
  const everLit = all.some(({ lit }) => lit[0]);
  switch (says.kind) {
    case 'on':
    case 'off':
      return judgeAll(
        all.filter((met) => says.when.every(({ mover, position }) => met.stands(mover) === position)),
        ({ lit }) => lit[0] === (says.kind === 'on'),
      );
    case 'neverWith':
      return everLit && all.some(({ lit }) => lit[1]) ? judgeAll(all, ({ lit }) => !(lit[0] && lit[1])) : 'neverHappens';
    case 'keyOut':
      if (says.answer === 'dark') return judgeAll(all, ({ lit, stands }) => stands(key) !== 'off' || !lit[0]);
      return everLit ? judgeAll(all, (met) => met.stands(key) === 'off' || !met.lit[0] || lampsAfter(met, { kind: 'move', mover: key, position: 'off' })[0]!) : 'neverHappens'; // prettier-ignore
    case 'powerBack': {
      const cut = ['off', 'on'].map((position): Act => ({ kind: 'move', mover: device('isolator'), position }));
      return judgeAll(
        all.filter(({ isHeld }) => !isHeld),
        (met) => lampsAfter(met, ...cut)[0] === (says.answer === 'asBefore' ? met.lit[0] : says.answer === 'on'),
      );
    }
    case 'stillWorks':
      return everLit ? 'kept' : 'broken';
    default:
      throw new Error(says.kind);
  }
}

/** Counts radios with wires on both channels by whether one's buttons are no matter of a lamp that the other has a part in. */
function countChannels(design: Design, counts: { plain: number; meeting: number }): void {
  const index = indexDesign(design);
  const reach = new Reach(index, traceWiring(index));
  for (const { id, kind } of index.devices.values()) {
    const wired = CHANNELS.filter((channel) =>
      index.wires.some(({ from, to }) => [from, to].some((end) => end.deviceId === id && end.terminal === channel)),
    );
    if (kind !== 'receiver' || wired.length < 2) continue;
    const moving = reach.influenceOn(['lampA']).handles.filter(({ deviceId }) => deviceId === id).length;
    if (moving === 1) counts.plain += 1;
    if (moving === 2) counts.meeting += 1;
  }
}

// The checker proved: it varies only what influences a wish, on a part of the design; brute force moves everything of the whole design, and
// replays every way from rest.
test('on random small circuits the judge and brute force agree on every wish, and every series it gives breaks its wish', () => {
  const met: Record<string, number> = {};
  const twoChannels = { plain: 0, meeting: 0 };
  for (let seed = seedOf(1); seed < seedOf(1) + runs(200); seed++) {
    const design = randomSwitching(seed);
    countChannels(design, twoChannels);
    const random = seeded(seed + 5000);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
    const bench = new Bench(indexDesign(design));
    const moves = everyAct(design).flatMap((act) => (act.kind === 'move' ? [act] : []));
    // Nothing in it moves.
    if (moves.length === 0) continue;
    const drawn = () => {
      const { mover, position } = pick(moves);
      return so(mover, position);
    };
    const asked: WishSays[] = [
      { kind: 'on', when: [drawn()] },
      { kind: 'off', when: random() < 0.5 ? [drawn()] : [drawn(), drawn()] },
      { kind: 'neverWith', otherId: 'lampB' },
      { kind: 'keyOut', answer: pick(['works', 'dark']) },
      { kind: 'powerBack', answer: pick(['off', 'asBefore', 'on']) },
      { kind: 'stillWorks', withoutId: 'fuse' },
    ];
    const untouched = bruteForce(design, [], bench);
    for (const says of asked) {
      const fuseOut: Act = { kind: 'move', mover: device('fuse', 'fitted'), position: false };
      const all = says.kind === 'stillWorks' ? bruteForce(design, [fuseOut], bench) : untouched;
      let buzzes = false;
      const lamps = (path: Act[]) => {
        bench.rest();
        for (const act of path) buzzes ||= play(bench, [act]).answer.outcome === 'oscillating';
        return ['lampA', 'lampB'].map((id) => Math.abs(bench.answer.loads.find((load) => load.id === id)!.volts) >= 6);
      };
      const [judged] = judge(design, wish('lampA', says));
      const found = verdicts([judged!])[0]!;
      met[`${says.kind} ${found}`] = (met[`${says.kind} ${found}`] ?? 0) + 1;
      // What buzzes somewhere in the design need not be what the wish hangs on.
      if (all === null || found === 'notAllTried') continue;
      const after = ({ acts }: Met, ...more: Act[]) => lamps([...acts, ...more]);
      if (found === 'notFromHouse') {
        // A lamp the house battery has no part in does not heed its isolator.
        const off: Act = { kind: 'move', mover: device('isolator'), position: 'off' };
        expect([seed, all.map((one) => after(one, off)[0])]).toEqual([seed, all.map(({ lit }) => lit[0])]);
        continue;
      }
      const forced = foundOut(says, all, after);
      // One that buzzes with the battery taken off is met only so.
      expect([seed, says, found]).toEqual([seed, says, buzzes && found !== 'broken' ? 'restless' : forced]);
      if (found !== 'broken' || says.kind === 'stillWorks') continue;
      const { series } = judged!;
      const [lit, other] = lamps(series);
      const before = series.at(-1)?.kind === 'move' ? lamps(series.slice(0, says.kind === 'powerBack' ? -2 : -1)) : [];
      const isBroken: Record<string, boolean> = {
        on: !lit,
        off: lit!,
        neverWith: lit! && other!,
        keyOut: says.kind === 'keyOut' && says.answer === 'dark' ? lit! : !lit && before[0] === true,
        powerBack: says.kind === 'powerBack' && lit !== (says.answer === 'asBefore' ? before[0] : says.answer === 'on'),
      };
      expect([seed, says, isBroken[says.kind]]).toEqual([seed, says, true]);
    }
  }
  const untried = Object.entries(met).reduce((sum, [what, count]) => sum + (what.endsWith('notAllTried') ? count : 0), 0);
  expect(untried).toBeLessThan(20);
  if (!IS_WHOLE_RUN) return;
  // Channels looked at by themselves, and some that another one's wiring meets.
  expect([twoChannels, Math.min(twoChannels.plain, twoChannels.meeting) >= 5]).toEqual([twoChannels, true]);
  const kinds = ['on', 'off', 'neverWith', 'keyOut', 'powerBack'].flatMap((kind) => [`${kind} kept`, `${kind} broken`]);
  for (const reached of [...kinds, 'on neverHappens', 'neverWith neverHappens', 'stillWorks kept', 'stillWorks broken'])
    expect([reached, (met[reached] ?? 0) >= 5]).toEqual([reached, true]);
});

// What is added up, against every way the whole design can stand: as drawn, and with the lamps marked as never together.
test('on random small circuits no state has more flow in fuse or wire than is added up, and none lights two that are taken as apart', () => {
  const met = { both: 0, apart: 0, vehicle: 0, ring: 0 };
  for (let seed = seedOf(1); seed < seedOf(1) + runs(160); seed++) {
    const drawn = randomSwitching(seed);
    const bench = new Bench(indexDesign(drawn));
    const all = bruteForce(drawn, [], bench);
    if (!all) continue;
    const lights = all.some(({ lit }) => lit[0] && lit[1]);
    let throughFuse = 0;
    const inWire = new Map<string, number>();
    for (const { acts } of all) {
      play(bench.rest(), acts);
      throughFuse = Math.max(throughFuse, Math.abs(bench.through('fuse', 'link')));
      for (const { id } of recordsOf(drawn, 'wire')) inWire.set(id, Math.max(inWire.get(id) ?? 0, Math.abs(bench.clamp(id) ?? 0)));
    }
    // Where current flows into the vehicle no sum tells how much: that is a fault of its own.
    const ofVehicle = recordsOf(drawn, 'device').some(({ kind }) => kind === 'vehicleFeed');
    const marks = ['lampA', 'lampB'].map((id) => ({ id, set: { exclusiveGroup: 'one of two' } }));
    for (const design of [drawn, applyUnchecked(drawn, updateRecords(drawn, marks))]) {
      const { protections, exclusions, wires, wiring } = analyse(design);
      const [a, b] = ['lampA', 'lampB'].map((id) => exclusions.sides.get(id));
      const isApart = a !== undefined && b !== undefined && a.choice === b.choice && a.side !== b.side;
      met[lights ? 'both' : 'apart'] += 1;
      if (ofVehicle) met.vehicle += 1;
      if (lights) expect([seed, isApart]).toEqual([seed, false]);
      // A resistive lamp draws a little more at the battery's own volts than at the nominal.
      if (ofVehicle) continue;
      expect([seed, throughFuse <= 1.1 * protections.get('fuse')!.peakA + 0.05]).toEqual([seed, true]);
      // Where several rings lie in one another a current may find a way that no one of them tells of.
      if (wiring.rings.length > 1) continue;
      met.ring += wiring.rings.length;
      // Of what hangs before the contact of one way a little goes by the other, shared as the two resist.
      const over = [...wires.values()].filter(({ wire, amps }) => inWire.get(wire.id)! > 1.1 * amps + 0.1);
      expect([seed, over.map(({ wire }) => `${wire.from.deviceId} to ${wire.to.deviceId}`)]).toEqual([seed, []]);
    }
  }
  if (IS_WHOLE_RUN) for (const [what, count] of Object.entries(met)) expect([what, count > 20]).toEqual([what, true]);
}, 120_000);
