import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import { device, judge, so, verdicts, wish } from '../../testing/wishing';
import { truthOf } from '../bench/truth';
import { indexDesign } from '../rig/designIndex';
import { deviceOf, type Design } from '../design/design';
import { plainChannels } from './plainChannels';
import { Reach } from './reach';
import { traceWiring } from './traceWiring';

type Build = ReturnType<typeof rig>;

/** A receiver of three channels: a lamp on the first, and whatever a test hangs on the others. */
function radio(more: (build: Build) => void = () => {}): Design {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.slot('other', 2, 10);
  build.add({ id: 'radio', kind: 'receiver', channels: 3, mode: 'latching', channelMaxA: 8, standbyA: 0.006 });
  build.wire('fuse.out', 'radio.plus');
  build.wire('radio.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  for (const [at, id] of ['lamp', 'second'].entries()) {
    build.load(12, 'resistive', 0, { id });
    build.wire(`radio.ch${at + 1}`, `${id}.plus`);
    build.wire(`${id}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
  }
  more(build);
  build.circuit('fuse', 1, 'fuse');
  return build.design();
}

const plain = (design: Design) => {
  const index = indexDesign(design);
  const wiresAt = new Map<string, typeof index.wires>();
  for (const wire of index.wires)
    for (const { deviceId, terminal } of [wire.from, wire.to]) {
      const key = `${deviceId}/${terminal}`;
      wiresAt.set(key, [...(wiresAt.get(key) ?? []), wire]);
    }
  return [...plainChannels(index, traceWiring(index), wiresAt, deviceOf(design, 'radio', 'receiver')!)].sort();
};
const controls = (design: Design, id: string) => {
  const index = indexDesign(design);
  return new Reach(index, traceWiring(index))
    .influenceOn([id])
    .handles.map(({ deviceId, key }) => `${deviceId}.${key}`)
    .sort();
};

// By hand: what another button of the fob does to this lamp. Common practice.
test('a channel that only feeds loads or a coil is no matter of another one; one that meets another feed is', () => {
  expect(plain(radio())).toEqual(['ch1', 'ch2', 'ch3']);
  expect(controls(radio(), 'lamp')).toContain('radio.ch1');
  expect(controls(radio(), 'lamp')).not.toContain('radio.ch2');
  const fedFromBoth = radio((build) => build.wire('other.out', 'second.plus'));
  expect(plain(fedFromBoth)).toEqual(['ch1', 'ch3']);
  expect(controls(fedFromBoth, 'lamp')).toContain('radio.ch2');
  const joined = radio((build) => build.wire('radio.ch3', 'lamp.plus'));
  expect(plain(joined)).toEqual(['ch2']);
  expect(controls(joined, 'lamp')).toEqual(expect.arrayContaining(['radio.ch1', 'radio.ch3']));
});

test('a coil on another channel matters where its contact stands in the lamp’s way', () => {
  const coil = (contactOn: string) =>
    radio((build) => {
      build.add({ id: 'relay', kind: 'relay', pins: 4, coilOhm: 90, pullInV: 7.5, dropOutV: 3, suppression: 'resistor', contactMilliohm: 4, ratingA: 30 }); // prettier-ignore
      build.wire('radio.ch3', 'relay.86');
      build.wire('relay.85', 'bar.bar', 1000, 'mm2:2.5', 'return');
      build.wire('other.out', 'relay.30');
      build.wire('relay.87', contactOn);
    });
  const apart = radio((build) => build.load(12, 'resistive', 0, { id: 'third' }));
  expect(controls(apart, 'lamp')).not.toContain('radio.ch3');
  const onLamp = coil('lamp.plus');
  expect(controls(onLamp, 'lamp')).toContain('radio.ch3');
  // The truth of it: either button lights it.
  const index = indexDesign(onLamp);
  const found = truthOf(index, traceWiring(index), 'lamp');
  expect('rows' in found && found.rows.map(({ on }) => on)).toEqual([false, true, true, true]);
});

test('one that remembers its mode, or whose home is not home, is looked at whole', () => {
  const turns = radio();
  const receiver = deviceOf(turns, 'radio', 'receiver')!;
  const remembering = {
    records: new Map(turns.records).set('radio', { ...receiver, remembers: { comesAs: 'latching', holds: 1 } }),
  } as Design;
  expect(plain(remembering)).toEqual([]);
  expect(plain(radio((build) => build.wire('radio.ch3', 'block.plus')))).toEqual(['ch1', 'ch2']);
});

test('wishes of a load on a hub of many channels are tried to the end', () => {
  const design = heron();
  const index = indexDesign(design);
  const load = index.loads.find(({ name }) => name === 'Hide red light')!.id;
  const hub = Array.from(index.devices.values()).find(({ name }) => name === 'Hide relay hub')!.id;
  const judged = judge(
    design,
    wish(load, { kind: 'keyOut', answer: 'works' }),
    wish(load, { kind: 'on', when: [so(device(hub, 'ch2'), true)] }),
    wish(load, { kind: 'off', when: [so(device(hub, 'ch2'), false)] }),
    wish(load, { kind: 'whatever', mover: device(hub, 'ch1') }),
  );
  expect(verdicts(judged)).toEqual(['kept', 'kept', 'kept', 'kept']);
  expect(Math.max(...judged.map(({ tried }) => tried))).toBeLessThan(100);
});
