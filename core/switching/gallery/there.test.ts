import { choice, LAMP, problems, small, takenWay, truthTable, CHANNEL } from '../../../testing/gallery';
import { analyse } from '../../analysis/analyse';
import { Bench } from '../../bench/bench';
import { applyChange } from '../../design/change';
import { deviceOf, recordsOf, type Design } from '../../design/design';
import type { TerminalRef } from '../../design/schema';
import { indexDesign } from '../../rig/designIndex';
import { thereToTake } from './spare';
import { wayCalled } from './ways';
import { wayTo } from './wayTo';

const taken = (design: Design, id: string, loadId = LAMP, by = choice(id)) => takenWay(design, id, loadId, by);
const truth = (design: Design) => truthTable(design, LAMP);

test('a spare channel carries the load on the receiver’s own fuse by a wire that fuse guards, or works a relay behind the load’s', () => {
  const fuseOf = (design: Design) => {
    const { index, loads } = analyse(design);
    return index.circuits.find(({ id }) => id === loads.get(LAMP)?.circuitId)?.protectionId;
  };
  expect(thereToTake(small(), 'channel')).toEqual([CHANNEL]);
  const direct = taken(small(), 'channel').design;
  expect(thereToTake(direct, 'channel')).toEqual([]);
  expect(recordsOf(direct, 'device')).toHaveLength(recordsOf(small(), 'device').length);
  expect(fuseOf(taken(small(), 'channelRelay').design)).toBe('first');
  expect(fuseOf(direct)).not.toBe('first');
  expect(taken(small(), 'channel', LAMP, choice('channel')).change.updated).toHaveLength(1);
  const none = wayTo(small(), LAMP, wayCalled('channel'), { signal: 'ignition', otherId: null });
  expect(none).toBeNull();
});

describe('a spare output of a rule hub', () => {
  const rulesOf = (design: Design) => deviceOf(design, 'rules', 'ruleHub')!.rules;
  const leads = (design: Design) => recordsOf(design, 'wire').filter(({ from, to }) => [from, to].some(({ deviceId }) => deviceId === 'signals')).length; // prettier-ignore

  test('gets a rule on the signal by a free input, and one wire of the vehicle more', () => {
    const { design } = taken(small(), 'output');
    expect(rulesOf(design).at(-1)).toEqual({ output: 3, all: [2], none: [], block: false });
    expect(leads(design)).toBe(leads(small()) + 1);
    expect(deviceOf(design, 'signals', 'signalSource')!.signals).toEqual(['brake', 'reverse']);
  });

  test('takes the input that has the signal already', () => {
    const { design } = taken(small(), 'output', LAMP, { ...choice('output'), signal: 'brake' });
    expect(rulesOf(design).at(-1)).toEqual({ output: 3, all: [1], none: [], block: false });
    expect(leads(design)).toBe(leads(small()));
    expect(truth(design)).toEqual({ 'brake released': false, 'brake pressed': true });
  });

  test('listens on the data line where the hub does that already', () => {
    const hub = deviceOf(small(), 'rules', 'ruleHub')!;
    const rules = [...hub.rules, { output: 1, all: [], none: [], heard: ['hood' as const], block: false }];
    const hearing = applyChange(small(), { added: [], removed: [], updated: [{ from: hub, to: { ...hub, rules } }] });
    const { design } = taken(hearing, 'output');
    expect(rulesOf(design).at(-1)).toEqual({ output: 3, all: [], heard: ['reverse'], none: [], block: false });
    expect(truth(design)).toEqual(truth(taken(small(), 'output').design));
  });

  test('keeps the rules it has, whatever signal is said', () => {
    const { design } = taken(small(), 'output', LAMP, { ...choice('output'), onto: { deviceId: 'rules', terminal: 'out2' } });
    expect(rulesOf(design)).toEqual(rulesOf(small()));
    expect(truth(design)).toEqual({ 'brake released': false, 'brake pressed': true });
  });

  test('is none where no input is left and the hub hears nothing', () => {
    const hub = deviceOf(small(), 'rules', 'ruleHub')!;
    const few = applyChange(small(), { added: [], removed: [], updated: [{ from: hub, to: { ...hub, inputs: 1 } }] });
    expect(wayTo(few, LAMP, wayCalled('output'), choice('output'))).toBeNull();
  });
});

test.each(['positive', 'return'] as const)('on a dimmer in the %s side that is there both lamps are dimmed as one', (side) => {
  const knob = deviceOf(small(), 'knob', 'dimmer')!;
  let start = small();
  if (side === 'return') {
    // The same knob on the other side of its lamp.
    const wires = recordsOf(start, 'wire').filter(({ from, to }) =>
      [from, to].some(({ deviceId }) => deviceId === 'knob' || deviceId === 'mood'),
    );
    const [first] = wires;
    const wire = (id: string, role: 'supply' | 'return', from: TerminalRef, to: TerminalRef) => ({ ...first!, id, role, from, to });
    const at = (deviceId: string, terminal: string) => ({ deviceId, terminal });
    start = applyChange(start, {
      removed: wires,
      updated: [{ from: knob, to: { ...knob, side } }],
      added: [
        wire('k1', 'supply', at('moodFuse', 'out'), at('mood', 'plus')),
        wire('k2', 'supply', at('moodFuse', 'out'), at('knob', 'plus')),
        wire('k3', 'return', at('mood', 'minus'), at('knob', 'dimmed')),
        wire('k4', 'return', at('knob', 'minus'), at('bar', 'bar')),
      ],
    });
  }
  const [onto] = thereToTake(start, 'dimmer');
  const { design } = taken(start, 'sharedDimmer', LAMP, { ...choice('sharedDimmer'), onto: onto! });
  expect(problems(design)).toEqual(problems(start));
  const bench = new Bench(indexDesign(design));
  for (const percent of [100, 50, 10]) {
    const { loads } = bench.set('knob', 'levelPercent', percent).answer;
    const [lamp, mood] = [LAMP, 'mood'].map((id) => loads.find((one) => one.id === id)!.level);
    expect(lamp).toBeCloseTo(mood!, 1);
    expect(Math.abs(lamp! - percent / 100)).toBeLessThan(0.1 * (percent / 100));
  }
});

test('what switches this load alone is not there to be put on once it has gone: nothing is left hanging in the air', () => {
  // A radio of its own with a second channel free, and a dimmer of its own.
  const held = taken(small(), 'radio').design;
  const own = recordsOf(held, 'device').find(({ name }) => name === 'first_lamp radio')!;
  const two = applyChange(held, { added: [], removed: [], updated: [{ from: own, to: { ...own, channels: 2 } as typeof own }] });
  const onto = { deviceId: own.id, terminal: 'ch2' };
  expect(thereToTake(two, 'channel')).toContainEqual(onto);
  for (const id of ['channel', 'channelRelay'] as const) expect(wayTo(two, LAMP, wayCalled(id), { ...choice(id), onto })).toBeNull();
  const dimmed = taken(small(), 'dimmer').design;
  const knob = recordsOf(dimmed, 'device').find(({ name }) => name === 'first_lamp dimmer')!;
  const by = { ...choice('sharedDimmer'), onto: { deviceId: knob.id, terminal: 'out' } };
  expect(wayTo(dimmed, LAMP, wayCalled('sharedDimmer'), by)).toBeNull();
  // Another load may have that channel.
  expect(wayTo(two, 'second_lamp', wayCalled('channel'), { ...choice('channel'), onto })).not.toBeNull();
});
