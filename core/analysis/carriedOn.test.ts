import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { rig } from '../../testing/rig';
import { runs, seedOf } from '../../testing/runs';
import { expectAsFresh } from '../../testing/sameSaid';
import { applyUnchecked, updateRecords } from '../design/change';
import { recordsOf } from '../design/design';
import type { DesignRecord } from '../design/schema';
import { analyse } from './analyse';
import type { Analysis } from './types';

describe('an analysis carried on from an earlier one says exactly what a fresh one says', () => {
  const PLACES = ['zone_cab', 'zone_galley', 'zone_roof', null];
  const choice = (records: readonly DesignRecord[]): fc.Arbitrary<[id: string, set: object]> =>
    fc.constantFrom(...records).chain((record): fc.Arbitrary<[string, object]> => {
      const to = (set: fc.Arbitrary<object>) => set.map((fields): [string, object] => [record.id, fields]);
      switch (record.type) {
        case 'wire':
          return to(
            fc.oneof(
              fc.record({ lengthMm: fc.integer({ min: 0, max: 9000 }), lengthMeasured: fc.boolean() }),
              fc.record({ conductor: fc.constantFrom('mm2:1', 'mm2:6', 'mm2:35') }),
              fc.record({ from: fc.constant(record.to), to: fc.constant(record.from) }),
            ),
          );
        case 'zone':
          return to(fc.record({ ambientC: fc.integer({ min: 0, max: 90 }), engineSpace: fc.boolean() }));
        case 'circuit':
          return to(fc.record({ targetPercent: fc.constantFrom(null, 1, 10), number: fc.integer({ min: 1, max: 90 }) }));
        case 'place':
          return to(fc.record({ xMm: fc.integer({ min: 0, max: 6000 }) }));
        case 'route':
          return to(fc.record({ closed: fc.boolean(), insideMm: fc.constantFrom(null, 20) }));
        case 'scenario':
        case 'duty':
          return fc.constant([record.id, {}]);
        case 'settings':
          return to(
            fc.record({
              dropFrom: fc.constantFrom('battery', 'fuseBlock'),
              insulationC: fc.constantFrom(60, 105),
              bundling: fc.constantFrom('standard', 'ignore'),
            }),
          );
        case 'device': {
          if (record.kind === 'protection')
            return to(fc.record({ ratingA: fc.constantFrom(1, 10, 60), mount: fc.constantFrom(null, record.mount) }));
          if (record.kind === 'load')
            return to(
              fc.oneof(
                fc.record({ quantity: fc.integer({ min: 1, max: 20 }), continuous: fc.boolean(), maxFuseA: fc.constantFrom(undefined, 2) }),
                fc.record({ exclusiveGroup: fc.constantFrom(null, 'one', 'other'), fedTwice: fc.constantFrom(undefined, true) }),
                fc.record({ rated: fc.constantFrom(5, 60, 200).map((watts) => ({ kind: 'watts', watts, atV: 12 })) }),
              ),
            );
          if (record.kind === 'switch' && record.form === 'changeover')
            return to(fc.record({ form: fc.constantFrom('changeover', 'changeoverOff') }));
          if (record.kind === 'relay') return to(fc.record({ coilOhm: fc.constantFrom(85, 40), ratingA: fc.constantFrom(5, 30) }));
          if (record.kind === 'receiver')
            return to(fc.record({ mode: fc.constantFrom('latching', 'momentary'), standbyA: fc.constantFrom(0, 0.5) }));
          if (record.kind === 'vehicleFeed')
            return to(
              fc.oneof(
                fc.record({
                  ownFuseA: fc.constantFrom(undefined, 3, 20),
                  drawnA: fc.constantFrom(undefined, 2),
                  leg: fc.constantFrom('load', 'supply'),
                }),
                fc.record({ polarity: fc.constantFrom('live', 'ground') }),
              ),
            );
          if (record.kind === 'battery') return to(fc.record({ count: fc.integer({ min: 1, max: 4 }) }));
          if (record.kind === 'fuseBlock') return to(fc.record({ slotMaxA: fc.constantFrom(5, 30), blockMaxA: fc.constantFrom(10, 100) }));
          return to(fc.record({ zoneId: fc.constantFrom(...PLACES) }));
        }
        default:
          return fc.constant([record.id, {}]);
      }
    });

  const shared = () => {
    const build = rig();
    build.supply();
    build.slot('host', 2, 10);
    build.slot('tap', 2, 5, 'supply');
    build.slot('alone', 3, 10);
    ['host', 'tap', 'alone'].forEach((fuse, at) => build.lampBehind(fuse, at + 1, 40));
    return build.design();
  };

  /** Two colours over one return by a changeover and by radio, a lamp fed by two fuses, a relay, a tap on the vehicle's own wiring. */
  const asWired = () => {
    const build = rig();
    build.supply();
    for (const [at, fuse] of ['a', 'b', 'c', 'd'].entries()) {
      build.slot(fuse, at + 1, 10);
      build.circuit(fuse, at + 1, fuse);
    }
    build.add({ id: 'choose', kind: 'switch', ratingA: 16, form: 'changeover' });
    build.load(40, 'resistive', 0, { id: 'white', quantity: 3, spacingMm: 800 });
    build.load(20, 'resistive', 0, { id: 'amber', quantity: 3, spacingMm: 800, partOf: { loadId: 'white', shares: 'minus' } });
    build.wire('a.out', 'choose.common');
    build.wire('choose.up', 'white.plus');
    build.wire('choose.down', 'amber.plus');
    build.wire('white.minus', 'bar.bar', 2000, 'mm2:2.5', 'return');
    build.add({ id: 'radio', kind: 'receiver', channels: 2, mode: 'latching', channelMaxA: 10, standbyA: 0.01 });
    build.wire('b.out', 'radio.plus');
    build.wire('radio.minus', 'bar.bar', 500, 'mm2:1', 'return');
    for (const [channel, id] of [
      ['ch1', 'left'],
      ['ch2', 'right'],
    ]) {
      build.load(30, 'resistive', 0, { id: id!, exclusiveGroup: 'one' });
      build.wire(`radio.${channel}`, `${id}.plus`);
      build.wire(`${id}.minus`, 'bar.bar', 1500, 'mm2:2.5', 'return');
    }
    build.add({ id: 'r', kind: 'relay', pins: 5, coilOhm: 85, pullInV: 7.2, dropOutV: 1.2, suppression: 'resistor', contactMilliohm: 5, ratingA: 30 }); // prettier-ignore
    build.load(25, 'resistive', 0, { id: 'twice', fedTwice: true });
    build.wire('c.out', 'r.30');
    build.wire('choose.up', 'r.86');
    build.wire('r.85', 'bar.bar', 500, 'mm2:1', 'return');
    build.wire('r.87', 'twice.plus');
    build.wire('d.out', 'twice.plus');
    build.wire('twice.minus', 'bar.bar', 1500, 'mm2:2.5', 'return');
    build.tapLamp();
    build.wire('feed.minus', 'bar.bar', 500, 'mm2:2.5', 'return');
    build.wire('dash.minus', 'bar.bar', 1500, 'mm2:2.5', 'return');
    return build.design();
  };

  test.each([
    ['Heron, laid out in its vehicle', heron, runs(60)],
    ['Pip', pip, runs(100)],
    ['two fuses in one slot', shared, runs(120)],
    ['things as really wired', asWired, runs(120)],
  ])('%s', (_, start, numRuns) => {
    const design = start();
    const zoneIds = new Set(recordsOf(design, 'zone').map(({ id }) => id));
    const fits = (set: object) => !('zoneId' in set) || set.zoneId === null || zoneIds.has(set.zoneId as string);
    const edits = fc.array(choice(Array.from(design.records.values())), { minLength: 1, maxLength: 5 });
    let taken = 0;
    fc.assert(
      fc.property(edits, (list) => {
        let now = design;
        let carried = analyse(design);
        for (const [id, set] of list.filter(([, fields]) => fits(fields))) {
          now = applyUnchecked(now, updateRecords(now, [{ id, set }]));
          const from = carried;
          carried = analyse(now, from);
          const before = new Set(from.circuits);
          taken += carried.circuits.filter((circuit) => before.has(circuit)).length;
        }
        expectAsFresh(carried);
      }),
      { numRuns, seed: seedOf(4) },
    );
    // Were nothing taken over, this would say nothing.
    expect(taken).toBeGreaterThan(numRuns);
  });
});

test('loads behind no fuse count in what their shared return may carry with what they draw now', () => {
  const build = rig();
  build.supply();
  for (const id of ['one', 'other']) {
    build.load(60, 'resistive', 0, { id });
    build.wire('battery.plus', `${id}.plus`);
    build.wire(`${id}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
  }
  const design = build.design();
  const home = Array.from(design.records.values()).find((record) => record.type === 'wire' && record.from.deviceId === 'bar')!.id;
  const passes = (analysis: Analysis) => analysis.wires.get(home)!.protectionA;
  const before = analyse(design);
  expect(passes(before)).toBeCloseTo(10, 9);
  const after = applyUnchecked(design, updateRecords(design, [{ id: 'one', set: { rated: { kind: 'watts', watts: 120, atV: 12 } } }]));
  expect(passes(analyse(after, before))).toBeCloseTo(15, 9);
  expect(passes(analyse(after))).toBeCloseTo(15, 9);
});
