import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import { device, so, wish } from '../../testing/wishing';
import { recordsOf, type Design } from '../design/design';
import { writeTruthCsv } from '../formats/truthCsv';
import { disagrees } from '../wording/benchWords';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import { Bench } from './bench';
import { groupTruthOf, truthOf, type Truth } from './truth';

function truth(design: Design, loadId: string): Truth {
  const index = indexDesign(design);
  const found = truthOf(index, traceWiring(index), loadId);
  if ('tooMany' in found) throw new Error(`${found.tooMany} ways`);
  return found;
}

const table = ({ rows }: Truth) => rows.map(({ positions, on }) => [...positions, on]);

/** Two changeovers with straight travellers, and where asked an intermediate between them made of a double-pole changeover. */
function places(three: boolean) {
  const build = rig();
  build.battery();
  build.add({ id: 'front', kind: 'switch', form: 'changeover', ratingA: 10 });
  build.add({ id: 'rear', kind: 'switch', form: 'changeover', ratingA: 10 });
  build.load(24, 'resistive', 0, { id: 'lamp' });
  build.load(24, 'resistive', 0, { id: 'other' });
  build.add({ id: 'apart', kind: 'switch', ratingA: 10 });
  build.wire('battery.plus', 'front.common');
  if (three) {
    build.add({ id: 'middle', kind: 'switch', form: 'doublePoleChangeover', ratingA: 10 });
    build.wire('front.up', 'middle.common1');
    build.wire('front.down', 'middle.common2');
    build.wire('middle.up1', 'rear.up');
    build.wire('middle.up2', 'rear.down');
    build.wire('middle.down1', 'rear.down');
    build.wire('middle.down2', 'rear.up');
  } else {
    build.wire('front.up', 'rear.up');
    build.wire('front.down', 'rear.down');
  }
  build.wire('rear.common', 'lamp.plus');
  build.wire('lamp.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  build.wire('battery.plus', 'apart.in');
  build.wire('apart.out', 'other.plus');
  build.wire('other.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  return build.design();
}

// Textbook: two places agree or differ, three have an odd number up or not. Written down by hand.
test('from two places a lamp is lit where both agree; the switch of another lamp is not among what influences it', () => {
  const found = truth(places(false), 'lamp');
  expect(found.inputs.map((input) => input.kind === 'device' && input.deviceId).sort()).toEqual(['front', 'rear']);
  expect(table(found)).toEqual([
    ['down', 'down', true],
    ['down', 'up', false],
    ['up', 'down', false],
    ['up', 'up', true],
  ]);
});

test('from three places, with an intermediate switch, every one of them turns it over', () => {
  const found = truth(places(true), 'lamp');
  expect(found.rows).toHaveLength(8);
  const ups = ({ positions }: Truth['rows'][number]) => positions.filter((position) => position === 'up').length;
  // All up is lit through the intermediate's straight throw; each one moved from there turns it over.
  for (const row of found.rows) expect([row.positions, row.on]).toEqual([row.positions, ups(row) % 2 === 1]);
});

test('a relay on the high beam with a switch in its lamp’s feed: both are needed; key and doors do not matter', () => {
  const build = rig();
  build.battery();
  build.add({ id: 'signals', kind: 'signalSource', signals: ['highBeam', 'ignition'], maxA: 0.5 });
  build.add({
    ...{ id: 'relay', kind: 'relay', pins: 4, coilOhm: 90, pullInV: 7.5, dropOutV: 3 },
    ...{ suppression: 'resistor', contactMilliohm: 4, ratingA: 30 },
  });
  build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
  build.load(60, 'resistive', 0, { id: 'lamp' });
  build.wire('signals.highBeam', 'relay.86');
  build.wire('relay.85', 'battery.minus', 1000, 'mm2:1', 'return');
  build.wire('signals.minus', 'battery.minus', 1000, 'mm2:1', 'return');
  build.wire('battery.plus', 'sw.in');
  build.wire('sw.out', 'relay.30');
  build.wire('relay.87', 'lamp.plus');
  build.wire('lamp.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  const found = truth(build.design(), 'lamp');
  expect(found.inputs).toEqual([
    expect.objectContaining({ kind: 'vehicle', control: 'lamps' }),
    expect.objectContaining({ deviceId: 'sw' }),
  ]);
  expect(table(found)).toEqual(
    ['off', 'side', 'low', 'high', 'flash'].flatMap((lamps) =>
      ['off', 'on'].map((position) => [lamps, position, (lamps === 'high' || lamps === 'flash') && position === 'on']),
    ),
  );
});

test('what would be more ways than can be tried says how many', () => {
  const build = rig();
  build.battery();
  build.load(24, 'resistive', 0, { id: 'lamp' });
  for (let at = 0; at < 13; at++) {
    build.add({ id: `s${at}`, kind: 'switch', ratingA: 10 });
    build.wire(at === 0 ? 'battery.plus' : `s${at - 1}.out`, `s${at}.in`);
  }
  build.wire('s12.out', 'lamp.plus');
  build.wire('lamp.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  const index = indexDesign(build.design());
  expect(truthOf(index, traceWiring(index), 'lamp')).toEqual({ tooMany: 2 ** 13 });
});

// The table is made with test lamps and only what influences the load; the bench has the whole design. They agree row by row.
test('on Heron every row of every load’s table is what the bench shows', () => {
  const design = heron();
  const index = indexDesign(design);
  let compared = 0;
  for (const load of index.loads) {
    const found = truth(design, load.id);
    for (const { positions, on } of found.rows) {
      const bench = new Bench(index);
      found.inputs.forEach((input, at) => {
        if (input.kind === 'device') bench.set(input.deviceId, input.control, positions[at]!);
        else bench.drive(input.control, positions[at]!);
      });
      const shown = bench.answer.loads.find(({ id }) => id === load.id)!.state === 'on';
      expect([load.name, positions, on]).toEqual([load.name, positions, shown]);
      compared += 1;
    }
  }
  expect(compared).toBeGreaterThan(recordsOf(design, 'circuit').length);
});

// By hand: the two places work one lamp, the third switch the other; neither knows of the other's.
test('several loads stand beside each other in one table, what matters to any of them varied, each as in its own', () => {
  const design = places(false);
  const index = indexDesign(design);
  const found = groupTruthOf(index, traceWiring(index), ['lamp', 'other']);
  if ('tooMany' in found) throw new Error('too many');
  const at = (id: string) => found.inputs.findIndex((input) => input.kind === 'device' && input.deviceId === id);
  expect(found.rows).toHaveLength(8);
  for (const { positions, does } of found.rows) {
    const [front, rear, apart] = ['front', 'rear', 'apart'].map((id) => positions[at(id)]);
    expect(does.map(({ on }) => on)).toEqual([front === rear, apart === 'on']);
  }
  const csv = writeTruthCsv(design, found, ['lamp', 'other']).split('\r\n');
  expect(csv[0]!.split(',').slice(-2)).toEqual(['lamp', 'other']);
  expect(csv).toHaveLength(10);
});

test('what is wished of one of several is held against that one alone', () => {
  const design = places(false);
  const index = indexDesign(design);
  const wished = wish('other', { kind: 'on', when: [so(device('apart'), 'on')] });
  const found = groupTruthOf(index, traceWiring(index), ['lamp', 'other'], [wished]);
  if ('tooMany' in found) throw new Error('too many');
  expect(new Set(found.rows.map(({ does }) => does[0]!.wished))).toEqual(new Set([null]));
  expect(found.rows.filter(({ does }) => does[1]!.wished === true)).toHaveLength(4);
  expect(found.rows.some(({ does }) => does.some(disagrees))).toBe(false);
});
