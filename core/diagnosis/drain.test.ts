import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { seeded } from '../../testing/random';
import { Bench } from '../bench/bench';
import type { Design } from '../design/design';
import { BoardBuilder, put, vehicle } from '../practise/boardBuilder';
import { BOARDS } from '../practise/boards';
import { indexDesign } from '../rig/designIndex';
import { drainOf, type DrainCause } from './drain';
import { withFlaw } from './flaws';

const fuseRow = (design: Design, fuseId: string, millivolts: number, batteryA: number | null = null) =>
  drainOf(indexDesign(design), [{ fuseId, millivolts }], batteryA).fuses.find((one) => one.fuseId === fuseId)!;

/** Two lamps, each behind a fuse and a switch. */
const lamps = new BoardBuilder('Two lamps')
  .supply(30, 'mm2:6')
  .fuse('hallFuse', 'Hall lamp', 10)
  .fuse('bathFuse', 'Bath lamp', 5)
  .part('hallSwitch', 'Hall switch', 'switch')
  .part('bathSwitch', 'Bath switch', 'switch')
  .lamp('hall', 'Hall lamp', 21, 'resistive')
  .lamp('bath', 'Bath lamp', 5, 'resistive')
  .wires('hallFuse.out > hallSwitch.in, hallSwitch.out > hall.plus, hall.minus > minusBar.bar', 2000)
  .wires('bathFuse.out > bathSwitch.in, bathSwitch.out > bath.plus, bath.minus > minusBar.bar', 2000)
  .design();

// Milliamperes behind a tenth of a millivolt across a blade fuse by its rating, from a published table of voltage drops as remembered.
test.each([
  [7.5, 9.2],
  [10, 13],
  [15, 21],
  [20, 29],
  [25, 40],
  [30, 50],
])('a tenth of a millivolt across a cold %s A blade is some %s mA', (ratingA, milliamps) => {
  const design = new BoardBuilder('One').supply().fuse('fuse', 'Lamp', ratingA).lamp('lamp', 'Lamp', 5).wires('fuse.out > lamp.plus, lamp.minus > minusBar.bar', 500).design(); // prettier-ignore
  expect(drainOf(indexDesign(design), [], null).fuses.find(({ fuseId }) => fuseId === 'fuse')!.leastA * 1000).toBeCloseTo(milliamps, -0.5);
});

test('a lamp left on is known by the millivolts of its fuse, and nothing is said of what carries what it should', () => {
  // 21 W at 12.8 V: 1.87 A through 7.7 milliohm, 14.4 mV.
  const row = fuseRow(lamps, 'hallFuse', 14.4);
  expect(row.verdict).toBe('more');
  expect(row.read!.amps).toBeCloseTo(1.87, 1);
  expect(row.causes.map(({ cause }) => cause)).toEqual([
    { kind: 'left', ...put('hallSwitch', 'on') },
    { kind: 'flaw', flaw: { kind: 'stuckContact', deviceId: 'hallSwitch' } },
  ]);
  // The nearer to what was read the sooner it is named: here nothing is off at all.
  expect(row.causes[0]!.off).toBeLessThan(0.1);
  expect(fuseRow(lamps, 'hallFuse', 18).causes[0]!.off).toBeCloseTo(
    (18 / 7.7 - row.causes[0]!.amps) / ((18.1 / 7.7 / 0.8 - 17.9 / 7.7 / 1.2) / 2),
    2,
  );
  // What should flow is the same whatever was read and tried.
  const tried = drainOf(indexDesign(lamps), [{ fuseId: 'hallFuse', millivolts: 14.4 }], null);
  expect(tried.expectedA).toBe(drainOf(indexDesign(lamps), [], null).expectedA);
  expect(tried.expectedA).toBeLessThan(0.001);
  expect(fuseRow(lamps, 'hallFuse', 0).verdict).toBe('asItShould');
  expect(fuseRow(lamps, 'hallFuse', -14.4).verdict).toBe('more');
  // What nothing on the plan draws is left without a cause.
  expect(fuseRow(lamps, 'bathFuse', 1.2)).toMatchObject({ verdict: 'more', causes: [] });
});

test('fridges and what sleeps: only what stands by is expected of what has a switch of its own; less than that is told', () => {
  const record = { kind: 'load', standbyA: 0.2 } as const;
  const design = new BoardBuilder('Radio').supply().fuse('fuse', 'Radio', 10).lamp('radio', 'Radio', 60, 'resistive').wires('fuse.out > radio.plus, radio.minus > minusBar.bar', 500).design(); // prettier-ignore
  const radio = design.records.get('radio')!;
  const records = new Map(design.records).set('radio', { ...radio, ...record } as typeof radio);
  const sleeping = { ...design, records };
  const quiet = drainOf(indexDesign(sleeping), [], null);
  const row = quiet.fuses.find(({ fuseId }) => fuseId === 'fuse')!;
  expect(row.expectedA).toBeCloseTo(0.2, 1);
  expect(row.expectedMv).toBeCloseTo(0.2 * 7.7, 1);
  // 100 Ah of which half counts, at 0.2 A: 50 / 0.2 / 24 days. Common practice.
  expect(quiet.days).toBeCloseTo(50 / row.expectedA / 24, 1);
  expect(fuseRow(sleeping, 'fuse', 0.2).verdict).toBe('less');
  // 60 W at 12.8 V: 5.33 A, by itself on.
  expect(fuseRow(sleeping, 'fuse', 41).causes[0]!.cause).toEqual({ kind: 'left', ...put('radio', true, 'on') });
});

test('a reading is a range: a fifth for the fuse, a digit for the meter; a clamp’s own error counts too', () => {
  // 10 A blade: 7.7 milliohm. 7.7 mV are 1 A: (7.7 - 0.1) / 7.7 / 1.2 to (7.7 + 0.1) / 7.7 / 0.8.
  const { read } = fuseRow(lamps, 'hallFuse', 7.7);
  expect(read!.lowA).toBeCloseTo(7.6 / 7.7 / 1.2, 6);
  expect(read!.highA).toBeCloseTo(7.8 / 7.7 / 0.8, 6);
  const index = indexDesign(lamps);
  const readings = [{ fuseId: 'hallFuse', millivolts: 7.7 }, { fuseId: 'bathFuse', millivolts: 0 }]; // prettier-ignore
  const bath = drainOf(index, readings, null).fuses.find(({ fuseId }) => fuseId === 'bathFuse')!.read!;
  // Both ends of what the fuses may carry, the clamp's 0.03 A and 3 % beyond them.
  const [least, most] = [read!.lowA, read!.highA + bath.highA];
  const elsewhere = (batteryA: number) => drainOf(index, readings, batteryA).elsewhereA;
  expect(elsewhere((most + 0.03) / 0.97 - 0.01)).toBe(0);
  expect(elsewhere((most + 0.03) / 0.97 + 0.01)).toBeGreaterThan(0);
  expect(elsewhere((least - 0.03) / 1.03 + 0.01)).toBe(0);
  expect(elsewhere((least - 0.03) / 1.03 - 0.01)).toBeLessThan(0);
  // Nothing flows: it lasts for as long as it lasts.
  expect(drainOf(index, [], 0).days).toBeNull();
});

test('a key that was left on is named too, where something hangs on the vehicle’s wires', () => {
  const design = new BoardBuilder('By the key').supply().part('signals', 'Vehicle wires', 'signals', { signals: ['ignition'], maxA: 0.5 }).fuse('fuse', 'Radio', 10).part('relay', 'Radio relay', 'relay').lamp('radio', 'Radio', 36, 'resistive').wires('signals.ignition > relay.86, relay.85 > minusBar.bar, signals.minus > minusBar.bar, fuse.out > relay.30, relay.87 > radio.plus, radio.minus > minusBar.bar', 1000).design(); // prettier-ignore
  // 36 W at 12.8 V: 3.2 A through 7.7 milliohm, 24.6 mV.
  const { causes } = fuseRow(design, 'fuse', 24.6);
  expect(causes.map(({ cause }) => cause)).toContainEqual({ kind: 'left', ...vehicle('key', 'on') });
  expect(causes.map(({ cause }) => cause)).toContainEqual({ kind: 'flaw', flaw: { kind: 'stuckContact', deviceId: 'relay' } });
});

test('what takes two things together is named as what runs, where no single thing explains it', () => {
  const design = new BoardBuilder('Key and switch').supply().part('signals', 'Vehicle wires', 'signals', { signals: ['ignition'], maxA: 0.5 }).fuse('fuse', 'Lamp', 10).part('switch', 'Switch', 'switch').part('relay', 'Relay', 'relay').lamp('lamp', 'Lamp', 36, 'resistive').wires('signals.ignition > relay.86, relay.85 > minusBar.bar, signals.minus > minusBar.bar, fuse.out > relay.30, relay.87 > switch.in, switch.out > lamp.plus, lamp.minus > minusBar.bar', 1000).design(); // prettier-ignore
  expect(fuseRow(design, 'fuse', 24.6).causes.map(({ cause }) => cause)).toEqual([{ kind: 'runs', loadId: 'lamp' }]);
  expect(fuseRow(design, 'fuse', 3).causes).toEqual([]);
});

test('what a clamp reads and no fuse carries is joined ahead of them; within the error of both it is nothing', () => {
  const index = indexDesign(lamps);
  const readings = (hall: number) => [{ fuseId: 'hallFuse', millivolts: hall }, { fuseId: 'bathFuse', millivolts: 0 }]; // prettier-ignore
  expect(drainOf(index, readings(0), 0.8).elsewhereA).toBeCloseTo(0.8, 6);
  expect(drainOf(index, readings(14.4), 1.8).elsewhereA).toBe(0);
  expect(drainOf(index, readings(14.4), null).elsewhereA).toBeNull();
  expect(drainOf(index, readings(14.4).slice(1), 1.8).elsewhereA).toBeNull();
  // One fuse that carries more than all there is was misread, whatever the others say.
  expect(drainOf(index, readings(14.4).slice(0, 1), 0.5).elsewhereA).toBeCloseTo(0.5 - 14.4 / 7.7, 6);
});

test('everything that may be left on or stick, set in turn and read across fuses 15 % off and to a tenth of a millivolt, is named for its fuse', () => {
  const random = seeded(4);
  let set = 0;
  const lost: string[] = [];
  const kinds = new Set<string>();
  for (const design of [...BOARDS.map((board) => board.design), pip(), heron()]) {
    const index = indexDesign(design);
    const still = drainOf(index, [], null);
    const running = new Bench(index).answer.loads.filter(({ state }) => state !== 'off').map(({ id }) => id);
    for (const cause of causesIn(design)) {
      const { index: made, held } = cause.kind === 'flaw' ? withFlaw(index, cause.flaw) : { index, held: new Map<string, never>() };
      const bench = new Bench(made);
      for (const id of running) bench.set(id, 'on', false);
      bench.hold(held);
      if (cause.kind === 'left') bench.do({ kind: 'move', mover: cause.mover, position: cause.position });
      for (const { fuseId, expectedA, leastA } of still.fuses) {
        const amps = Math.abs(bench.through(fuseId, 'link'));
        if (amps < Math.max(0.05, 1.6 * expectedA, 3 * leastA) || random() < 0.5) continue;
        const exact = (amps * 0.1) / leastA;
        const millivolts = Math.round(exact * (0.85 + 0.3 * random()) * 10) / 10;
        const row = fuseRow(design, fuseId, millivolts);
        set++;
        kinds.add(cause.kind);
        // Another one that draws as much is as good a guess.
        if (!row.causes.some((one) => Math.abs(one.amps - amps) < 0.02 * amps + 0.01)) lost.push(`${fuseId} ${JSON.stringify(cause)}`);
      }
    }
  }
  expect(set).toBeGreaterThan(25);
  expect(kinds.size).toBe(2);
  expect(lost.length / set).toBeLessThan(0.05);
}, 120_000);

/** Some of what may be left on, and what may stick. */
function causesIn(design: Design): DrainCause[] {
  const devices = [...design.records.values()].flatMap((record) => (record.type === 'device' ? [record] : []));
  return devices.flatMap(({ kind, id }): DrainCause[] => {
    if (kind === 'switch') return [{ kind: 'left', ...put(id, 'on') }];
    return kind === 'relay' || kind === 'doorSwitch' ? [{ kind: 'flaw', flaw: { kind: 'stuckContact', deviceId: id } }] : [];
  });
}
